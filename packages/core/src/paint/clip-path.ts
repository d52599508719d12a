import { spacedTerms } from '../value/split-text.js';
import { splitTopLevel } from '../css/values/split.js';
import { covers, meets, type Box } from '../page/box.js';
import { lengthIn } from './length.js';

type Point = readonly [number, number];

/** How much of an area lies within a shape. */
export type Part = 'all' | 'none' | 'some';

/** Sides of a box that `inset()` leaves; what it rounds is told apart only near the corners. */
function insetBox(text: string, box: Box): { box: Box; isRound: boolean } | undefined {
  const [sides = '', round] = text.split(/\bround\b/);
  const [top, right = top, bottom = top, left = right] = spacedTerms(sides.trim());
  const [t, b] = [lengthIn(top ?? '', box.height), lengthIn(bottom ?? '', box.height)];
  const [r, l] = [lengthIn(right ?? '', box.width), lengthIn(left ?? '', box.width)];
  if (t === undefined || r === undefined || b === undefined || l === undefined) return undefined;
  return {
    box: { x: box.x + l, y: box.y + t, width: box.width - l - r, height: box.height - t - b },
    isRound: round !== undefined,
  };
}

function polygonOf(text: string, box: Box): readonly Point[] | undefined {
  const parts = splitTopLevel(text).filter((part) => !/^(nonzero|evenodd)$/.test(part.trim()));
  const points = parts.map((part): Point | undefined => {
    const [across = '', down = ''] = spacedTerms(part.trim());
    const [x, y] = [lengthIn(across, box.width), lengthIn(down, box.height)];
    return x === undefined || y === undefined ? undefined : [box.x + x, box.y + y];
  });
  return points.every((point) => point !== undefined) && points.length > 2 ? points : undefined;
}

/** Whether a stretch of line passes through a box. Source: Liang and Barsky's clipping (from memory). */
function crosses([x0, y0]: Point, [x1, y1]: Point, { x, y, width, height }: Box): boolean {
  const [dx, dy] = [x1 - x0, y1 - y0];
  let [from, to] = [0, 1];
  for (const [step, room] of [
    [-dx, x0 - x],
    [dx, x + width - x0],
    [-dy, y0 - y],
    [dy, y + height - y0],
  ] as const) {
    if (step === 0) {
      if (room < 0) return false;
    } else if (step < 0) from = Math.max(from, room / step);
    else to = Math.min(to, room / step);
  }
  return from <= to;
}

/** Whether a point lies within a polygon, by how often a line from it goes through its sides. */
const isWithin = ([x, y]: Point, points: readonly Point[]): boolean =>
  points.filter(([x0, y0], i) => {
    const [x1, y1] = points[(i + 1) % points.length]!;
    return y0 > y !== y1 > y && x < ((x1 - x0) * (y - y0)) / (y1 - y0) + x0;
  }).length %
    2 ===
  1;

/**
 * How much of an area is left of what an element with a `clip-path` paints. Source: CSS Shapes 1, section 3; boxes and
 * polygons are told exactly, of every other shape no more than that it is one.
 *
 * @param box of the element's border, in the same pixels as the area
 */
export function clippedPart(clip: string, box: Box, area: Box): Part {
  const [, name, inner = ''] = /^(inset|polygon)\((.*)\)$/is.exec(clip.trim()) ?? [];
  if (name?.toLowerCase() === 'inset') {
    const found = insetBox(inner, box);
    if (!found) return 'some';
    if (!meets(found.box, area)) return 'none';
    return covers(found.box, area) && !found.isRound ? 'all' : 'some';
  }
  const points = name ? polygonOf(inner, box) : undefined;
  if (!points) return 'some';
  if (points.some((point, i) => crosses(point, points[(i + 1) % points.length]!, area))) return 'some';
  return isWithin([area.x + area.width / 2, area.y + area.height / 2], points) ? 'all' : 'none';
}
