/**
 * Filters in one list. Each is a pass over all pixels of what is filtered, so that thousands of them hold up a tab for
 * minutes; lists that people write have a handful.
 */
export const MAX_FILTERS = 64;

const FILTERS = new Set(
  'blur brightness contrast drop-shadow grayscale hue-rotate invert opacity saturate sepia'.split(' '),
);
/** Letters of the longest name, and one more that would make it another. */
const NAME_LENGTH = 'drop-shadow'.length + 1;
const NAME = /(?<![\w-])[a-z-]+$/i;
/** What ends a declaration, as far as lists of filters go: their values hold none of these. */
const END = /[;{}]/g;

/** Where a filter of some name begins whose bracket opens here; -1 where another function's does. */
function beginOf(css: string, bracket: number): number {
  const [name] = NAME.exec(css.slice(Math.max(0, bracket - NAME_LENGTH), bracket)) ?? [];
  return name !== undefined && FILTERS.has(name.toLowerCase()) ? bracket - name.length : -1;
}

/** Lists of filters that are too long, from the first of them to the end of the declaration; offsets into the text. */
export function longFilterSpans(css: string): readonly (readonly [start: number, end: number])[] {
  const spans: [number, number][] = [];
  let first = 0;
  let count = 0;
  let end = -1;
  for (let bracket = css.indexOf('('); bracket >= 0; bracket = css.indexOf('(', bracket + 1)) {
    const index = beginOf(css, bracket);
    if (index < 0) continue;
    if (index >= end) {
      END.lastIndex = first = index;
      end = END.exec(css)?.index ?? css.length;
      count = 0;
    }
    if (++count === MAX_FILTERS + 1) spans.push([first, end]);
  }
  return spans;
}
