import { lightOf } from './light.js';
import { ReadColour } from './read-colour.js';
import type { Rgba } from './rgba.js';

export { linear } from './light.js';

/** Relative luminance, 0 (black) to 1 (white), of an opaque colour. Source: WCAG 2.2. */
export const luminance = (colour: Rgba): number => (colour instanceof ReadColour ? colour.light : lightOf(colour));

/** Contrast ratio of two opaque colours, 1 to 21, unrounded. Source: WCAG 2.2, definition of contrast ratio. */
export function contrastRatio(a: Rgba, b: Rgba): number {
  const la = luminance(a) + 0.05;
  const lb = luminance(b) + 0.05;
  return la > lb ? la / lb : lb / la;
}

/** A ratio as shown: rounded down to two decimals, so that 4.499 never reads as 4.50. */
export const showRatio = (ratio: number): string => (Math.floor(ratio * 100 + 1e-9) / 100).toFixed(2);

/** How much a ratio lacks, as shown: rounded up, so that what is short never reads as 0.00. */
export const showShortfall = (ratio: number, needed: number): string =>
  (Math.ceil((needed - Math.floor(ratio * 100 + 1e-9) / 100) * 100 - 1e-9) / 100).toFixed(2);
