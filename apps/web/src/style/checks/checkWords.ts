import { showRatio, showShortfall, type ColumnCheck } from '@retoque/core';

/** A check in one sentence. */
export function checkWords(check: ColumnCheck | undefined): string {
  if (!check) return 'nothing to measure';
  if (check.measured === undefined) return `${check.verdict}. ${check.reason ?? ''}`;
  const ratio = `contrast ${showRatio(check.measured)}, needs ${check.needed}`;
  return check.verdict === 'short' ? `${ratio}, short by ${showShortfall(check.measured, check.needed)}` : ratio;
}
