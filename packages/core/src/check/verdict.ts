import type { Measurement } from '../paint/measurement.js';
import type { Verdict } from './check.js';

/**
 * Of the area over a picture this much may fall short and the text still passes: a hundredth of a line is less than any
 * of its letters, so no letter can be lost in it, while single stray pixels of a photograph decide nothing. Over gradients
 * the worst place decides, since what is next to it falls short as well.
 */
export const ALLOWED_SHARE = 0.01;

/** What a measurement means; undefined where some places pass, some do not, and it is not known which is behind. */
export function verdictOf({ worst, share, varies }: Measurement, needed: number): Verdict | undefined {
  if (worst >= needed) return 'passes';
  if (share === undefined) return undefined;
  const allowed = varies === 'picture' || varies === 'edges' ? ALLOWED_SHARE : 0;
  return share <= allowed ? 'passes' : 'short';
}
