import { chakra } from '@chakra-ui/react';

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
