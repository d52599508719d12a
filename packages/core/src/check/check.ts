import type { Rgba } from '../colour/rgba.js';
import type { Basis } from '../paint/scene.js';

/**
 * What came out: it passes, it falls short, the standard exempts it, or how it is cannot be told (`unsure`), or nobody
 * sees it as the page is here, so that nothing was measured (`unseen`).
 */
export type Verdict = 'passes' | 'short' | 'exempt' | 'unsure' | 'unseen';

/** Verdicts that come without a figure. */
export type Blank = Exclude<Verdict, 'passes' | 'short'>;

/** WCAG 2.2 success criteria that are measured, and beside them what is advice and not the standard's. */
export type Criterion =
  | '1.4.1'
  | '1.4.3'
  | '1.4.6'
  | '1.4.11'
  | '1.4.13'
  | '2.2.2'
  | '2.3.3'
  | '2.4.7'
  | '2.4.13'
  | '2.5.5'
  | '2.5.8'
  | AdviceName;
export type AdviceName = 'distinct' | 'leftover' | 'transition' | 'comfort' | 'weight';

/** Conformance level that is asked for (WCAG 2.2, section 5.2). */
export type Level = 'AA' | 'AAA';

/** Level of each criterion. Source: WCAG 2.2. */
export const LEVELS: Readonly<Record<Criterion, 'A' | 'AA' | 'AAA' | 'advice'>> = {
  '1.4.1': 'A',
  '1.4.3': 'AA',
  '1.4.6': 'AAA',
  '1.4.11': 'AA',
  '1.4.13': 'AA',
  '2.2.2': 'A',
  '2.3.3': 'AAA',
  '2.4.7': 'AA',
  '2.4.13': 'AAA',
  '2.5.5': 'AAA',
  '2.5.8': 'AA',
  distinct: 'advice',
  leftover: 'advice',
  transition: 'advice',
  comfort: 'advice',
  weight: 'advice',
};

/** True for what conformance at levels A and AA asks; the rest is beyond it, or advice. */
export const isRequired = (criterion: Criterion): boolean => LEVELS[criterion] === 'A' || LEVELS[criterion] === 'AA';

/** The same where texts are asked for at a level: at AAA they have a criterion of their own in place of that of AA. */
export const isRequiredAt = (criterion: Criterion, level: Level): boolean =>
  isRequired(criterion) || (level === 'AAA' && criterion === '1.4.6');

/** What a figure counts: a contrast ratio, CSS pixels, milliseconds, a perceptual difference (ΔE OK × 100), kilobytes. */
export type Unit = 'ratio' | 'px' | 'ms' | 'difference' | 'kB' | 'share';

/** A demand measured in one case. */
export interface Check {
  readonly criterion: Criterion;
  readonly verdict: Verdict;
  /** Unrounded, in `unit`; undefined when nothing was measured. */
  readonly measured: number | undefined;
  readonly needed: number;
  readonly unit: Unit;
  /** Large text by WCAG's rule, which lowers what is needed. */
  readonly large: boolean;
  readonly foreground: Rgba | undefined;
  readonly background: Rgba | undefined;
  /** Why it is exempt, unsure or unseen, or what is meant when the text is a child's. */
  readonly reason: string | undefined;
  /** What the figure was measured on. */
  readonly basis: Basis;
  /** The worst place, in CSS pixels of the page, where places differ. */
  readonly at?: { readonly x: number; readonly y: number } | undefined;
  /** Share of the area that falls short, 0 to 1, where places differ. */
  readonly share?: number | undefined;
  readonly varies?: 'gradient' | 'picture' | 'edges' | undefined;
}

/** A check that measured nothing, with the reason. */
export const without = (
  criterion: Criterion,
  verdict: Blank,
  needed: number,
  reason: string,
  basis: Basis = 'ancestors',
  unit: Unit = 'ratio',
): Check => ({
  criterion,
  verdict,
  measured: undefined,
  needed,
  unit,
  large: false,
  foreground: undefined,
  background: undefined,
  reason,
  basis,
});
