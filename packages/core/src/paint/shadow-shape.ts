import { parseColour } from '../colour/parse.js';
import type { Rgba } from '../colour/rgba.js';
import { isEmpty, type Box } from '../page/box.js';
import type { Shadow } from '../value/shadow.js';
import type { Pattern, PatternFill } from './fill.js';
import { belowOf } from './gaussian.js';
import type { Premultiplied } from './gradient/mix.js';

/** A box with an edge that is blurred, in one colour: what a shadow throws, or what one inside leaves free. */
export interface ShadowShape {
  readonly colour: Rgba;
  readonly box: Box;
  /** Standard deviation of its blur, in pixels (CSS Backgrounds 3, section 6.2). */
  readonly sigma: number;
}

/** The lengths of a computed shadow in pixels, with its colour. */
export interface ShadowLengths {
  readonly colour: Rgba;
  readonly x: number;
  readonly y: number;
  readonly blur: number;
  readonly spread: number;
}

/** @returns undefined for one that is not seen */
export function lengthsOf(shadow: Shadow): ShadowLengths | undefined {
  const colour = parseColour(shadow.colour ?? '');
  if (!colour || colour.alpha === 0) return undefined;
  const [x = 0, y = 0, blur = 0, spread = 0] = [shadow.x, shadow.y, shadow.blur, shadow.spread].map(Number.parseFloat);
  return { colour, x, y, blur, spread };
}

/** How much of a blurred stretch is seen at a place, 0 to 1. */
const coverage = (from: number, to: number, at: number, sigma: number) =>
  to <= from ? 0 : belowOf((at - from) / sigma) - belowOf((at - to) / sigma);

const faded = ({ r, g, b, alpha }: Rgba, share: number): Premultiplied => {
  const own = alpha * share;
  return [r * own, g * own, b * own, own];
};

/** Shares of its darkness that stand for all of a blurred shadow where it is not known which of it lies behind. */
const SAMPLES = Array.from({ length: 33 }, (_, i) => i / 32);

/**
 * A blurred shape over some boxes.
 *
 * @param from the box that the pattern is counted from
 * @param isInverse the colour is around the shape, and not in it
 */
export function blurredFills(
  { colour, box, sigma }: ShadowShape,
  from: Box,
  over: readonly Box[],
  isInverse: boolean,
): PatternFill[] {
  const numbers = [colour.r, colour.g, colour.b, colour.alpha, sigma, ...Object.values(box), ...Object.values(from)];
  const pattern: Pattern = {
    key: `shadow ${isInverse ? 'inside' : ''} ${numbers.join(' ')}`,
    width: from.width,
    height: from.height,
    colourAt: (x, y) => {
      const across = coverage(box.x, box.x + box.width, from.x + x, sigma);
      const down = coverage(box.y, box.y + box.height, from.y + y, sigma);
      return faded(colour, isInverse ? 1 - across * down : across * down);
    },
    colours: () => SAMPLES.map((share) => faded(colour, share)),
  };
  const tiling = { x: from.x, y: from.y, stepX: undefined, stepY: undefined };
  return over.map((own) => ({ kind: 'pattern', what: 'gradient', pattern, tiling, box: own }));
}

/** What is left of a box around one within it, as up to four boxes. */
export function around(outer: Box, free: Box): Box[] {
  if (isEmpty(free)) return [outer];
  const bottom = outer.y + outer.height;
  const right = outer.x + outer.width;
  const [top, end] = [Math.max(outer.y, free.y), Math.min(bottom, free.y + free.height)];
  const [left, rest] = [Math.max(outer.x, free.x), Math.min(right, free.x + free.width)];
  if (top >= end || left >= rest) return [outer];
  return [
    { ...outer, height: top - outer.y },
    { ...outer, y: end, height: bottom - end },
    { x: outer.x, y: top, width: left - outer.x, height: end - top },
    { x: rest, y: top, width: right - rest, height: end - top },
  ].filter((box) => !isEmpty(box));
}
