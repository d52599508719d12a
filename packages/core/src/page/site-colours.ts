import { parseColour } from '../colour/parse.js';
import { toHex } from '../colour/print.js';
import type { CascadeSheet } from '../css/cascade/rule-entry.js';

/** A colour that a site's sheets use. */
export interface SiteColourUse {
  readonly hex: string;
  /** How many declarations have it, custom properties counted with what refers to them. */
  readonly uses: number;
  readonly name: string | undefined;
}

const MAX_COLOURS = 16;

/** The opaque colours of a site's own sheets, the most used first. */
export function siteColours(sheets: readonly CascadeSheet[]): SiteColourUse[] {
  const found = new Map<string, { uses: number; name: string | undefined }>();
  const count = (hex: string, uses: number, name?: string) => {
    const entry = found.get(hex) ?? { uses: 0, name: undefined };
    entry.uses += uses;
    entry.name ??= name;
    found.set(hex, entry);
  };
  const declarations = sheets
    .filter((sheet) => sheet.origin === 'author')
    .flatMap(({ sheet }) => sheet.rules.flatMap((rule) => rule.declarations));
  for (const { property, value } of declarations) {
    // Four sides of one border are one choice.
    if (/^border-(right|bottom|left)-color$/.test(property)) continue;
    const colour = parseColour(value);
    if (!colour || colour.alpha < 1) continue;
    const custom = property.startsWith('--');
    const references = custom ? declarations.filter((other) => other.value.includes(`var(${property})`)).length : 0;
    count(toHex(colour), 1 + references, custom ? property : undefined);
  }
  return [...found]
    .map(([hex, { uses, name }]) => ({ hex, uses, name }))
    .sort((a, b) => b.uses - a.uses || (a.hex < b.hex ? -1 : 1))
    .slice(0, MAX_COLOURS);
}
