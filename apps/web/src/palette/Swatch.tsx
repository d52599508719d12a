import { chakra } from '@chakra-ui/react';

const CHECKER = 'repeating-conic-gradient(#fff 0 25%, #c9c9c5 0 50%) 0 0 / 10px 10px';

const Block = chakra('span', {
  base: {
    display: 'block',
    flexShrink: 0,
    borderRadius: 'm',
    boxShadow: 'inset 0 0 0 1px {colors.swatchEdge}',
  },
});

/** A field of a colour; what lets something through shows a pattern behind it. */
export const ColourBlock = ({ css, size = '22px', wide }: { css: string; size?: string; wide?: boolean }) => (
  <Block
    aria-hidden="true"
    style={{
      background: `linear-gradient(${css}, ${css}), ${CHECKER}`,
      width: wide ? '100%' : size,
      height: size,
    }}
  />
);
