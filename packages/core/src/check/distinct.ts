import type { Vision } from '../colour/vision.js';
import { formsApart, leastApart, type Appearance } from './appearance.js';
import { without, type Check } from './check.js';

/**
 * Common practice: a change that is to be noticed is at least some two and a half times as large as one that can just be
 * seen side by side (about 2 of 100).
 */
export const NEEDED_DIFFERENCE = 5;

const SEEN: Readonly<Record<Vision, string>> = {
  protan: 'without red cones',
  deutan: 'without green cones',
  tritan: 'without blue cones',
  grey: 'in grey',
};

/** A share of the difference that a change of form is taken to be worth: it is seen in any colour. */
const BY_FORM = 100;

/** Whether two states of a part, or two of its siblings, can be told apart; advice, not the standard's. */
export function checkDistinct(a: Appearance, b: Appearance, words: string): Check {
  const forms = formsApart(a, b);
  const { apart, vision } = leastApart(a, b);
  const measured = forms.length ? Math.max(apart, BY_FORM) : apart;
  return {
    ...without('distinct', 'exempt', NEEDED_DIFFERENCE, '', 'ancestors', 'difference'),
    verdict: measured >= NEEDED_DIFFERENCE ? 'passes' : 'short',
    measured,
    foreground: a.colours.ground,
    background: b.colours.ground,
    reason: forms.length
      ? `${words}: told apart by ${forms[0]!.replace(/-/g, ' ')}.`
      : `${words}: they differ in colour alone${vision ? `, and least when seen ${SEEN[vision]}` : ''}.`,
  };
}
