import type { StateColumn } from '../../component/state-column.js';
import type { LedgerCheck } from '../../ledger/ledger-check.js';
import type { Draft, Drafting } from '../drafting.js';

/** A mark that does not hang on colour. */
export function draftUnderline(drafting: Drafting, { part }: LedgerCheck, column: StateColumn): Draft[] {
  return [
    {
      kind: 'underline',
      words: 'Underline the link',
      settings: [drafting.settingOf(part, column, 'text-decoration-line', 'underline')],
      distance: 0,
    },
  ];
}
