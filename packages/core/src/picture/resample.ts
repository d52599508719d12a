import { fieldOf, type PixelField } from './field.js';

/** What of the source each target pixel covers, along one side: first pixel and weights. */
interface Span {
  readonly first: number;
  readonly weights: readonly number[];
}

/** Making smaller averages what falls into a pixel; making larger takes a straight way between neighbours. */
function spansOf(from: number, to: number): Span[] {
  const ratio = from / to;
  return Array.from({ length: to }, (_, i): Span => {
    if (ratio > 1) {
      const start = i * ratio;
      const end = Math.min(from, start + ratio);
      const first = Math.floor(start);
      const weights = [];
      for (let at = first; at < end; at++) weights.push((Math.min(end, at + 1) - Math.max(start, at)) / ratio);
      return { first, weights };
    }
    const centre = (i + 0.5) * ratio - 0.5;
    const first = Math.max(0, Math.min(from - 1, Math.floor(centre)));
    const share = Math.min(1, Math.max(0, centre - first));
    return first + 1 < from && share > 0 ? { first, weights: [1 - share, share] } : { first, weights: [1] };
  });
}

/**
 * A field at another size in pixels, as browsers draw pictures larger or smaller: weighed in premultiplied colour, so
 * that what is transparent lends no colour.
 */
export function resample(field: PixelField, width: number, height: number): PixelField {
  if (width === field.width && height === field.height) return field;
  const across = spansOf(field.width, width);
  const down = spansOf(field.height, height);
  const rows = new Float32Array(width * field.height * 4);
  for (let y = 0; y < field.height; y++) {
    for (let x = 0; x < width; x++) {
      const { first, weights } = across[x]!;
      let [r, g, b, a] = [0, 0, 0, 0];
      for (let k = 0; k < weights.length; k++) {
        const at = (y * field.width + first + k) * 4;
        const alpha = field.data[at + 3]! * weights[k]!;
        r += field.data[at]! * alpha;
        g += field.data[at + 1]! * alpha;
        b += field.data[at + 2]! * alpha;
        a += alpha;
      }
      const to = (y * width + x) * 4;
      rows[to] = r;
      rows[to + 1] = g;
      rows[to + 2] = b;
      rows[to + 3] = a;
    }
  }
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0; y < height; y++) {
    const { first, weights } = down[y]!;
    for (let x = 0; x < width; x++) {
      let [r, g, b, a] = [0, 0, 0, 0];
      for (let k = 0; k < weights.length; k++) {
        const at = ((first + k) * width + x) * 4;
        const weight = weights[k]!;
        r += rows[at]! * weight;
        g += rows[at + 1]! * weight;
        b += rows[at + 2]! * weight;
        a += rows[at + 3]! * weight;
      }
      const to = (y * width + x) * 4;
      if (a <= 0) continue;
      data[to] = r / a;
      data[to + 1] = g / a;
      data[to + 2] = b / a;
      data[to + 3] = a;
    }
  }
  return fieldOf(width, height, data, field.natural);
}

const scaled = new WeakMap<PixelField, Map<string, PixelField>>();
/** Sizes of one picture that are kept. */
const MOST = 8;

/** The same, kept, since a page draws a picture at the same few sizes again and again. */
export function sizedTo(field: PixelField, width: number, height: number): PixelField {
  const [w, h] = [Math.max(1, Math.round(width)), Math.max(1, Math.round(height))];
  let sizes = scaled.get(field);
  if (!sizes) scaled.set(field, (sizes = new Map()));
  const key = `${w} ${h}`;
  let found = sizes.get(key);
  if (!found) {
    if (sizes.size >= MOST) sizes.delete(sizes.keys().next().value!);
    sizes.set(key, (found = resample(field, w, h)));
  }
  return found;
}
