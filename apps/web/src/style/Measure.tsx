import { Box, Flex } from '@chakra-ui/react';
import { showRatio, showShortfall, type ColumnCheck } from '@retoque/core';

const HIGHEST = 21;
/** Ratios are judged by their proportion, so the gauge is logarithmic. */
const place = (ratio: number) => (Math.log(Math.max(1, ratio)) / Math.log(HIGHEST)) * 100;

/** The contrast of one state: the figure, what is needed, and how far it lies. */
export function Measure({ check }: { check: ColumnCheck }) {
  if (check.measured === undefined) {
    return (
      <Box>
        <Flex alignItems="baseline" gap="8px">
          <Box fontSize="20px" fontWeight={600} color={check.verdict === 'unsure' ? 'unsure' : 'ink'}>
            {check.verdict === 'unsure' ? 'Unsure' : 'Exempt'}
          </Box>
          <Box color="ink2">{check.label.toLowerCase()}</Box>
        </Flex>
        <Box color="ink2">{check.reason}</Box>
      </Box>
    );
  }
  const short = check.verdict === 'short';
  return (
    <Box>
      <Flex alignItems="baseline" gap="8px" flexWrap="wrap">
        <Box fontSize="26px" fontWeight={600} letterSpacing="-0.02em" data-testid="ratio">
          {showRatio(check.measured)}
        </Box>
        <Box fontWeight={650} color={short ? 'short' : 'ink'}>
          {short ? `short by ${showShortfall(check.measured, check.needed)}` : 'passes'}
        </Box>
        <Box color="ink2">{check.label.toLowerCase()}</Box>
      </Flex>
      <Box
        height="16px"
        position="relative"
        mt="8px"
        mb="2px"
        bg="linear-gradient(90deg, #ddd, #bbb)"
        borderRadius="2px"
        aria-hidden="true"
      >
        <Box position="absolute" top="-3px" bottom="-3px" width="2px" bg="ink" left={`${place(check.needed)}%`} />
        <Box position="absolute" top="-3px" bottom="-3px" width="2px" bg="ink" opacity={0.35} left={`${place(7)}%`} />
        <Box
          position="absolute"
          top="3px"
          left={`${place(check.measured)}%`}
          width="0"
          height="0"
          border="5px solid transparent"
          borderTop={`8px solid {colors.${short ? 'short' : 'ink'}}`}
          transform="translateX(-5px)"
        />
      </Box>
      <Box position="relative" height="15px" color="ink3" fontSize="11px" aria-hidden="true">
        {[1, 3, 4.5, 7, HIGHEST].map((mark) => (
          <Box
            key={mark}
            position="absolute"
            left={`${place(mark)}%`}
            transform={mark === 1 ? undefined : mark === HIGHEST ? 'translateX(-100%)' : 'translateX(-50%)'}
          >
            {mark}
          </Box>
        ))}
      </Box>
      <Box color="ink2" mt="4px">
        Needs {check.needed} ({sortOf(check)}, WCAG 2.2 {check.criterion} at level AA).
        {check.measuredElements > 1
          ? ` The lowest of ${check.measuredElements}${check.worstText ? `: “${check.worstText}”` : ''}.`
          : ''}
      </Box>
    </Box>
  );
}

const sortOf = (check: ColumnCheck): string =>
  check.criterion === '1.4.11' ? 'edges and icons' : check.large ? 'large text' : 'text';
