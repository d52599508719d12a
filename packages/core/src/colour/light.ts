import type { Rgba } from './rgba.js';

/** Linear-light value of one gamma-encoded sRGB channel. Source: WCAG 2.2, definition of relative luminance. */
export const linear = (channel: number): number =>
  channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4;

/** The same of each of the 256 steps of a channel. */
export const LINEAR_STEPS: Float64Array = Float64Array.from({ length: 256 }, (_, i) => linear(i / 255));
/** Linear-light value of a channel from 0 to 255 that may lie between two steps, to about a millionth. */
export function lightBetween(step: number): number {
  const low = step | 0;
  if (low >= 255) return 1;
  const from = LINEAR_STEPS[low]!;
  return from + (LINEAR_STEPS[low + 1]! - from) * (step - low);
}

/** Rounding that parsing leaves in a channel of eight bits. */
const TINY = 1e-10;

/** Most colours have eight bits a channel, whose powers are worked out once. */
function light(channel: number): number {
  const step = channel * 255;
  const nearest = (step + 0.5) | 0;
  const off = step - nearest;
  return off < TINY && off > -TINY && nearest < 256 ? LINEAR_STEPS[nearest]! : linear(channel);
}

/** Relative luminance, 0 (black) to 1 (white), of an opaque colour. Source: WCAG 2.2. */
export const lightOf = (colour: Rgba): number =>
  0.2126 * light(colour.r) + 0.7152 * light(colour.g) + 0.0722 * light(colour.b);
