/**
 * Filters in one list. Each is a pass over all pixels of what is filtered, so that thousands of them hold up a tab for
 * minutes; lists that people write have a handful.
 */
export const MAX_FILTERS = 64;

const FILTER =
  /(?<![\w-])(?:blur|brightness|contrast|drop-shadow|grayscale|hue-rotate|invert|opacity|saturate|sepia)\(/gi;
/** What ends a declaration, as far as lists of filters go: their values hold none of these. */
const END = /[;{}]/g;

/** Lists of filters that are too long, from the first of them to the end of the declaration; offsets into the text. */
export function longFilterSpans(css: string): readonly (readonly [start: number, end: number])[] {
  const spans: [number, number][] = [];
  let first = 0;
  let count = 0;
  let end = -1;
  for (const { index } of css.matchAll(FILTER)) {
    if (index >= end) {
      END.lastIndex = first = index;
      end = END.exec(css)?.index ?? css.length;
      count = 0;
    }
    if (++count === MAX_FILTERS + 1) spans.push([first, end]);
  }
  return spans;
}
