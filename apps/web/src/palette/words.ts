import { columnNamed, showRatio, toHex, parseColour, type LedgerCheck, type Suffices } from '@retoque/core';

export const counted = (number: number, one: string, many = `${one}s`): string =>
  `${number} ${number === 1 ? one : many}`;

/** A check in a few words: what, in which state, and its figure. */
export const checkWords = ({ label, column, measured, unit }: LedgerCheck): string => {
  const state = columnNamed(column)?.label.toLowerCase() ?? column;
  const figure =
    measured === undefined ? '' : unit === 'ratio' ? ` ${showRatio(measured)}` : ` ${Math.round(measured)}`;
  return `${label}, ${state}${figure}`;
};

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
