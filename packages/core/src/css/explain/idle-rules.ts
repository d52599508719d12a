import { selectAll } from '../../page/locator.js';
import type { ElementNode } from '../../page/tree.js';
import type { CascadeSheet } from '../rules.js';
import { InvalidSelectorError } from '../selector/match.js';
import { stripStates } from '../selector/strip-states.js';
import type { PageTree } from '../../page/tree.js';
import { nearMisses, type Idle } from './near-miss.js';

/** Selectors past this many are not looked at one by one. */
const MAX_LOOKED_AT = 2000;

/**
 * Rules of the site that match nothing on a page though they set one of these properties, and that with one slip
 * mended would reach the element: the usual answer to "why does my change not show?".
 */
export function idleRulesFor(
  tree: PageTree,
  sheets: readonly CascadeSheet[],
  element: ElementNode,
  properties: readonly string[],
): Idle[] {
  const found: Idle[] = [];
  let looked = 0;
  for (const { sheet, origin } of sheets) {
    if (origin !== 'author') continue;
    for (const rule of sheet.rules) {
      if (!properties.some((property) => rule.byProperty.has(property))) continue;
      for (const selector of rule.selectors) {
        if (++looked > MAX_LOOKED_AT) return found;
        if (selector.text.includes('&') || matchesSomething(tree, selector.text)) continue;
        const misses = nearMisses(tree, selector.text).filter((miss) => miss.elements.includes(element));
        if (misses.length) {
          found.push({ selector: selector.text, sheet: rule.place.sheet, line: rule.place.line, misses });
        }
      }
    }
  }
  return found;
}

function matchesSomething(tree: PageTree, selector: string): boolean {
  try {
    return selectAll(tree, stripStates(selector) ?? selector).length > 0;
  } catch (error) {
    if (error instanceof InvalidSelectorError) return true;
    throw error;
  }
}
