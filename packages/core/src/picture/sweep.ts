import { BLUE_LUMINANCE, GREEN_LUMINANCE, RED_LUMINANCE } from '../colour/luminance-table.js';
import { luminance } from '../colour/contrast.js';
import { type Rgba } from '../colour/rgba.js';
import type { PixelField } from './field.js';

/** What a pass over an area found. */
export interface Sweep {
  /** Lowest contrast ratio, unrounded, and the pixel of the field that it is at. */
  readonly worst: number;
  readonly at: { readonly x: number; readonly y: number };
  /** Highest contrast ratio. */
  readonly best: number;
  /** How many pixels were measured, and how many of them fall short. */
  readonly pixels: number;
  readonly short: number;
}

/** Whole pixels of a field. */
export interface Region {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/**
 * Measures a colour against every pixel of a region of an opaque field.
 *
 * One luminance is compared for each pixel and no ratio worked out: a pixel falls short where its luminance lies between
 * those that just pass on the dark and on the light side.
 *
 * @param veil a translucent colour that lies over the picture, under the text
 */
export function sweep(field: PixelField, region: Region, colour: Rgba, needed: number, veil?: Rgba): Sweep {
  const own = luminance(colour) + 0.05;
  // Darker than this, or lighter than that, passes.
  const dark = own / needed;
  const light = own * needed;
  const [red, green, blue] = veil ? veiled(veil) : [RED_LUMINANCE, GREEN_LUMINANCE, BLUE_LUMINANCE];
  const { data } = field;
  const words = new Uint32Array(data.buffer, data.byteOffset, data.byteLength >> 2);
  let short = 0;
  let nearBelow = -Infinity;
  let nearAbove = Infinity;
  let least = Infinity;
  let most = -Infinity;
  let belowAt = -1;
  let aboveAt = -1;
  for (let y = region.y; y < region.y + region.height; y++) {
    const start = y * field.width + region.x;
    for (let i = start; i < start + region.width; i++) {
      const word = words[i]!;
      const light0 = red[word & 255]! + green[(word >> 8) & 255]! + blue[(word >> 16) & 255]! + 0.05;
      if (light0 > dark && light0 < light) short++;
      if (light0 < least) least = light0;
      if (light0 > most) most = light0;
      if (light0 <= own) {
        if (light0 > nearBelow) {
          nearBelow = light0;
          belowAt = i;
        }
      } else if (light0 < nearAbove) {
        nearAbove = light0;
        aboveAt = i;
      }
    }
  }
  const below = belowAt < 0 ? Infinity : own / nearBelow;
  const above = aboveAt < 0 ? Infinity : nearAbove / own;
  const at = below <= above ? belowAt : aboveAt;
  return {
    worst: Math.min(below, above),
    best: Math.max(own / least, most / own),
    at: { x: at % field.width, y: Math.floor(at / field.width) },
    pixels: region.width * region.height,
    short,
  };
}

/** Luminance that each step of a channel has under a veil: source-over is the same line for every pixel. */
function veiled(veil: Rgba): [Float64Array, Float64Array, Float64Array] {
  const table = (share: number, over: number) =>
    Float64Array.from({ length: 256 }, (_, step) => {
      const mixed = (step / 255) * (1 - veil.alpha) + over * veil.alpha;
      return share * (mixed <= 0.04045 ? mixed / 12.92 : ((mixed + 0.055) / 1.055) ** 2.4);
    });
  return [table(0.2126, veil.r), table(0.7152, veil.g), table(0.0722, veil.b)];
}
