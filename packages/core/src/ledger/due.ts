import { isRequired, LEVELS, type Check } from '../check/check.js';
import type { LedgerCheck } from './ledger-check.js';

/** True for what has to be mended: it falls short of what levels A and AA ask. */
export const isDue = ({ verdict, criterion }: Check): boolean => verdict === 'short' && isRequired(criterion);

/** The same with advice, which may be mended too. */
export const isShort = ({ verdict, criterion }: Check): boolean => verdict === 'short' && LEVELS[criterion] !== 'AAA';

/** What tells a check of a component from its others. */
export const checkKey = ({
  part,
  column,
  demand,
  viewport,
}: Pick<LedgerCheck, 'part' | 'column' | 'demand' | 'viewport'>): string => `${part} ${column} ${demand} ${viewport}`;
