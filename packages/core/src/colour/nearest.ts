import { difference } from './difference.js';
import { luminance } from './contrast.js';
import { fromOklch, luminanceOfOklch, toOklch } from './oklch.js';
import { parseColour } from './parse.js';
import { toHex } from './print.js';
import type { Rgba } from './rgba.js';

/** Whether a colour, as it would be written, does what is asked. */
export type Passes = (colour: Rgba) => boolean;

/** Relative luminances between two others, which do not belong to it. */
export type Band = readonly [low: number, high: number];

/** What is asked of a colour. */
export interface Asked {
  readonly passes: Passes;
  /** Luminances of opaque colours that surely do not pass. */
  readonly short: readonly Band[];
}

/** Luminances that contrast too little with a colour (WCAG 2.2, definition of contrast ratio). */
export const shortAgainst = (colour: Rgba, needed: number): Band => {
  const light = luminance(colour) + 0.05;
  return [light / needed - 0.05, light * needed - 0.05];
};

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

/** Lightness moved one way from a colour, its hue kept. */
interface Way {
  readonly from: Rgba;
  readonly start: number;
  readonly end: 0 | 1;
  /** The colour of a lightness, as it would be written. */
  readonly at: (l: number) => Rgba;
  /** Its luminance, before it is mapped into sRGB. */
  readonly luminanceAt: (l: number) => number;
}

/**
 * The colour nearest to one that passes, its hue kept and its alpha too: lightness is moved either way, and what lies
 * outside sRGB is mapped into it by lowering chroma (CSS Color 4, section 13.2). What is returned passes as written.
 *
 * @returns undefined where neither black nor white nor anything between them passes
 */
export function nearestPassing(from: Rgba, asked: Passes | Asked): Nearest | undefined {
  const { passes, short } = typeof asked === 'function' ? { passes: asked, short: [] } : asked;
  if (passes(written(from))) return asNearest(from, from);
  const start = toOklch(from);
  const at = (l: number): Rgba => written(fromOklch({ ...start, l }));
  const luminanceAt = (l: number) => luminanceOfOklch({ ...start, l });
  const band = from.alpha === 1 ? bandAround(luminance(from), short) : undefined;
  const found = ([0, 1] as const).flatMap((end) => {
    const way: Way = { from, start: start.l, end, at, luminanceAt };
    if (band && (end === 0 ? band[0] < 0 : band[1] > 1)) return [];
    return (band && beyond(way, band, passes)) ?? scan(way, passes) ?? [];
  });
  return found.reduce<Nearest | undefined>(
    (best, one) => (!best || one.distance < best.distance ? one : best),
    undefined,
  );
}

/** The bands around a luminance as one; undefined where none is around it. */
function bandAround(luminanceOf: number, bands: readonly Band[]): Band | undefined {
  let [low, high] = [luminanceOf, luminanceOf];
  for (let grows = true; grows;) {
    grows = false;
    for (const [from, to] of bands) {
      const meets = from < high + 1e-9 && to > low - 1e-9;
      if (!meets || (from >= low && to <= high)) continue;
      [low, high, grows] = [Math.min(low, from), Math.max(high, to), true];
    }
  }
  return low < high ? [low, high] : undefined;
}

/** Halvings that find a lightness to less than a step of eight bits. */
const HALVINGS = 14;
/** What mapping into sRGB and rounding may shift a lightness by, in steps of this size. */
const NUDGE = 1 / 768;
const MOST_NUDGES = 40;

/** The lightness at which a way leaves a band, by the luminance that it has at each. */
function leaving({ start, end }: Way, band: Band, luminanceAt: (l: number) => number): number {
  const isBeyond = (l: number) => (end === 0 ? luminanceAt(l) <= band[0] : luminanceAt(l) >= band[1]);
  let [near, far]: [number, number] = [start, end];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (near + far) / 2;
    if (isBeyond(middle)) far = middle;
    else near = middle;
  }
  return far;
}

/** What mapping into sRGB may shift a luminance by without being looked at more closely. */
const HARDLY = 0.002;

/** The first colour beyond a band; undefined where none is found right behind it. */
function beyond(way: Way, band: Band, passes: Passes): Nearest | undefined {
  const { from, start, end, at, luminanceAt } = way;
  let far = leaving(way, band, luminanceAt);
  // Where much is mapped, colours leave the band earlier or later than their luminance before it says.
  if (Math.abs(luminance(at(far)) - luminanceAt(far)) > HARDLY) far = leaving(way, band, (l) => luminance(at(l)));
  const out = end === 0 ? -NUDGE : NUDGE;
  const inside = (l: number) => Math.min(1, Math.max(0, l));
  let l = far;
  let steps = 0;
  while (!passes(at(l))) {
    if (l === end || ++steps > MOST_NUDGES) return undefined;
    l = inside(l + out);
  }
  // Mapping may have moved it further than it needs.
  while (steps === 0 && (start - l) * (start - end) > 0) {
    const closer = inside(l - out);
    if (!passes(at(closer))) break;
    l = closer;
  }
  return asNearest(at(l), from);
}

/** The first colour on a way that passes, looked for step by step. */
function scan({ from, start, end, at }: Way, passes: Passes): Nearest | undefined {
  const span = end - start;
  let failing = 0;
  for (let i = 1; i <= COARSE; i++) {
    const share = i / COARSE;
    if (!passes(at(start + span * share))) {
      failing = share;
      continue;
    }
    let [low, high] = [failing, share];
    for (let k = 0; k < FINE; k++) {
      const middle = (low + high) / 2;
      if (passes(at(start + span * middle))) high = middle;
      else low = middle;
    }
    return asNearest(at(start + span * high), from);
  }
  return undefined;
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
  // As it is written, and as CSSOM gives it back: in hundredths.
  const isEnough = (step: number): boolean => {
    const own = { ...colour, alpha: step / 100 };
    return passes(own) && passes(written(own));
  };
  return leastHundredth(from, isEnough);
}

/**
 * The least share from one on that is enough, to the hundredth, where more is enough too.
 *
 * @param isEnough told hundredths
 */
export function leastHundredth(from: number, isEnough: (hundredths: number) => boolean): number | undefined {
  if (!isEnough(100)) return undefined;
  let [low, high] = [Math.ceil(from * 100) - 1, 100];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (isEnough(middle)) high = middle;
    else low = middle;
  }
  return high / 100;
}
