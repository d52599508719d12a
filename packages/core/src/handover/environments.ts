import { widthsIn } from '../css/conditions/media.js';
import { DESKTOP, type Environment } from '../css/conditions/environment.js';
import type { CascadeSheet } from '../css/cascade/rule-entry.js';
import type { Condition } from '../css/sheet/sheet.js';
import { asksForMotion } from '../look/less-motion.js';
import { once } from '../memo/once.js';

/** An environment that stands for all others between two breakpoints, in one colour scheme, with or without less motion. */
export interface EnvironmentCase {
  readonly environment: Environment;
  /** Bounds in CSS pixels: from `from` up to, not including, `to`. */
  readonly from: number;
  readonly to: number;
  readonly scheme: 'light' | 'dark';
  /** True where less motion is asked for. */
  readonly reduced: boolean;
}

const WIDEST = 2560;
const NARROWEST = 320;

/** What a look asks of the environment besides what the sheets do. */
export interface AskedBeside {
  /** Widths up to which settings hold. */
  readonly widths: readonly number[];
  readonly scheme: boolean;
  /** Whether those who ask for less motion see something else. */
  readonly motion: boolean;
}

/** Every condition of sheets, those of whole sheets before those of their rules. */
function* conditionsIn(sheets: readonly CascadeSheet[]): Generator<Condition> {
  for (const { sheet, conditions } of sheets) {
    yield* conditions;
    for (const rule of sheet.written) yield* rule.conditions;
  }
}

/** Whether sheets tell those apart who ask for less motion; told once for the sheets of a page. */
export const tellMotionApart = once((sheets: readonly CascadeSheet[]): boolean => {
  for (const condition of conditionsIn(sheets)) if (asksForMotion(condition)) return true;
  return false;
});

/**
 * Every width interval that the sheets, or a look, tell apart, in each colour scheme that they ask about; less motion is
 * told apart on request.
 */
export function environmentCases(
  sheets: readonly CascadeSheet[],
  base: Environment = DESKTOP,
  beside: AskedBeside = { widths: [], scheme: false, motion: false },
): EnvironmentCase[] {
  const cuts = new Set<number>([0, ...beside.widths.map((width) => Math.floor(width) + 1)]);
  let asksScheme = beside.scheme;
  for (const condition of conditionsIn(sheets)) {
    if (condition.kind !== 'media') continue;
    for (const width of widthsIn(condition.query)) {
      // A bound belongs to either side, by the sign that is used, so both of its neighbours are looked at.
      cuts.add(Math.ceil(width));
      cuts.add(Math.floor(width) + 1);
    }
    if (/prefers-color-scheme/i.test(condition.query.text)) asksScheme = true;
  }
  const bounds = [...cuts].filter((cut) => cut >= 0 && cut <= WIDEST).sort((a, b) => a - b);
  const schemes = asksScheme ? (['light', 'dark'] as const) : (['light'] as const);
  const motions = beside.motion ? [false, true] : [false];
  return schemes.flatMap((scheme) =>
    motions.flatMap((reduced) =>
      bounds.map((from, i) => {
        const to = bounds[i + 1] ?? Infinity;
        const width = to - from <= 1 ? from : Math.min(Math.max(from, NARROWEST), to - 1, Math.max(from, WIDEST / 2));
        const environment = { ...base, width: Math.max(1, width), scheme, reducedMotion: reduced };
        return { environment, from, to, scheme, reduced };
      }),
    ),
  );
}

/** Media queries that hold in exactly these cases of all; an empty text means always. */
export function mediaFor(cases: readonly EnvironmentCase[], all: readonly EnvironmentCase[]): string[] {
  if (cases.length === all.length) return [''];
  const schemes = [...new Set(all.map((item) => item.scheme))];
  const motions = [...new Set(all.map((item) => item.reduced))];
  const isOf = (scheme: string, reduced: boolean) => (item: EnvironmentCase) =>
    item.scheme === scheme && item.reduced === reduced;
  const boundsIn = (scheme: string, reduced: boolean) =>
    cases
      .filter(isOf(scheme, reduced))
      .map(({ from, to }) => `${from}-${to}`)
      .sort()
      .join();
  // What tells nothing apart is not asked for.
  const byScheme = motions.some((reduced) => new Set(schemes.map((scheme) => boundsIn(scheme, reduced))).size > 1);
  const byMotion = schemes.some((scheme) => new Set(motions.map((reduced) => boundsIn(scheme, reduced))).size > 1);
  return (byScheme ? schemes : schemes.slice(0, 1)).flatMap((scheme) =>
    (byMotion ? motions : motions.slice(0, 1)).flatMap((reduced) =>
      runsOf(cases.filter(isOf(scheme, reduced))).map(({ from, to }) =>
        [
          ...(from > 0 ? [`(width >= ${from}px)`] : []),
          ...(to < Infinity ? [`(width < ${to}px)`] : []),
          ...(byScheme ? [`(prefers-color-scheme: ${scheme})`] : []),
          ...(byMotion ? [`(prefers-reduced-motion: ${reduced ? 'reduce' : 'no-preference'})`] : []),
        ].join(' and '),
      ),
    ),
  );
}

/** Intervals of width that touch, as one. */
function runsOf(cases: readonly EnvironmentCase[]): { from: number; to: number }[] {
  const runs: { from: number; to: number }[] = [];
  for (const { from, to } of [...cases].sort((a, b) => a.from - b.from)) {
    const last = runs.at(-1);
    if (last?.to === from) last.to = to;
    else runs.push({ from, to });
  }
  return runs;
}
