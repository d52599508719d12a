import { parseColour, toHex, type Suffices } from '@retoque/core';

export const SUFFICES: Readonly<Record<Suffices, string>> = {
  enhanced: 'Body text, also at level AAA',
  text: 'Body text',
  large: 'Large text and edges only',
  nothing: 'Nothing that has to be read or seen',
};

/** A colour as short as it goes; the text itself where it is a name or another space. */
export const shortColour = (css: string): string => {
  const colour = parseColour(css);
  return colour && /^(#|rgb)/i.test(css) ? toHex(colour) : css;
};
