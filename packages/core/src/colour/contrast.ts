import type { Rgba } from './rgba.js';

/** Linear-light value of one gamma-encoded sRGB channel. Source: WCAG 2.2, definition of relative luminance. */
export const linear = (channel: number): number =>
  channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4;

const STEPS = Float64Array.from({ length: 256 }, (_, i) => linear(i / 255));
/** Rounding that parsing leaves in a channel of eight bits. */
const TINY = 1e-10;

/** Most colours have eight bits a channel, whose powers are worked out once. */
function light(channel: number): number {
  const step = channel * 255;
  const nearest = (step + 0.5) | 0;
  const off = step - nearest;
  return off < TINY && off > -TINY && nearest < 256 ? STEPS[nearest]! : linear(channel);
}

/** Relative luminance, 0 (black) to 1 (white), of an opaque colour. Source: WCAG 2.2. */
export const luminance = (colour: Rgba): number =>
  0.2126 * light(colour.r) + 0.7152 * light(colour.g) + 0.0722 * light(colour.b);

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
