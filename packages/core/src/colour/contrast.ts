import type { Rgba } from './rgba.js';

/** Linear-light value of one gamma-encoded sRGB channel. Source: WCAG 2.2, definition of relative luminance. */
const linear = (channel: number): number => (channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4);

/** Relative luminance, 0 (black) to 1 (white), of an opaque colour. Source: WCAG 2.2. */
export const luminance = (colour: Rgba): number =>
  0.2126 * linear(colour.r) + 0.7152 * linear(colour.g) + 0.0722 * linear(colour.b);

/** Contrast ratio of two opaque colours, 1 to 21, unrounded. Source: WCAG 2.2, definition of contrast ratio. */
export function contrastRatio(a: Rgba, b: Rgba): number {
  const la = luminance(a);
  const lb = luminance(b);
  return (Math.max(la, lb) + 0.05) / (Math.min(la, lb) + 0.05);
}

/** A ratio as shown: rounded down to two decimals, so that 4.499 never reads as 4.50. */
export const showRatio = (ratio: number): string => (Math.floor(ratio * 100 + 1e-9) / 100).toFixed(2);

/** How much a ratio lacks, as shown: rounded up, so that what is short never reads as 0.00. */
export const showShortfall = (ratio: number, needed: number): string =>
  (Math.ceil((needed - Math.floor(ratio * 100 + 1e-9) / 100) * 100 - 1e-9) / 100).toFixed(2);
