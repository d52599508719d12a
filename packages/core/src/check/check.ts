import type { Rgba } from '../colour/rgba.js';

export type Verdict = 'passes' | 'short' | 'exempt' | 'unsure';

/** WCAG 2.2 success criteria that are measured so far. */
export type Criterion = '1.4.3' | '1.4.6' | '1.4.11';

/** Conformance level that is asked for (WCAG 2.2, section 5.2). */
export type Level = 'AA' | 'AAA';

/** A demand measured in one case. */
export interface Check {
  readonly criterion: Criterion;
  readonly verdict: Verdict;
  /** Contrast ratio, unrounded; undefined when nothing was measured. */
  readonly measured: number | undefined;
  readonly needed: number;
  /** Large text by WCAG's rule, which lowers what is needed. */
  readonly large: boolean;
  readonly foreground: Rgba | undefined;
  readonly background: Rgba | undefined;
  /** Why it is exempt or unsure, or what is meant when the text is a child's. */
  readonly reason: string | undefined;
  /** What the figure was measured on. */
  readonly basis: 'ancestors';
}
