import { labelledControl } from '../../tree/label.js';
import { ancestors, selfAndAncestors, type ElementNode } from '../../tree/tree.js';
import { ACTIVE, closeBits, FOCUS, FOCUS_WITHIN, HOVER, type StateBits } from './states.js';
import type { MatchContext } from './types.js';

/** Interaction state forced on a page: which elements are in which atoms. */
export interface ForcedStates {
  readonly bits: ReadonlyMap<ElementNode, StateBits>;
  /** All states that are forced anywhere. */
  readonly union: StateBits;
  /** States of the pseudo-elements of an element, where they differ from its own. */
  readonly pseudo?: ReadonlyMap<ElementNode, StateBits>;
}

export const AT_REST: ForcedStates = { bits: new Map(), union: 0 };

/** What selectors are matched with while states are forced. */
export const contextOf = ({ bits }: ForcedStates, quirks: boolean): MatchContext => ({
  stateOf: (node) => bits.get(node) ?? 0,
  quirks,
});

/**
 * Puts elements into states and spreads them as a browser does: a hovered or pressed element makes its ancestors
 * hovered or pressed, a label its control (HTML, section 4.16.3), and a focused element makes itself and its ancestors
 * `:focus-within`.
 */
export function forceStates(targets: Iterable<readonly [ElementNode, StateBits]>): ForcedStates {
  const bits = new Map<ElementNode, StateBits>();
  const add = (element: ElementNode, more: StateBits) => {
    if (more) bits.set(element, (bits.get(element) ?? 0) | more);
  };
  for (const [element, wanted] of targets) {
    const own = closeBits(wanted);
    const within = own & FOCUS ? FOCUS_WITHIN : 0;
    add(element, own | within);
    const spread = (own & (HOVER | ACTIVE)) | within;
    if (spread) for (const node of ancestors(element)) add(node, spread);
    const pointed = own & (HOVER | ACTIVE);
    if (!pointed) continue;
    for (const node of selfAndAncestors(element)) {
      const control = labelledControl(node);
      if (control) add(control, pointed);
    }
  }
  let union = 0;
  for (const own of bits.values()) union |= own;
  return { bits, union };
}
