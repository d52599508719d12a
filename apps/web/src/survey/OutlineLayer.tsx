import { Box } from '@chakra-ui/react';
import type { FoundWithChecks } from '../engine/protocol';
import type { Box as PlacedBox } from '../frame/geometry';
import type { Outline } from './useOutlines';

const GAP = 3;

/** Outlines over the page: every component thinly, the one that is pointed at with its name and number of matches. */
export function OutlineLayer({
  outlines,
  active,
  aim,
  scale,
}: {
  outlines: readonly Outline[];
  active: Pick<FoundWithChecks, 'kind' | 'selector'> | undefined;
  /** An element that is pointed at. */
  aim: PlacedBox | undefined;
  scale: number;
}) {
  return (
    <Box position="absolute" inset="0" pointerEvents="none" aria-hidden="true">
      {aim ? (
        <Box
          data-aim=""
          position="absolute"
          left={`${aim.left * scale - GAP}px`}
          top={`${aim.top * scale - GAP}px`}
          width={`${aim.width * scale + 2 * GAP}px`}
          height={`${aim.height * scale + 2 * GAP}px`}
          borderRadius="m"
          border="2px dashed {colors.overPage}"
          boxShadow="0 0 0 1.5px #fff, inset 0 0 0 1px #fff"
          zIndex={3}
        />
      ) : null}
      {outlines.flatMap(({ component, boxes }) => {
        const isActive = active?.selector === component.selector && active.kind === component.kind;
        const colour = component.short ? 'overPageShort' : 'overPage';
        return boxes.map((box, i) => {
          const top = box.top * scale - GAP;
          return (
            <Box
              key={`${component.elements[0]}-${i}`}
              data-outline={component.selector}
              position="absolute"
              left={`${box.left * scale - GAP}px`}
              top={`${top}px`}
              width={`${box.width * scale + 2 * GAP}px`}
              height={`${box.height * scale + 2 * GAP}px`}
              borderRadius="m"
              borderStyle="solid"
              borderWidth={isActive ? '2px' : '1.5px'}
              borderColor={colour}
              // A white line on either side keeps the outline seen on any ground.
              boxShadow={isActive ? '0 0 0 1.5px #fff, inset 0 0 0 1px #fff' : '0 0 0 1px rgba(255,255,255,.75)'}
              zIndex={isActive ? 2 : 1}
            >
              {isActive && i === 0 ? (
                <Box
                  position="absolute"
                  left="-2px"
                  {...(top < 30 ? { top: 'calc(100% + 4px)' } : { bottom: 'calc(100% + 4px)' })}
                  bg={colour}
                  color="white"
                  fontSize="11.5px"
                  fontWeight={600}
                  padding="2px 7px"
                  borderRadius="s"
                  whiteSpace="nowrap"
                >
                  {component.name} · {component.reach} {component.reach === 1 ? 'match' : 'matches'}
                </Box>
              ) : null}
            </Box>
          );
        });
      })}
    </Box>
  );
}
