import type { Rgba } from '../../colour/rgba.js';
import { once } from '../../memo/once.js';
import type { PixelField } from '../../picture/field.js';

/** Steps of each channel that are told apart when the colours of a picture are counted. */
const STEP = 16;
/** A colour of a picture counts from this share of what it paints: less is the soft rim of its shapes. */
const LEAST = 0.1;

/** The colours that a picture is mostly painted in, the most frequent first. */
export const pictureInks = once(({ data }: PixelField): readonly Rgba[] => {
  const found = new Map<number, { weight: number; r: number; g: number; b: number }>();
  let all = 0;
  // One that is faint throughout is seen no better than it is at its most.
  let strongest = 0;
  for (let at = 0; at < data.length; at += 4) {
    const alpha = data[at + 3]! / 255;
    if (alpha === 0) continue;
    const [r, g, b] = [data[at]!, data[at + 1]!, data[at + 2]!];
    const key = Math.floor(r / STEP) * 65536 + Math.floor(g / STEP) * 256 + Math.floor(b / STEP);
    let own = found.get(key);
    if (!own) found.set(key, (own = { weight: 0, r: 0, g: 0, b: 0 }));
    own.weight += alpha;
    own.r += r * alpha;
    own.g += g * alpha;
    own.b += b * alpha;
    all += alpha;
    strongest = Math.max(strongest, alpha);
  }
  return [...found.values()]
    .filter(({ weight }) => weight >= LEAST * all)
    .sort((a, b) => b.weight - a.weight)
    .map(({ weight, r, g, b }) => ({
      r: r / weight / 255,
      g: g / weight / 255,
      b: b / weight / 255,
      alpha: strongest,
    }));
});
