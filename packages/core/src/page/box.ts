/** A rectangle in CSS pixels from the top left of the page. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export const isEmpty = ({ width, height }: Box): boolean => width <= 0 || height <= 0;

export const meets = (a: Box, b: Box): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;

/** The part that two boxes share; of no size where they do not meet. */
export function shared(a: Box, b: Box): Box {
  const x = Math.max(a.x, b.x);
  const y = Math.max(a.y, b.y);
  return {
    x,
    y,
    width: Math.max(0, Math.min(a.x + a.width, b.x + b.width) - x),
    height: Math.max(0, Math.min(a.y + a.height, b.y + b.height) - y),
  };
}

/** Browsers place what they paint on whole pixels, so a box may be cut by less than half of one. */
const SLACK = 0.51;

export const covers = (outer: Box, inner: Box): boolean =>
  outer.x <= inner.x + SLACK &&
  outer.y <= inner.y + SLACK &&
  outer.x + outer.width >= inner.x + inner.width - SLACK &&
  outer.y + outer.height >= inner.y + inner.height - SLACK;

export function hull(boxes: readonly Box[]): Box {
  const x = Math.min(...boxes.map((box) => box.x));
  const y = Math.min(...boxes.map((box) => box.y));
  return {
    x,
    y,
    width: Math.max(...boxes.map((box) => box.x + box.width)) - x,
    height: Math.max(...boxes.map((box) => box.y + box.height)) - y,
  };
}

/** Takes so much off each side: top, right, bottom, left. */
export const inset = (box: Box, [top, right, bottom, left]: readonly [number, number, number, number]): Box => ({
  x: box.x + left,
  y: box.y + top,
  width: Math.max(0, box.width - left - right),
  height: Math.max(0, box.height - top - bottom),
});
