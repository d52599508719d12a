import { difference } from '../colour/difference.js';
import { fromOklch, toOklch } from '../colour/oklch.js';
import { parseColour } from '../colour/parse.js';
import { toHex } from '../colour/print.js';
import type { Rgba } from '../colour/rgba.js';

/** Whether a colour, as it would be written, does what is asked. */
export type Passes = (colour: Rgba) => boolean;

export interface Nearest {
  /** As it is written: hex digits. */
  readonly css: string;
  readonly colour: Rgba;
  /** Perceptual difference from the colour that it replaces (ΔEOK × 100). */
  readonly distance: number;
}

const written = (colour: Rgba): Rgba => parseColour(toHex(colour))!;
const asNearest = (colour: Rgba, from: Rgba): Nearest => ({
  css: toHex(colour),
  colour: written(colour),
  distance: difference({ ...from, alpha: 1 }, { ...colour, alpha: 1 }),
});

const COARSE = 50;
const FINE = 7;

/**
 * The colour nearest to one that passes, its hue kept and its alpha too: lightness is moved either way, and what lies
 * outside sRGB is mapped into it by lowering chroma (CSS Color 4, section 13.2). What is returned passes as written.
 *
 * @returns undefined where neither black nor white nor anything between them passes
 */
export function nearestPassing(from: Rgba, passes: Passes): Nearest | undefined {
  if (passes(written(from))) return asNearest(from, from);
  const start = toOklch(from);
  const at = (l: number): Rgba => written(fromOklch({ ...start, l }));
  const found: Nearest[] = [];
  for (const end of [0, 1]) {
    const span = end - start.l;
    let failing = 0;
    for (let i = 1; i <= COARSE; i++) {
      const share = i / COARSE;
      if (!passes(at(start.l + span * share))) {
        failing = share;
        continue;
      }
      let [low, high] = [failing, share];
      for (let k = 0; k < FINE; k++) {
        const middle = (low + high) / 2;
        if (passes(at(start.l + span * middle))) high = middle;
        else low = middle;
      }
      found.push(asNearest(at(start.l + span * high), from));
      break;
    }
  }
  return found.reduce<Nearest | undefined>(
    (best, one) => (!best || one.distance < best.distance ? one : best),
    undefined,
  );
}

/** Of some colours the one nearest that passes, such as of those that a site uses already. */
export function nearestOf(from: Rgba, colours: readonly Rgba[], passes: Passes): Nearest | undefined {
  return colours
    .map((colour) => asNearest({ ...colour, alpha: from.alpha > 0 ? from.alpha : 1 }, from))
    .sort((a, b) => a.distance - b.distance)
    .find(({ colour }) => passes(colour));
}

/** The least alpha with which a colour passes, to the hundredth; undefined where even an opaque one does not. */
export function leastAlpha(colour: Rgba, from: number, passes: Passes): number | undefined {
  const at = (step: number): Rgba => written({ ...colour, alpha: step / 100 });
  const start = Math.ceil(from * 100);
  if (!passes(at(100))) return undefined;
  let [low, high] = [start - 1, 100];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (middle > low && passes(at(middle))) high = middle;
    else low = middle;
  }
  return high / 100;
}
