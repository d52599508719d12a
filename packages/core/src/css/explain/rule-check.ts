import { selectAll } from '../selector/locator.js';
import type { ElementNode, PageTree } from '../../tree/tree.js';
import { compileText, InvalidSelectorError } from '../selector/match.js';
import { compareSpecificity } from '../selector/specificity.js';
import { stripStates } from '../selector/strip-states.js';
import { specificityText, type Explanation } from './explain.js';
import { nearMisses } from './near-miss.js';

/** What would become of a rule of the owner's on a page. */
export interface RuleCheck {
  readonly outcome: 'wins' | 'loses' | 'elsewhere' | 'nothing' | 'unreadable';
  readonly sentence: string;
  /** A selector that would reach the element, where the given one does not. */
  readonly suggestion: string | undefined;
}

/**
 * Tells whether a rule with this selector, put after the site's sheets, would decide a property of an element, and if
 * not, why.
 */
export function checkRule(tree: PageTree, element: ElementNode, explanation: Explanation, selector: string): RuleCheck {
  let compiled;
  try {
    compiled = compileText(selector);
  } catch (error) {
    if (!(error instanceof InvalidSelectorError)) throw error;
    return {
      outcome: 'unreadable',
      sentence: `Browsers drop this rule: ${error.message}`,
      suggestion: undefined,
    };
  }
  const reached = selectAll(tree, stripStates(selector) ?? compiled);
  if (!reached.length) {
    const misses = nearMisses(tree, selector);
    const best = misses.find((miss) => miss.elements.includes(element)) ?? misses[0];
    return {
      outcome: 'nothing',
      sentence:
        `Nothing on this page matches it. ${best ? `${best.hint} ${best.selector} matches ${best.matches}.` : ''}`.trim(),
      suggestion: best?.selector,
    };
  }
  if (!reached.includes(element)) {
    return {
      outcome: 'elsewhere',
      sentence: `It matches ${reached.length === 1 ? 'one element' : `${reached.length} elements`} on this page, but not this one.`,
      suggestion: undefined,
    };
  }
  const { toWin } = explanation;
  const weight = compiled
    .map((item) => item.specificity)
    .sort(compareSpecificity)
    .at(-1)!;
  if (toWin.specificity === null || toWin.layer)
    return { outcome: 'loses', sentence: toWin.sentence, suggestion: undefined };
  const heavy = compareSpecificity(weight, toWin.specificity) >= 0;
  if (heavy && !toWin.important) {
    return {
      outcome: 'wins',
      sentence: `It wins when it comes after the site’s sheets: it weighs ${specificityText(weight)}, and ${specificityText(toWin.specificity)} is enough.`,
      suggestion: undefined,
    };
  }
  return {
    outcome: 'loses',
    sentence: heavy
      ? `It weighs enough, but loses without !important. ${toWin.sentence}`
      : `It weighs ${specificityText(weight)}. ${toWin.sentence}`,
    suggestion: undefined,
  };
}
