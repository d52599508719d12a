import type { Steps } from '../base/steps.js';
import type { ColumnCheck } from './ledger-check.js';

/** How the checks of something came out, as numbers. */
export interface Tally {
  /** Checks that fall short, that are unsure, and that pass. */
  readonly short: number;
  readonly unsure: number;
  readonly passes: number;
  /** Parts of which nothing was measured, as they are shown in no state on the page as it is here. */
  readonly unseen: number;
}

export const NO_TALLY: Tally = { short: 0, unsure: 0, passes: 0, unseen: 0 };

const MEASURED: ReadonlySet<string> = new Set(['short', 'unsure', 'passes']);

function unseenParts(checks: readonly Pick<ColumnCheck, 'part' | 'verdict'>[]): string[] {
  const parts = new Map<string, Set<string>>();
  for (const { part, verdict } of checks) parts.set(part, (parts.get(part) ?? new Set()).add(verdict));
  return [...parts].flatMap(([part, verdicts]) =>
    verdicts.has('unseen') && ![...MEASURED].some((one) => verdicts.has(one)) ? [part] : [],
  );
}

export function tallyOf(checks: readonly Pick<ColumnCheck, 'part' | 'verdict'>[]): Tally {
  const count = (verdict: string) => checks.filter((check) => check.verdict === verdict).length;
  const unseen = unseenParts(checks).length;
  return { short: count('short'), unsure: count('unsure'), passes: count('passes'), unseen };
}

type TalliedCheck = Pick<ColumnCheck, 'part' | 'verdict'>;

/** The checks at one width, bit by bit; of some parts alone where those are named. */
export type ChecksAtWidth = (parts: ReadonlySet<string> | undefined) => Steps<readonly TalliedCheck[]>;

/** The tally of a component, bit by bit; of further widths only parts are asked for that no width before shows. */
export function* tallyAcross(widths: Iterable<ChecksAtWidth>): Steps<Tally> {
  let checks: readonly TalliedCheck[] = [];
  let missing: ReadonlySet<string> | undefined;
  for (const checksAt of widths) {
    const own = yield* checksAt(missing);
    const seen = new Set(own.filter(({ verdict }) => MEASURED.has(verdict)).map(({ part }) => part));
    const isFirst = !missing;
    checks = [...checks.filter(({ part }) => !seen.has(part)), ...own.filter(({ part }) => isFirst || seen.has(part))];
    missing = new Set(unseenParts(checks));
    if (!missing.size) break;
  }
  return tallyOf(checks);
}
