import type { PixelField } from '../picture/field.js';
import { sizedTo } from '../picture/resample.js';
import type { Pattern } from './fill.js';
import type { Premultiplied } from './gradient/mix.js';

/** Finds the decoded picture at an absolute address: undefined when it is not to hand, null when it does not load. */
export type PictureSource = (address: string) => PixelField | undefined | null;

export const NO_PICTURES: PictureSource = () => undefined;

const distinct = new WeakMap<PixelField, readonly Premultiplied[]>();

/** The different colours of a field. */
function coloursOf(field: PixelField): readonly Premultiplied[] {
  let found = distinct.get(field);
  if (!found) {
    const { data } = field;
    const words = new Uint32Array(data.buffer, data.byteOffset, data.byteLength >> 2);
    found = [...new Set(words)].map((word): Premultiplied => {
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
