import type { ColumnCheck } from '@retoque/core';

const SEVERITY = { short: 4, unsure: 3, passes: 2, unseen: 1, exempt: 0 } as const;
const margin = (check: ColumnCheck): number => (check.measured ?? Infinity) / check.needed;

/** The check of a part that speaks for it in a column: short before unsure before passing. */
export function worstCheck(checks: readonly ColumnCheck[], part: string, column: string): ColumnCheck | undefined {
  return checks
    .filter((check) => check.part === part && check.column === column)
    .sort((a, b) => SEVERITY[b.verdict] - SEVERITY[a.verdict] || margin(a) - margin(b))[0];
}
