import { toHex } from '../colour/print.js';
import type { LedgerEntry } from './page-ledger.js';

/** A check of a page as reports give it: plain values, the same from the API, the command and the screens. */
export interface CheckRecord {
  /** A selector that reaches the element alone. */
  readonly select: string;
  readonly text: string;
  /** Kind of the component that it belongs to, or `text`. */
  readonly part: string;
  readonly state: string;
  readonly criterion: string;
  /** What is asked, where it is not the contrast of a text. */
  readonly demand: string | null;
  readonly verdict: LedgerEntry['check']['verdict'];
  /** Unrounded, in `unit`; null where nothing was measured, or no figure says it. */
  readonly measured: number | null;
  readonly needed: number;
  readonly unit: string;
  readonly foreground: string | null;
  readonly background: string | null;
  readonly reason: string | null;
  /** What the figure was measured on: the ancestors' grounds, or where things really stand. */
  readonly basis: LedgerEntry['check']['basis'];
  /** Share of the area that falls short, and the worst place in CSS pixels of the page, where places differ. */
  readonly share: number | null;
  readonly worst: [number, number] | null;
}

export function checkRecord({ select, text, part, state, check, demand }: LedgerEntry): CheckRecord {
  const { criterion, verdict, measured, needed, unit, foreground, background, reason, basis, share, at } = check;
  return {
    select,
    text,
    part,
    state,
    criterion,
    demand: demand ?? null,
    verdict,
    measured: measured === undefined || !Number.isFinite(measured) ? null : measured,
    needed,
    unit,
    foreground: foreground ? toHex(foreground) : null,
    background: background ? toHex(background) : null,
    reason: reason ?? null,
    basis,
    share: share ?? null,
    worst: at ? [at.x, at.y] : null,
  };
}
