import { LEVELS, type Criterion, type LedgerCheck, type Verdict } from '@retoque/core';

/** One line of the ledger: a check, with all viewports in which it comes out the same. */
export interface LedgerLine {
  readonly key: string;
  readonly check: LedgerCheck;
  readonly viewports: readonly string[];
}

const sameFigure = (check: LedgerCheck) =>
  [check.part, check.column, check.demand, check.verdict, check.measured?.toFixed(2) ?? '', check.reason ?? ''].join(
    '|',
  );

/** Checks that come out the same at several widths are one line. */
export function mergeChecks(checks: readonly LedgerCheck[]): LedgerLine[] {
  const lines = new Map<string, { check: LedgerCheck; viewports: string[] }>();
  for (const check of checks) {
    const key = sameFigure(check);
    const line = lines.get(key);
    if (line) line.viewports.push(check.viewport);
    else lines.set(key, { check, viewports: [check.viewport] });
  }
  return [...lines].map(([key, line]) => ({ key, ...line }));
}

/** How many checks there are when each is counted once, whatever the width. */
export const countChecks = (checks: readonly LedgerCheck[]): number =>
  new Set(checks.map(({ part, column, demand }) => `${part} ${column} ${demand}`)).size;

export type LevelFilter = 'standard' | 'enhanced' | 'advice' | 'all';

export interface LedgerFilter {
  readonly verdict: Verdict | 'all';
  readonly column: string;
  readonly viewport: string;
  readonly criterion: string;
  readonly level: LevelFilter;
}

export const ALL = '';
export const FIRST_FILTER: LedgerFilter = {
  verdict: 'short',
  column: ALL,
  viewport: ALL,
  criterion: ALL,
  level: 'standard',
};

const levelOf = (criterion: Criterion): LevelFilter => {
  const level = LEVELS[criterion];
  return level === 'advice' ? 'advice' : level === 'AAA' ? 'enhanced' : 'standard';
};

/** Whether a check is one of those that are asked for, whatever came out. */
export const isOfLevel = (check: LedgerCheck, level: LevelFilter): boolean =>
  level === 'all' || levelOf(check.criterion) === level;

export const matches = (check: LedgerCheck, filter: LedgerFilter, verdict = filter.verdict): boolean =>
  isOfLevel(check, filter.level) &&
  (verdict === 'all' || check.verdict === verdict) &&
  (filter.column === ALL || check.column === filter.column) &&
  (filter.viewport === ALL || check.viewport === filter.viewport) &&
  (filter.criterion === ALL || check.criterion === filter.criterion);

const SEVERITY = { short: 0, unsure: 1, passes: 2, unseen: 3, exempt: 4 } as const;

/** Contrast of texts before all else, advice behind all else. */
const rankOf = ({ criterion }: LedgerCheck): number =>
  LEVELS[criterion] === 'advice' ? 3 : criterion === '1.4.3' ? 0 : criterion === '1.4.11' ? 1 : 2;

/** What falls short comes first, and of that what lacks most. */
export const inOrder = (lines: readonly LedgerLine[]): LedgerLine[] =>
  [...lines].sort(
    (a, b) =>
      SEVERITY[a.check.verdict] - SEVERITY[b.check.verdict] ||
      rankOf(a.check) - rankOf(b.check) ||
      (a.check.measured ?? 0) / (a.check.needed || 1) - (b.check.measured ?? 0) / (b.check.needed || 1),
  );
