import { fromOklch, toOklch } from '../colour/oklch.js';
import type { Rgba } from '../colour/rgba.js';

const LIGHTEST = 0.97;
const DARKEST = 0.2;

/**
 * A colour in steps from light to dark that look equally far apart: lightness of OKLCH in equal steps, hue and chroma
 * kept as far as sRGB has them. The step nearest to the colour is the colour itself.
 *
 * @param count of the steps, 2 or more
 */
export function lightnessSteps(colour: Rgba, count: number): Rgba[] {
  const own = toOklch({ ...colour, alpha: 1 });
  const lights = Array.from({ length: count }, (_, i) => LIGHTEST - ((LIGHTEST - DARKEST) * i) / (count - 1));
  const nearest = lights.reduce((best, l, i) => (Math.abs(l - own.l) < Math.abs(lights[best]! - own.l) ? i : best), 0);
  return lights.map((l, i) => (i === nearest ? { ...colour, alpha: 1 } : fromOklch({ ...own, l })));
}
