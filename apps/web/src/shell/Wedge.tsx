import { Box, chakra } from '@chakra-ui/react';

const Shape = chakra('span', {
  base: {
    display: 'inline-block',
    width: '8px',
    height: '8px',
    flexShrink: 0,
    clipPath: 'polygon(0 100%, 100% 100%, 100% 0)',
  },
});

/** The shape that marks what is short, beside its words and colour. */
export const Wedge = () => <Shape bg="short" aria-hidden="true" />;

/** How many states of a component are short or unsure; a tick when all pass. */
export function Tally({ short, unsure }: { short: number; unsure: number }) {
  const state = (n: number) => `${n} ${n === 1 ? 'state' : 'states'}`;
  if (short) {
    return (
      <Box
        as="span"
        display="inline-flex"
        gap="4px"
        alignItems="center"
        color="short"
        fontWeight={650}
        title={`${state(short)} short`}
      >
        <Wedge />
        {short}
        <VisuallyHidden> {short === 1 ? 'state' : 'states'} short</VisuallyHidden>
      </Box>
    );
  }
  if (unsure) {
    return (
      <Box as="span" color="unsure" fontWeight={650} title={`${state(unsure)} unsure`}>
        ?<VisuallyHidden> {state(unsure)} unsure</VisuallyHidden>
      </Box>
    );
  }
  return (
    <Box as="span" color="ink3" title="Every state passes">
      ✓<VisuallyHidden> every state passes</VisuallyHidden>
    </Box>
  );
}

const VisuallyHidden = chakra('span', {
  base: {
    position: 'absolute',
    width: '1px',
    height: '1px',
    overflow: 'hidden',
    clipPath: 'inset(50%)',
    whiteSpace: 'nowrap',
  },
});
export { VisuallyHidden };
