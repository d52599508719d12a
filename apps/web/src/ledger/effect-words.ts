import { columnNamed, showRatio, type LedgerCheck } from '@retoque/core';

/** A check in a few words: what, in which state, and its figure. */
export const checkWords = ({ label, column, measured, unit }: LedgerCheck): string => {
  const state = columnNamed(column)?.label.toLowerCase() ?? column;
  const figure =
    measured === undefined ? '' : unit === 'ratio' ? ` ${showRatio(measured)}` : ` ${Math.round(measured)}`;
  return `${label}, ${state}${figure}`;
};
