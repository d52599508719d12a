import { widthsIn } from '../css/conditions/media.js';
import { DESKTOP, type Environment } from '../css/conditions/environment.js';
import type { CascadeSheet } from '../css/cascade/rule-entry.js';
import type { Condition } from '../css/sheet/sheet.js';

/** An environment that stands for all others between two breakpoints, in one colour scheme. */
export interface EnvironmentCase {
  readonly environment: Environment;
  /** Bounds in CSS pixels: from `from` up to, not including, `to`. */
  readonly from: number;
  readonly to: number;
  readonly scheme: 'light' | 'dark';
}

const WIDEST = 2560;
const NARROWEST = 320;

/** What a look asks of the environment besides what the sheets do. */
export interface AskedBeside {
  /** Widths up to which settings hold. */
  readonly widths: readonly number[];
  readonly scheme: boolean;
}

/** Every width interval that the sheets, or a look, tell apart, in each colour scheme that they ask about. */
export function environmentCases(
  sheets: readonly CascadeSheet[],
  base: Environment = DESKTOP,
  beside: AskedBeside = { widths: [], scheme: false },
): EnvironmentCase[] {
  const cuts = new Set<number>([0, ...beside.widths.map((width) => Math.floor(width) + 1)]);
  let asksScheme = beside.scheme;
  const read = (condition: Condition) => {
    if (condition.kind !== 'media') return;
    for (const width of widthsIn(condition.query)) {
      // A bound belongs to either side, by the sign that is used, so both of its neighbours are looked at.
      cuts.add(Math.ceil(width));
      cuts.add(Math.floor(width) + 1);
    }
    if (/prefers-color-scheme/i.test(condition.query.text)) asksScheme = true;
  };
  for (const { sheet, conditions } of sheets) {
    conditions.forEach(read);
    for (const rule of sheet.rules) rule.conditions.forEach(read);
  }
  const bounds = [...cuts].filter((cut) => cut >= 0 && cut <= WIDEST).sort((a, b) => a - b);
  const schemes = asksScheme ? (['light', 'dark'] as const) : (['light'] as const);
  return schemes.flatMap((scheme) =>
    bounds.map((from, i) => {
      const to = bounds[i + 1] ?? Infinity;
      const width = to - from <= 1 ? from : Math.min(Math.max(from, NARROWEST), to - 1, Math.max(from, WIDEST / 2));
      return { environment: { ...base, width: Math.max(1, width), scheme }, from, to, scheme };
    }),
  );
}

/** Media queries that hold in exactly these cases of all; an empty text means always. */
export function mediaFor(cases: readonly EnvironmentCase[], all: readonly EnvironmentCase[]): string[] {
  if (cases.length === all.length) return [''];
  const schemes = [...new Set(all.map((item) => item.scheme))];
  const queries: string[] = [];
  const boundsIn = (scheme: string) =>
    cases
      .filter((item) => item.scheme === scheme)
      .map(({ from, to }) => `${from}-${to}`)
      .sort()
      .join();
  const alike = schemes.length > 1 && schemes.every((scheme) => boundsIn(scheme) === boundsIn(schemes[0]!));
  for (const scheme of alike ? schemes.slice(0, 1) : schemes) {
    const own = cases.filter((item) => item.scheme === scheme).sort((a, b) => a.from - b.from);
    const runs: { from: number; to: number }[] = [];
    for (const item of own) {
      const last = runs.at(-1);
      if (last && last.to === item.from) last.to = item.to;
      else runs.push({ from: item.from, to: item.to });
    }
    for (const run of runs) {
      const parts: string[] = [];
      if (run.from > 0) parts.push(`(width >= ${run.from}px)`);
      if (run.to < Infinity) parts.push(`(width < ${run.to}px)`);
      if (schemes.length > 1 && !alike) parts.push(`(prefers-color-scheme: ${scheme})`);
      queries.push(parts.join(' and '));
    }
  }
  return queries;
}
