import { replaceSwatches, swatchText, type Swatch } from '@retoque/core';
import { createContext, useContext } from 'react';

/** The colours of the site's palette, for whatever shows or takes a value. */
export const SwatchesContext = createContext<readonly Swatch[]>([]);

export const useSwatches = (): readonly Swatch[] => useContext(SwatchesContext);

/** A value as its owner reads it: colours of the palette by their names. */
export const swatchWords = (text: string, swatches: readonly Swatch[]): string =>
  replaceSwatches(text, ({ text: own, id, opacity }) => {
    const swatch = swatches.find((other) => other.id === id);
    return swatch ? `${swatch.name}${opacity ? ` ${opacity}` : ''}` : own;
  });

/** What was typed, with a colour of the palette where it is the name of one. */
export function namedSwatch(typed: string, swatches: readonly Swatch[]): string {
  const said = typed.trim().toLowerCase();
  const swatch = swatches.find(({ name }) => name.toLowerCase() === said);
  return swatch ? swatchText(swatch.id) : typed;
}
