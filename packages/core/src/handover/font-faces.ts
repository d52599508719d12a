import { string as cssString } from 'css-tree';
import { splitTopLevel } from '../css/values/split.js';
import type { Look } from '../look/model.js';
import { activeSettings } from '../look/model.js';

/** A font file that a look may name. */
export interface FontFile {
  readonly family: string;
  readonly style: 'normal' | 'italic';
  /** From the lightest to the boldest that the file holds. */
  readonly weight: { readonly from: number; readonly to: number };
  /** Where the CSS finds it. */
  readonly address: string;
  /** The word of `format()`. */
  readonly format: string;
}

const plain = (family: string): string => {
  const text = family.trim();
  return (/^["']/.test(text) ? cssString.decode(text) : text.replace(/\s+/g, ' ')).toLowerCase();
};

/** Families that a look sets, in lower case. */
export function familiesOf(look: Look): ReadonlySet<string> {
  const values = activeSettings(look).filter(({ property }) => property === 'font-family');
  return new Set(values.flatMap(({ value }) => splitTopLevel(value)).map(plain));
}

/** The `@font-face` rules of files (CSS Fonts 4, section 4); text stays readable while a font loads. */
export const fontFaces = (fonts: readonly FontFile[]): string =>
  fonts
    .map(
      ({ family, style, weight, address, format }) => `@font-face {
  font-family: ${cssString.encode(family)};
  font-style: ${style};
  font-weight: ${weight.from === weight.to ? weight.from : `${weight.from} ${weight.to}`};
  font-display: swap;
  src: url(${cssString.encode(address)}) format("${format}");
}`,
    )
    .join('\n');

/** Those of a site's font files that a look names. */
export const fontsOf = (look: Look, fonts: readonly FontFile[]): FontFile[] => {
  const wanted = familiesOf(look);
  return fonts.filter(({ family }) => wanted.has(family.toLowerCase()));
};
