import type { Rgba } from './rgba.js';

/**
 * Source-over compositing of straight-alpha colours in gamma-encoded sRGB.
 * Source: W3C Compositing and Blending Level 1, section 5.1 and 9.1.4:
 *   co = cs·αs + cb·αb·(1 − αs);  αo = αs + αb·(1 − αs).
 */
export function over(source: Rgba, backdrop: Rgba): Rgba {
  if (source.alpha === 1) return source;
  const rest = backdrop.alpha * (1 - source.alpha);
  const alpha = source.alpha + rest;
  if (alpha === 0) return { r: 0, g: 0, b: 0, alpha: 0 };
  const mix = (s: number, b: number) => (s * source.alpha + b * rest) / alpha;
  return { r: mix(source.r, backdrop.r), g: mix(source.g, backdrop.g), b: mix(source.b, backdrop.b), alpha };
}

/** Group opacity: the whole group's result is faded at once (Compositing Level 1, section 3). */
export const fade = (colour: Rgba, opacity: number): Rgba => ({ ...colour, alpha: colour.alpha * opacity });
