import { selectAll } from '../selector/locator.js';
import type { ElementNode } from '../../tree/tree.js';
import { once, onceForText } from '../../memo/once.js';
import { finish, type Steps } from '../../base/steps.js';
import type { CascadeSheet } from '../cascade/rule-entry.js';
import { InvalidSelectorError } from '../selector/match.js';
import { stripStates } from '../selector/strip-states.js';
import type { PageTree } from '../../tree/tree.js';
import type { CompiledSelector } from '../selector/types.js';
import { nearMisses, reachedOnceToggled, slipsBetween, type Idle } from './near-miss.js';

/** Selectors past this many are not looked at one by one. */
const MAX_LOOKED_AT = 2000;

/**
 * Rules of the site that match nothing on a page though they set one of these properties, and that with one slip
 * mended would reach the element: the usual answer to "why does my change not show?".
 */
export const idleRulesFor = (
  tree: PageTree,
  sheets: readonly CascadeSheet[],
  element: ElementNode,
  properties: readonly string[],
): Idle[] => finish(findingIdleRules(tree, sheets, element, properties));

/** The same selector by selector; a large sheet has thousands. */
export function* findingIdleRules(
  tree: PageTree,
  sheets: readonly CascadeSheet[],
  element: ElementNode,
  properties: readonly string[],
): Steps<Idle[]> {
  const found: Idle[] = [];
  let looked = 0;
  const isMeant = meantFor(element);
  for (const { sheet, origin } of sheets) {
    if (origin !== 'author') continue;
    for (const rule of sheet.rules) {
      if (!properties.some((property) => rule.byProperty.has(property))) continue;
      for (const selector of rule.selectors) {
        if (!isMeant(selector)) continue;
        if (++looked > MAX_LOOKED_AT) return found;
        if (selector.text.includes('&') || matchesSomething(tree, selector.text)) continue;
        // What a script may put on later is no slip.
        if (toggledOf(tree)(selector.text).includes(element)) continue;
        const misses = missesOf(tree)(selector.text).filter((miss) => miss.elements.includes(element));
        if (misses.length) {
          found.push({ selector: selector.text, sheet: rule.place.sheet, line: rule.place.line, misses });
        }
        yield { done: looked, of: MAX_LOOKED_AT };
      }
    }
  }
  return found;
}

/** What is near to a selector is the same whichever element it is asked about. */
const missesOf = once((tree: PageTree) => onceForText((selector: string) => nearMisses(tree, selector)));

const toggledOf = once((tree: PageTree) => onceForText((selector: string) => reachedOnceToggled(tree, selector)));

/**
 * Whether a selector could reach an element once slips in it are mended: these change names one by one, or part them from
 * one another, so that one of its last names is one of the element's or near to it.
 */
function meantFor({ name, id, classes }: ElementNode): (selector: CompiledSelector) => boolean {
  const own = [name.toLowerCase(), ...(id === undefined ? [] : [id]), ...classes];
  const near = onceForText((wanted: string) => own.some((other) => slipsBetween(wanted, other) !== undefined));
  return ({ compounds }) => {
    const last = compounds.at(-1)!;
    const names = [last.tag, last.id, ...last.classes].filter((item) => item !== undefined);
    return !names.length || names.some(near);
  };
}

function matchesSomething(tree: PageTree, selector: string): boolean {
  try {
    return selectAll(tree, stripStates(selector) ?? selector).length > 0;
  } catch (error) {
    if (error instanceof InvalidSelectorError) return true;
    throw error;
  }
}
