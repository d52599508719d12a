import { converter, toGamut } from 'culori';
import { clamp01, type Rgba } from './rgba.js';

/** Lightness 0 to 1, chroma 0 to about 0.4, hue in degrees, alpha 0 to 1. Source: CSS Color 4, section 9. */
export interface Oklch {
  readonly l: number;
  readonly c: number;
  readonly h: number;
  readonly alpha: number;
}

const toOklchMode = converter('oklch');
const toRgbMode = converter('rgb');
const mapToSrgb = toGamut('rgb', 'oklch');

/** The hue of a grey is undefined; `hueOfGrey` is used for it, so that a track does not jump. */
export function toOklch(colour: Rgba, hueOfGrey = 0): Oklch {
  const { l, c, h } = toOklchMode({ mode: 'rgb', r: colour.r, g: colour.g, b: colour.b });
  const grey = c < 1e-4;
  return { l, c: grey ? 0 : c, h: grey || h === undefined ? hueOfGrey : h, alpha: colour.alpha };
}

/** Brings an OKLCH colour into sRGB by lowering chroma (CSS Color 4, section 13.2). */
export function fromOklch(colour: Oklch): Rgba {
  const plain = { mode: 'oklch' as const, l: clamp01(colour.l), c: Math.max(0, colour.c), h: colour.h };
  // What is outside by a rounding error only is clipped, so that a colour of the gamut's edge comes back unchanged.
  const rgb = toRgbMode(inSrgb(colour) ? plain : mapToSrgb(plain));
  return { r: clamp01(rgb.r), g: clamp01(rgb.g), b: clamp01(rgb.b), alpha: clamp01(colour.alpha) };
}

/** True when the colour can be shown in sRGB without mapping; the tolerance is half of an eight-bit step. */
export function inSrgb(colour: Oklch): boolean {
  const rgb = toRgbMode({ mode: 'oklch', l: colour.l, c: colour.c, h: colour.h });
  return [rgb.r, rgb.g, rgb.b].every((channel) => channel >= -0.002 && channel <= 1.002);
}
