import type { Setting } from '../look/model.js';
import type { LedgerCheck } from '../ledger/ledger-check.js';

/** What a remedy changes, in the order in which ties are broken. */
export type RemedyKind =
  | 'site-colour'
  | 'text'
  | 'ground'
  | 'edge'
  | 'opacity'
  | 'scrim'
  | 'weight'
  | 'size'
  | 'ring'
  | 'underline'
  | 'timing';

/** A value that would be otherwise: what of the component, in which state. */
export interface Alteration {
  readonly part: string;
  readonly label: string;
  readonly column: string;
  readonly property: string;
  readonly before: string;
  readonly after: string;
}

/** A computed change that makes a check pass, with all it would alter. */
export interface Remedy {
  readonly kind: RemedyKind;
  /** What is done, in words: “Text #14323a → #0b252b”. */
  readonly words: string;
  readonly settings: readonly Setting[];
  /** The check with the change, worst of the viewports. */
  readonly after: LedgerCheck;
  /** Perceptual difference of what is changed (ΔEOK × 100); 0 where no colour is. */
  readonly distance: number;
  readonly alters: readonly Alteration[];
  /** Checks that pass now and would fall short. */
  readonly breaks: readonly LedgerCheck[];
  /** Other checks that fall short now and would pass. */
  readonly mends: readonly LedgerCheck[];
}

/** Several checks solved by one step. */
export interface Solution {
  readonly settings: readonly Setting[];
  readonly mended: readonly LedgerCheck[];
  /** What cannot be met, and why. */
  readonly unmet: readonly { readonly check: LedgerCheck; readonly why: string }[];
  /** Sum of the perceptual differences. */
  readonly distance: number;
}
