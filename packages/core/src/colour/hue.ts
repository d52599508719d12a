import { toOklch } from './oklch.js';
import type { Rgba } from './rgba.js';

/** Chroma up to which a colour is seen as a grey (OKLCH). */
const GREY = 0.02;
/** Degrees of hue up to which two colours are called by one name. */
const NAMED_ALIKE = 30;

/** Whether a colour is a shade of another: of the same hue, and no grey. Any colour is one of a grey. */
export function keepsHue(from: Rgba, to: Rgba): boolean {
  const [a, b] = [toOklch(from), toOklch(to)];
  if (a.c <= GREY) return true;
  if (b.c <= GREY) return false;
  const apart = Math.abs(a.h - b.h) % 360;
  return Math.min(apart, 360 - apart) <= NAMED_ALIKE;
}
