import { linear } from './contrast.js';
import { once } from '../memo/once.js';
import type { Rgba } from './rgba.js';

/** Lightness and the two axes of colour. */
export type Oklab = readonly [number, number, number];

/** Source: CSS Color 4, section 9.2 and its sample code. */
export function toOklab({ r, g, b }: Rgba): Oklab {
  const [lr, lg, lb] = [linear(r), linear(g), linear(b)];
  const l = Math.cbrt(0.4122214708 * lr + 0.5363325363 * lg + 0.0514459929 * lb);
  const m = Math.cbrt(0.2119034982 * lr + 0.6806995451 * lg + 0.1073969566 * lb);
  const s = Math.cbrt(0.0883024619 * lr + 0.2817188376 * lg + 0.6299787005 * lb);
  return [
    0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s,
    1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s,
    0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s,
  ];
}

/** The same, worked out once for each colour. */
export const labOf = once(toOklab);

/** Perceptual difference of two colours in this space. */
export const distance = ([l1, a1, b1]: Oklab, [l2, a2, b2]: Oklab): number =>
  100 * Math.sqrt((l1 - l2) ** 2 + (a1 - a2) ** 2 + (b1 - b2) ** 2);

/** Perceptual difference of two opaque colours, 0 to about 100: a hundred times ΔEOK (CSS Color 4, section 13.1). */
export const difference = (a: Rgba, b: Rgba): number => distance(labOf(a), labOf(b));
