import type { StyledPage } from '../css/cascade/page-styles.js';
import { once } from '../memo/once.js';
import { descendants, hasOwnText, type ElementNode } from '../tree/tree.js';
import { isHtml } from './signs.js';
import { isSmall, paints, textLength } from './shape.js';

const LANGUAGES = `en de fr es it pt nl da sv nb fi pl cs sk sl hr hu ro bg el tr ru uk lt lv et ja zh ko ar he`.split(
  ' ',
);
const UNITS = ['day', 'hour', 'minute', 'second'] as const;

/** What days, hours, minutes and seconds are called. Source: CLDR, by way of Intl. */
const unitWords = once((_key: typeof UNITS): ReadonlyMap<string, string> => {
  const words = new Map<string, string>();
  for (const language of LANGUAGES) {
    for (const unit of UNITS) {
      for (const unitDisplay of ['long', 'short'] as const) {
        const format = new Intl.NumberFormat(language, { style: 'unit', unit, unitDisplay });
        for (const n of [1, 2, 5]) {
          const part = format.formatToParts(n).find(({ type }) => type === 'unit')?.value;
          if (part) words.set(part.toLowerCase().replace(/\.$/, ''), unit);
        }
      }
    }
  }
  return words;
});

/** The unit of time that a text names; undefined for what names none. */
export const unitNamed = (text: string): string | undefined =>
  text
    .toLowerCase()
    .split(/[\s\d:,.]+/)
    .flatMap((word) => unitWords(UNITS).get(word) ?? [])[0];

const LONGEST = 220;

const ownText = (element: ElementNode): string =>
  element.content
    .filter((item) => typeof item === 'string')
    .join(' ')
    .trim();

/** How many sorts of units, and how many numbers, stand in an element. */
function unitsIn(element: ElementNode): { readonly units: number; readonly numbers: number } {
  const units = new Set<string>();
  let numbers = 0;
  for (const node of [element, ...descendants(element)]) {
    if (!hasOwnText(node)) continue;
    const text = ownText(node);
    if (/^\d{1,4}$/.test(text)) numbers++;
    for (const word of text.toLowerCase().split(/[\s\d:,.]+/)) {
      const unit = unitWords(UNITS).get(word);
      if (unit) units.add(unit);
    }
  }
  return { units: units.size, numbers };
}

const counts = (element: ElementNode): boolean => {
  if (
    textLength(element) > LONGEST ||
    !textLength(element) ||
    !isSmall(element) ||
    !isHtml(element, 'div', 'section', 'aside', 'ul', 'ol', 'p', 'dl')
  )
    return false;
  const { units, numbers } = unitsIn(element);
  return units >= 2 && numbers >= 2;
};

/** Numbers with units of time beside them, as a countdown has: the smallest box that has them all, with its heading. */
export const countdownsOn = once((page: StyledPage): ReadonlySet<ElementNode> => {
  const found = new Set<ElementNode>();
  for (const element of page.styles.tree.elements) {
    if (!counts(element) || element.children.some(counts)) continue;
    let box = element;
    // A heading in the same painted box belongs to it.
    for (let { parent } = box; parent && counts(parent) && !isHtml(parent, 'body', 'main'); { parent } = parent) {
      if (paints(page.of(parent))) box = parent;
    }
    found.add(box);
  }
  return found;
});
