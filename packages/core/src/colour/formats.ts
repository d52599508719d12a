import 'culori/css';
import { converter } from 'culori/fn';
import { printNumber } from '../base/number.js';
import { toOklch } from './oklch.js';
import { toHex } from './print.js';
import type { Rgba } from './rgba.js';

/** Ways to write a colour (CSS Color 4, sections 5, 7 and 9). */
export const COLOUR_FORMATS = ['hex', 'rgb', 'hsl', 'oklch'] as const;
export type ColourFormat = (typeof COLOUR_FORMATS)[number];

const toHsl = converter('hsl');

const round = (value: number, digits: number): string => printNumber(Number(value.toFixed(digits)));
const alphaOf = ({ alpha }: Rgba): string => (alpha < 1 ? ` / ${round(alpha * 100, 1)}%` : '');

/** The colour in one way of writing, with as many digits as keep its eight-bit channels. */
export function formatColour(colour: Rgba, format: ColourFormat, hueOfGrey = 0): string {
  const { r, g, b } = colour;
  switch (format) {
    case 'hex':
      return toHex(colour);
    case 'rgb':
      return `rgb(${[r, g, b].map((channel) => Math.round(channel * 255)).join(' ')}${alphaOf(colour)})`;
    case 'hsl': {
      const { h, s, l } = toHsl({ mode: 'rgb', r, g, b });
      return `hsl(${round(h ?? hueOfGrey, 1)} ${round(s * 100, 1)}% ${round(l * 100, 1)}%${alphaOf(colour)})`;
    }
    case 'oklch': {
      const { l, c, h } = toOklch(colour, hueOfGrey);
      return `oklch(${round(l, 4)} ${round(c, 4)} ${round(h, 2)}${alphaOf(colour)})`;
    }
  }
}

/** The way in which a colour is written; undefined for names and ways that are not offered. */
export function formatOf(text: string): ColourFormat | undefined {
  const written = text.trim().toLowerCase();
  if (written.startsWith('#')) return 'hex';
  if (/^rgba?\(/.test(written)) return 'rgb';
  if (/^hsla?\(/.test(written)) return 'hsl';
  return written.startsWith('oklch(') ? 'oklch' : undefined;
}
