import { columnNamed } from '../component/states.js';
import type { ComponentWays } from './page-remedies.js';
import type { LedgerCheck } from '../ledger/ledger-check.js';

/** A check that falls short, or did, as plain data. */
export interface DueRecord {
  readonly part: string;
  readonly state: string;
  readonly viewport: string;
  readonly criterion: string;
  readonly demand: string;
  /** Unrounded; null when nothing was measured. */
  readonly measured: number | null;
  readonly needed: number;
  readonly unit: string;
}

/** Suggested fixes of what falls short in one component, as plain data for reports. */
export interface WaysRecord {
  readonly kind: string;
  readonly name: string;
  readonly select: string;
  readonly together: {
    readonly css: string;
    readonly mended: readonly DueRecord[];
    readonly unmet: readonly (DueRecord & { readonly why: string })[];
  };
  readonly checks: readonly (DueRecord & {
    readonly ways: readonly {
      readonly kind: string;
      readonly words: string;
      readonly css: string;
      readonly measured: number | null;
      readonly breaks: number;
      readonly mends: number;
    }[];
  })[];
}

const dueOf = (check: LedgerCheck): DueRecord => ({
  part: check.part,
  state: (columnNamed(check.column)?.label ?? check.column).toLowerCase(),
  viewport: check.viewport,
  criterion: check.criterion,
  demand: check.label,
  measured: check.measured ?? null,
  needed: check.needed,
  unit: check.unit,
});

export const waysRecord = ({ kind, name, selector, together, checks }: ComponentWays): WaysRecord => ({
  kind,
  name,
  select: selector,
  together: {
    css: together.css,
    mended: together.mended.map(dueOf),
    unmet: together.unmet.map(({ check, why }) => ({ ...dueOf(check), why })),
  },
  checks: checks.map(({ check, ways }) => ({
    ...dueOf(check),
    ways: ways.map((way) => ({
      kind: way.kind,
      words: way.words,
      css: way.css,
      measured: way.after.measured ?? null,
      breaks: way.breaks.length,
      mends: way.mends.length,
    })),
  })),
});
