import type { ElementStyle } from './element-style.js';

/** Thumb and track of a computed `scrollbar-color`, as CSS text; undefined for `auto` (CSS Scrollbars 1, section 2). */
export function scrollbarColours(text: string): readonly [thumb: string, track: string] | undefined {
  // The second begins after the first space that stands in no bracket. Read by hand, since kinds ask this, and every
  // screen loads the kinds: a parser would come along.
  let depth = 0;
  const at = [...text].findIndex((character) => {
    depth += character === '(' ? 1 : character === ')' ? -1 : 0;
    return depth === 0 && character === ' ';
  });
  const [thumb, track] = [text.slice(0, at), text.slice(at + 1).trim()];
  return at > 0 ? [thumb, track] : undefined;
}

/** True where a sheet of the page, and not only the browser's, says something of an element or pseudo-element. */
export const isAuthored = (style: ElementStyle): boolean =>
  style.declaredProperties.some((property) => style.winner(property)?.origin === 'author');
