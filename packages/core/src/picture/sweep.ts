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

/** What steps of the channels add to the luminance; red and green are looked up as one. */
interface Table {
  readonly redGreen: Int32Array;
  readonly blue: Int32Array;
}

/** The table of pixels under a veil: source-over is one line for every channel. */
function tableAfresh(veil: Rgba | undefined): Table {
  const channel = (share: number, over: number): Int32Array =>
    Int32Array.from({ length: 256 }, (_, step) => {
      const mixed = veil ? (step / 255) * (1 - veil.alpha) + over * veil.alpha : step / 255;
      return Math.round(share * linear(mixed) * SCALE);
    });
  const [red, green] = [channel(0.2126, veil?.r ?? 0), channel(0.7152, veil?.g ?? 0)];
  const redGreen = new Int32Array(2 ** 16);
  for (let g = 0; g < 256; g++) for (let r = 0; r < 256; r++) redGreen[(g << 8) | r] = red[r]! + green[g]!;
  return { redGreen, blue: channel(0.0722, veil?.b ?? 0) };
}

/** Veils whose tables are kept; one text is asked about in several places. */
const MAX_TABLES = 8;
const tables = new Map<string, Table>();

function tableFor(veil: Rgba | undefined): Table {
  const key = veil ? `${veil.r} ${veil.g} ${veil.b} ${veil.alpha}` : '';
  let table = tables.get(key);
  if (!table) {
    if (tables.size >= MAX_TABLES) tables.clear();
    tables.set(key, (table = tableAfresh(veil)));
  }
  return table;
}

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
  // Whole numbers of 32 bits, and known to be, so that no pixel is compared as a fraction.
  const scaled = (value: number) => Math.max(-1, Math.min(2 ** 31 - 1, Math.round((value - FLARE) * SCALE))) | 0;
  // Darker than this, or lighter than that, passes.
  const dark = scaled(own / needed);
  const light = scaled(own * needed);
  const middle = scaled(own);
  const { redGreen, blue } = tableFor(veil);
  const { data } = field;
  const words = new Int32Array(data.buffer, data.byteOffset, data.byteLength >> 2);
  let short = 0;
  let [below, above, least, most] = [-1, 2 ** 31 - 1, 2 ** 30, -1];
  let [belowAt, aboveAt, leastAt, mostAt] = [-1, -1, -1, -1];
  for (let y = region.y; y < region.y + region.height; y++) {
    const start = y * field.width + region.x;
    const end = start + region.width;
    // Two pixels at a time; of an odd row the last is looked at twice, and counted once.
    for (let i = start; i < end; i += 2) {
      const next = i + 1 < end ? i + 1 : i;
      const [word, other] = [words[i]!, words[next]!];
      const a = (redGreen[word & 0xffff]! + blue[(word >> 16) & 255]!) | 0;
      const b = (redGreen[other & 0xffff]! + blue[(other >> 16) & 255]!) | 0;
      // Signs of differences instead of branches, which would be guessed wrong at every other pixel: it lies between.
      short += (((dark - a) & (a - light)) >>> 31) + ((((dark - b) & (b - light)) >>> 31) & (next - i));
      const rare =
        ((below - a) & (a - above)) | (a - least) | (most - a) | ((below - b) & (b - above)) | (b - least) | (most - b);
      // Nearer to the colour than all before, or further from it.
      if (rare >= 0) continue;
      for (let k = 0; k < 2; k++) {
        const value = k ? b : a;
        const at = k ? next : i;
        if (value > below && value <= middle) [below, belowAt] = [value, at];
        if (value < above && value > middle) [above, aboveAt] = [value, at];
        if (value < least) [least, leastAt] = [value, at];
        if (value > most) [most, mostAt] = [value, at];
      }
    }
  }
  const ratio = (pixel: number) => ratioAt(field, pixel, own, veil);
  const near = [belowAt, aboveAt].filter((pixel) => pixel >= 0);
  const at = near.reduce((low, pixel) => (ratio(pixel) < ratio(low) ? pixel : low), near[0]!);
  return {
    worst: ratio(at),
    best: Math.max(ratio(leastAt), ratio(mostAt)),
    at: { x: at % field.width, y: Math.floor(at / field.width) },
    pixels: region.width * region.height,
    short,
  };
}
