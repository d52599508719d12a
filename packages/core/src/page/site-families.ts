import { CSS_WIDE, needsSubstitution } from '../css/sheet/declaration.js';
import type { CascadeSheet } from '../css/cascade/rule-entry.js';

const MAX_FAMILIES = 12;
/** Only such rules are read: a large sheet has thousands of others. */
const SETS_FAMILY = /^font(-family)?$/i;

/** Values of font-family in a site's own sheets, the most used first, as CSS text. */
export function siteFamilies(sheets: readonly CascadeSheet[]): string[] {
  const uses = new Map<string, number>();
  for (const { sheet, origin } of sheets) {
    if (origin !== 'author') continue;
    const rules = sheet.written.filter(({ raw }) => raw.some(({ property }) => SETS_FAMILY.test(property)));
    for (const { property, value } of rules.flatMap((rule) => (rule.selectors.length ? rule.declarations : []))) {
      if (property !== 'font-family' || CSS_WIDE.has(value.toLowerCase()) || needsSubstitution(value)) continue;
      uses.set(value, (uses.get(value) ?? 0) + 1);
    }
  }
  return [...uses]
    .sort((a, b) => b[1] - a[1])
    .map(([family]) => family)
    .slice(0, MAX_FAMILIES);
}
