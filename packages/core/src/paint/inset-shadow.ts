import { parseColour } from '../colour/parse.js';
import type { Rgba } from '../colour/rgba.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import { inset, isEmpty, type Box } from '../page/box.js';
import { readShadows, type Shadow } from '../value/shadow.js';
import { belowOf } from './gaussian.js';
import { paddingBox } from './boxes.js';
import type { Fill, Pattern } from './fill.js';
import type { Premultiplied } from './gradient/mix.js';

interface Placed {
  readonly colour: Rgba;
  /** What the shadow leaves free, before it is blurred. */
  readonly hole: Box;
  /** Standard deviation of its blur, in pixels (CSS Backgrounds 3, section 6.2). */
  readonly sigma: number;
}

/** So many standard deviations from its edge next to nothing is left of a blurred shadow: under a thousandth. */
const REACH = 3.1;
/** Wider than this in pixels a shadow inside may lie under text, and not only at the rim. */
const NARROW = 12;

function placed(shadow: Shadow, padding: Box): Placed | undefined {
  const colour = parseColour(shadow.colour ?? '');
  const [x = 0, y = 0, blur = 0, spread = 0] = [shadow.x, shadow.y, shadow.blur, shadow.spread].map(Number.parseFloat);
  if (!shadow.inset || !colour || colour.alpha === 0) return undefined;
  const hole = inset(padding, [spread, spread, spread, spread]);
  return { colour, hole: { ...hole, x: hole.x + x, y: hole.y + y }, sigma: blur / 2 };
}

/** How much of the shadow is seen at a distance from one edge of the hole to the other, 0 to 1. */
const inHole = (from: number, to: number, at: number, sigma: number) =>
  to <= from ? 0 : belowOf((at - from) / sigma) - belowOf((at - to) / sigma);

const faded = ({ r, g, b, alpha }: Rgba, share: number): Premultiplied => {
  const own = alpha * share;
  return [r * own, g * own, b * own, own];
};

/** Shares of its darkness that stand for all of a blurred shadow where it is not known which of it lies behind. */
const SAMPLES = Array.from({ length: 33 }, (_, i) => i / 32);

function blurred({ colour, hole, sigma }: Placed, padding: Box): Fill[] {
  const pattern: Pattern = {
    key: `inset ${[colour.r, colour.g, colour.b, colour.alpha, sigma, ...Object.values(hole), ...Object.values(padding)].join(' ')}`,
    width: padding.width,
    height: padding.height,
    colourAt: (x, y) => {
      const across = inHole(hole.x, hole.x + hole.width, padding.x + x, sigma);
      const down = inHole(hole.y, hole.y + hole.height, padding.y + y, sigma);
      return faded(colour, 1 - across * down);
    },
    colours: () => SAMPLES.map((share) => faded(colour, share)),
  };
  const tiling = { x: padding.x, y: padding.y, stepX: undefined, stepY: undefined };
  const far = REACH * sigma;
  const free = inset(hole, [far, far, far, far]);
  return around(padding, free).map((box): Fill => ({ kind: 'pattern', what: 'gradient', pattern, tiling, box }));
}

/** What is left of a box around one within it, as up to four boxes. */
function around(outer: Box, free: Box): Box[] {
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

const isWide = ({ x, y, blur, spread }: Shadow): boolean =>
  [x, y, blur, spread].some((length) => Math.abs(Number.parseFloat(length || '0')) > NARROW);

/**
 * Shadows inside a box: all of its padding box but a hole, with a sharp or a blurred edge. Source: CSS Backgrounds 3,
 * section 6; a blurred one as a Gaussian over a box with straight corners.
 */
export function insetShadows(style: ElementStyle, box: Box | undefined, tag: string): Fill[] {
  const text = style.text('box-shadow');
  if (text === 'none' || !text.includes('inset')) return [];
  const shadows = (readShadows(text) ?? []).filter((shadow) => shadow.inset).reverse();
  if (!box) {
    const why = `A shadow inside ${tag} may lie behind, and where, only geometry tells.`;
    return shadows.some(isWide) ? [{ kind: 'unknown', why, box }] : [];
  }
  const padding = paddingBox(style, box);
  return shadows.flatMap((shadow): Fill[] => {
    const found = placed(shadow, padding);
    if (!found) return [];
    return found.sigma > 0
      ? blurred(found, padding)
      : [{ kind: 'solid', colour: found.colour, box: padding, hole: found.hole }];
  });
}
