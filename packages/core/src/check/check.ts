import type { Rgba } from '../colour/rgba.js';

export type Verdict = 'passes' | 'short' | 'exempt' | 'unsure';

/** A demand measured in one case. */
export interface Check {
  readonly criterion: '1.4.3';
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
