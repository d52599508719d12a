import { Box, Flex } from '@chakra-ui/react';
import { gatherNear, parseColour, type FoundColour } from '@retoque/core';
import { Button } from '../theme/Button';
import { ColourBlock } from './Swatch';
import { counted } from '../shell/counted';
import { shortColour } from './words';

/** Colours of the site that look alike and are not one: most likely slips. */
export function Alike({ colours, onGather }: { colours: readonly FoundColour[]; onGather: (css: string) => void }) {
  const opaque = colours.filter(({ css }) => parseColour(css)?.alpha === 1);
  const groups = gatherNear(opaque).filter(({ near }) => near.length);
  if (!groups.length) return null;
  return (
    <Box as="section" aria-label="Nearly the same" mt="18px" maxWidth="760px">
      <Box as="h2" fontSize="15px" fontWeight={650} mb="2px">
        Nearly the same
      </Box>
      <Box color="ink2" mb="8px">
        These are hard to tell apart. Where they should be one, gather them into the one that is used most.
      </Box>
      <Box as="ul" listStyleType="none" bg="card" border="1px solid {colors.line}" borderRadius="l" px="14px">
        {groups.map(({ css, near, uses }) => (
          <Flex
            as="li"
            key={css}
            alignItems="center"
            flexWrap="wrap"
            gap="6px 9px"
            py="7px"
            css={{ '& + &': { borderTop: '1px solid {colors.lineSoft}' } }}
          >
            {[css, ...near.map((own) => own.css)].map((own) => (
              <Flex key={own} alignItems="center" gap="6px">
                <ColourBlock css={own} />
                <Box as="code" fontFamily="mono" fontSize="12px">
                  {shortColour(own)}
                </Box>
              </Flex>
            ))}
            <Box color="ink2" fontSize="12.5px" ml="auto">
              in {counted(uses, 'declaration')}
            </Box>
            <Button size="s" aria-label={`Gather into ${shortColour(css)}`} onClick={() => onGather(css)}>
              Gather
            </Button>
          </Flex>
        ))}
      </Box>
    </Box>
  );
}
