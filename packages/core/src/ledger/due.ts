import { isRequiredAt, LEVELS, type Check, type Level } from '../check/check.js';
import type { LedgerCheck } from './ledger-check.js';

/** True for what has to be mended: it falls short of what is asked at a level. */
export const isDue = ({ verdict, criterion }: Check, level: Level = 'AA'): boolean =>
  verdict === 'short' && isRequiredAt(criterion, level);

/** The same with advice, which may be mended too. */
export const isShort = ({ verdict, criterion }: Check, level: Level = 'AA'): boolean =>
  verdict === 'short' && (LEVELS[criterion] === 'advice' || isRequiredAt(criterion, level));

/** What tells a check of a component from its others. */
export const checkKey = ({
  part,
  column,
  demand,
  viewport,
}: Pick<LedgerCheck, 'part' | 'column' | 'demand' | 'viewport'>): string => `${part} ${column} ${demand} ${viewport}`;

/** What a change does to the checks of a component. */
export interface ChangedChecks {
  /** Those that fall short without it and pass with it, and those that it makes fall short. */
  readonly mended: readonly LedgerCheck[];
  readonly broken: readonly LedgerCheck[];
}

export function changedChecks(before: readonly LedgerCheck[], after: readonly LedgerCheck[]): ChangedChecks {
  const due = new Set(before.filter((check) => isDue(check)).map(checkKey));
  return {
    mended: after.filter((check) => due.has(checkKey(check)) && !isDue(check)),
    broken: after.filter((check) => isDue(check) && !due.has(checkKey(check))),
  };
}
