import { luminance, linear } from '../colour/contrast.js';
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

/** Luminance as whole numbers, so fine that no two ratios of eight-bit colours are confused. */
const SCALE = 2 ** 30;
const FLARE = 0.05;

type Tables = readonly [Int32Array, Int32Array, Int32Array];

/** What each step of red, green and blue adds to the luminance, under a veil: source-over is one line for every pixel. */
function tablesFor(veil: Rgba | undefined): Tables {
  const table = (share: number, over: number) =>
    Int32Array.from({ length: 256 }, (_, step) => {
      const mixed = veil ? (step / 255) * (1 - veil.alpha) + over * veil.alpha : step / 255;
      return Math.round(share * linear(mixed) * SCALE);
    });
  return [table(0.2126, veil?.r ?? 0), table(0.7152, veil?.g ?? 0), table(0.0722, veil?.b ?? 0)];
}

const PLAIN = tablesFor(undefined);

/** The ratio at one pixel, unrounded. */
function ratioAt({ data }: PixelField, pixel: number, own: number, veil: Rgba | undefined): number {
  const channel = (k: number, over: number) => {
    const value = data[pixel * 4 + k]! / 255;
    return veil ? value * (1 - veil.alpha) + over * veil.alpha : value;
  };
  const behind =
    0.2126 * linear(channel(0, veil?.r ?? 0)) +
    0.7152 * linear(channel(1, veil?.g ?? 0)) +
    0.0722 * linear(channel(2, veil?.b ?? 0)) +
    FLARE;
  return own > behind ? own / behind : behind / own;
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
  const own = luminance(colour) + FLARE;
  const scaled = (value: number) => Math.max(-1, Math.min(2 ** 31 - 1, Math.round((value - FLARE) * SCALE)));
  // Darker than this, or lighter than that, passes.
  const dark = scaled(own / needed);
  const light = scaled(own * needed);
  const middle = scaled(own);
  const [red, green, blue] = veil ? tablesFor(veil) : PLAIN;
  const { data } = field;
  const words = new Uint32Array(data.buffer, data.byteOffset, data.byteLength >> 2);
  let short = 0;
  let [below, above, least, most] = [-1, 2 ** 31 - 1, 2 ** 31 - 1, -1];
  let [belowAt, aboveAt, leastAt, mostAt] = [-1, -1, -1, -1];
  for (let y = region.y; y < region.y + region.height; y++) {
    const start = y * field.width + region.x;
    const end = start + region.width;
    for (let i = start; i < end; i++) {
      const word = words[i]!;
      const value = (red[word & 255]! + green[(word >> 8) & 255]! + blue[(word >> 16) & 255]!) | 0;
      if (value <= middle) {
        if (value > dark) short++;
        if (value > below) [below, belowAt] = [value, i];
        if (value < least) [least, leastAt] = [value, i];
      } else {
        if (value < light) short++;
        if (value < above) [above, aboveAt] = [value, i];
        if (value > most) [most, mostAt] = [value, i];
      }
    }
  }
  const ratio = (pixel: number) => ratioAt(field, pixel, own, veil);
  const near = [belowAt, aboveAt].filter((pixel) => pixel >= 0);
  // Where all lie on one side, that side's nearest is also the other side's end.
  const far = [leastAt, mostAt].filter((pixel) => pixel >= 0);
  const at = near.reduce((low, pixel) => (ratio(pixel) < ratio(low) ? pixel : low), near[0]!);
  return {
    worst: ratio(at),
    best: Math.max(...far.map(ratio)),
    at: { x: at % field.width, y: Math.floor(at / field.width) },
    pixels: region.width * region.height,
    short,
  };
}
