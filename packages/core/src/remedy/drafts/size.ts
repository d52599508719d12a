import type { StateColumn } from '../../component/state-column.js';
import type { LedgerCheck } from '../../ledger/ledger-check.js';
import type { Draft, Drafting } from '../drafting.js';

/** Bolder or larger, where that makes the text large by WCAG's rule and so halves what is asked. */
export function draftSize(drafting: Drafting, check: LedgerCheck, column: StateColumn): Draft[] {
  if (check.large || check.measured === undefined || check.measured < 3) return [];
  const { style } = drafting.seen(check.part, check.column);
  const size = style.fontSize;
  const drafts: Draft[] = [];
  if (size >= 14 * (4 / 3) - 1e-6 && style.fontWeight < 700) {
    drafts.push({
      kind: 'weight',
      words: `Bold text: at ${Math.round(size)} px it then counts as large`,
      settings: [drafting.settingOf(check.part, column, 'font-weight', '700')],
      distance: 8,
    });
  }
  if (size >= 20 && size < 24) {
    drafts.push({
      kind: 'size',
      words: `Text ${Math.round(size)} → 24 px: it then counts as large`,
      settings: [drafting.settingOf(check.part, column, 'font-size', '24px')],
      distance: 10,
    });
  }
  return drafts;
}
