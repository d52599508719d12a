import { generate } from 'css-tree';
import { parseColour } from '../../colour/parse.js';
import { parseValue } from '../sheet/declaration.js';
import type { ElementStyle } from './element-style.js';

/** Thumb and track of a computed `scrollbar-color`, as CSS text; undefined for `auto` (CSS Scrollbars 1, section 2). */
export function scrollbarColours(text: string): readonly [thumb: string, track: string] | undefined {
  const [thumb, track] =
    parseValue(text)
      ?.children.toArray()
      .map((node) => generate(node)) ?? [];
  return thumb && track && parseColour(thumb) && parseColour(track) ? [thumb, track] : undefined;
}

/** True where a sheet of the page, and not only the browser's, says something of an element or pseudo-element. */
export const isAuthored = (style: ElementStyle): boolean =>
  style.declaredProperties.some((property) => style.winner(property)?.origin === 'author');
