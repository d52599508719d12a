import type { StateColumn } from '../../component/state-column.js';
import type { LedgerCheck } from '../../ledger/ledger-check.js';
import type { Draft, Drafting } from '../drafting.js';

/** The part's own text colour, and whether all it is used for passes with another. */
export function draftText(drafting: Drafting, check: LedgerCheck, column: StateColumn): Draft[] {
  const asked = drafting.askedOf(check, check.part, column, 'color');
  if (!asked) return [];
  const { style } = drafting.seen(check.part, check.column);
  return drafting.valueDrafts('text', style.colour('color'), check.part, column, 'color', 'text', (alone) =>
    alone ? drafting.askedOf(check, check.part, column, 'color', true) : asked,
  );
}
