import 'culori/css';
import { converter, toGamut } from 'culori/fn';
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

/** Relative luminance of a colour of this space, below 0 and above 1 outside of sRGB. Source: CSS Color 4, section 9.2 and its sample code. */
export function luminanceOfOklch({ l, c, h }: Pick<Oklch, 'l' | 'c' | 'h'>): number {
  const angle = (h * Math.PI) / 180;
  const [a, b] = [c * Math.cos(angle), c * Math.sin(angle)];
  const long = (l + 0.3963377773761749 * a + 0.2158037573099136 * b) ** 3;
  const medium = (l - 0.1055613458156586 * a - 0.0638541728258133 * b) ** 3;
  const short = (l - 0.0894841775298119 * a - 1.2914855480194092 * b) ** 3;
  const red = 4.0767416360759574 * long - 3.3077115392580616 * medium + 0.2309699031821044 * short;
  const green = -1.2684379732850317 * long + 2.6097573492876887 * medium - 0.3413193760026573 * short;
  const blue = -0.0041960761386756 * long - 0.7034186179359362 * medium + 1.7076146940746117 * short;
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
}
