import { parseColour } from '../colour/parse.js';
import { toHex } from '../colour/print.js';
import { onceForText } from '../memo/once.js';
import type { Steps } from '../base/steps.js';
import type { CascadeSheet } from '../css/cascade/rule-entry.js';

/** A colour that a site's sheets use. */
export interface SiteColourUse {
  readonly hex: string;
  /** How many declarations have it, custom properties counted with what refers to them. */
  readonly uses: number;
  readonly name: string | undefined;
}

const MAX_COLOURS = 16;

/** Rules that are read at once. */
const AT_ONCE = 200;
const REFERENCE = /var\(\s*(--[^\s,)]+)/g;
/** A sheet says the same few colours again and again, and much that is none. */
const colourIn = onceForText((value) => {
  const colour = parseColour(value);
  return colour && colour.alpha === 1 ? toHex(colour) : undefined;
});

/** The opaque colours of a site's own sheets, the most used first, bit by bit. */
export function* countingColours(sheets: readonly CascadeSheet[]): Steps<SiteColourUse[]> {
  const rules = sheets.filter(({ origin }) => origin === 'author').flatMap(({ sheet }) => sheet.written);
  const found = new Map<string, { uses: number; names: string[] }>();
  const references = new Map<string, number>();
  for (const [i, { selectors, declarations }] of rules.entries()) {
    for (const { property, value } of selectors.length ? declarations : []) {
      if (value.includes('var('))
        for (const name of new Set(Array.from(value.matchAll(REFERENCE), ([, own]) => own!)))
          references.set(name, (references.get(name) ?? 0) + 1);
      // Four sides of one border are one choice.
      const hex = /^border-(right|bottom|left)-color$/.test(property) ? undefined : colourIn(value);
      if (hex === undefined) continue;
      const entry = found.get(hex) ?? { uses: 0, names: [] };
      found.set(hex, entry);
      entry.uses++;
      if (property.startsWith('--')) entry.names.push(property);
    }
    if (i % AT_ONCE === AT_ONCE - 1) yield { done: i + 1, of: rules.length };
  }
  const referred = (names: readonly string[]) => names.reduce((sum, name) => sum + (references.get(name) ?? 0), 0);
  return [...found]
    .map(([hex, { uses, names }]) => ({ hex, uses: uses + referred(names), name: names[0] }))
    .sort((a, b) => b.uses - a.uses || (a.hex < b.hex ? -1 : 1))
    .slice(0, MAX_COLOURS);
}
