import { BLUE_LUMINANCE, GREEN_LUMINANCE, RED_LUMINANCE } from '../colour/luminance-table.js';
import type { PixelField } from '../picture/field.js';
import { sizedTo } from '../picture/resample.js';
import type { Pattern } from './fill.js';
import type { Premultiplied } from './gradient/mix.js';

/** A picture that browsers show, and that was not decoded because drawing it takes too much. */
export const TOO_COSTLY = 'too costly';

/** What is known of a picture: its pixels, null when it does not load. */
export type KnownPicture = PixelField | null | typeof TOO_COSTLY;

/** Finds the decoded picture at an absolute address; undefined when it is not to hand. */
export type PictureSource = (address: string) => KnownPicture | undefined;

/** Why a picture that lies behind has no pixels. */
export const whyNoPixels = (where: string, picture: typeof TOO_COSTLY | undefined): string =>
  `A picture lies behind (${where}), and it ${picture === TOO_COSTLY ? 'takes too long or too much memory to draw' : 'is not to hand'}.`;

export const NO_PICTURES: PictureSource = () => undefined;

const names = new WeakMap<PixelField, number>();
let named = 0;
/** Tells one field from another. */
function nameOf(field: PixelField): number {
  let name = names.get(field);
  if (name === undefined) names.set(field, (name = ++named));
  return name;
}

const distinct = new WeakMap<PixelField, readonly Premultiplied[]>();

/** Steps of luminance of which the darkest and the lightest colour stand for all. */
const STEPS = 1024;

/** Of very many colours those that decide: at every step of luminance the two at its ends. */
function representative(words: readonly number[]): number[] {
  if (words.length <= 2 * STEPS) return [...words];
  const ends = new Map<number, { low: number; high: number; least: number; most: number }>();
  for (const word of words) {
    const light =
      RED_LUMINANCE[word & 255]! + GREEN_LUMINANCE[(word >> 8) & 255]! + BLUE_LUMINANCE[(word >> 16) & 255]!;
    // What lets something through is kept apart from what does not.
    const step = Math.floor(light * (STEPS - 1)) + (word >>> 24) * STEPS;
    const own = ends.get(step);
    if (!own) ends.set(step, { low: word, high: word, least: light, most: light });
    else if (light < own.least) Object.assign(own, { low: word, least: light });
    else if (light > own.most) Object.assign(own, { high: word, most: light });
  }
  return [...ends.values()].flatMap(({ low, high }) => (low === high ? [low] : [low, high]));
}

/** The different colours of a field. */
function coloursOf(field: PixelField): readonly Premultiplied[] {
  let found = distinct.get(field);
  if (!found) {
    const { data } = field;
    const words = new Uint32Array(data.buffer, data.byteOffset, data.byteLength >> 2);
    found = representative([...new Set(words)]).map((word): Premultiplied => {
      const alpha = (word >>> 24) / 255;
      const channel = (shift: number) => (((word >> shift) & 255) / 255) * alpha;
      return [channel(0), channel(8), channel(16), alpha];
    });
    distinct.set(field, found);
  }
  return found;
}

/** A picture drawn at a size, in pixels. */
export function picturePattern(field: PixelField, width: number, height: number): Pattern {
  const drawn = sizedTo(field, width, height);
  const { data } = drawn;
  return {
    key: `picture ${nameOf(field)} ${width} ${height}`,
    width,
    height,
    colourAt: (x, y) => {
      const column = Math.min(drawn.width - 1, Math.max(0, Math.floor((x / width) * drawn.width)));
      const row = Math.min(drawn.height - 1, Math.max(0, Math.floor((y / height) * drawn.height)));
      const at = (row * drawn.width + column) * 4;
      const alpha = data[at + 3]! / 255;
      const scale = alpha / 255;
      return [data[at]! * scale, data[at + 1]! * scale, data[at + 2]! * scale, alpha];
    },
    colours: () => coloursOf(field),
    drawn,
  };
}
