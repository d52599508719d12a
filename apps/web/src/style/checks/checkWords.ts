import { showRatio, showShortfall, type ColumnCheck } from '@retoque/core';
import { VERDICTS } from '../../ledger/words';

/** A check in one sentence. */
export function checkWords(check: ColumnCheck | undefined): string {
  if (!check) return 'nothing to measure';
  if (check.measured === undefined) {
    const words = VERDICTS[check.verdict].toLowerCase();
    return `${words}${check.verdict === 'unseen' ? ', so not measured' : ''}. ${check.reason ?? ''}`;
  }
  const ratio = `contrast ${showRatio(check.measured)}, needs ${check.needed}`;
  return check.verdict === 'short' ? `${ratio}, ${showShortfall(check.measured, check.needed)} too low` : ratio;
}
