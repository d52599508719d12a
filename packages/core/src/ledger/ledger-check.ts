import type { Check, Level } from '../check/check.js';
import type { Environment } from '../css/conditions/environment.js';
import type { EditingPlace } from '../look/editing-place.js';

/** Which changes can help a check that falls short; what they are is in `remedy/drafts/`. */
export type Approach = 'text' | 'icon' | 'edge' | 'ring' | 'underline' | 'timing' | 'stop' | 'less-motion' | 'others';

/** A measured check of one column, with where the worst of several stands. */
export interface ColumnCheck extends Check {
  readonly part: string;
  readonly column: string;
  readonly demand: string;
  readonly label: string;
  /** Undefined where no change of values helps. */
  readonly approach?: Approach;
  /** How many elements were measured. */
  readonly measuredElements: number;
  /** Text of the element that the figure is of. */
  readonly worstText: string;
  /** True where it was measured as if no picture had loaded. */
  readonly withoutPictures?: boolean;
}

/** A check at one of the viewports that were asked for. */
export interface LedgerCheck extends ColumnCheck {
  readonly viewport: string;
}

export interface LedgerRequest {
  readonly viewports: readonly { readonly name: string; readonly environment: Environment }[];
  readonly place?: EditingPlace;
  /** Names of columns that were added. */
  readonly added?: readonly string[];
  readonly level?: Level;
}

/** How a check has come out that is not made any more: what takes no time, or does not move, is not judged, and is met. */
export const onceGone = <T extends ColumnCheck>(check: T): T | undefined =>
  check.approach === 'timing' || check.approach === 'stop'
    ? { ...check, verdict: 'passes', measured: undefined }
    : undefined;
