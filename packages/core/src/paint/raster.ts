import type { Rgba } from '../colour/rgba.js';
import { type Box } from '../page/box.js';
import { patternAt, type Fill } from './fill.js';
import type { SceneGroup, SceneNode } from './scene-nodes.js';

/** Channels of a pixel in a raster: what is seen with the measured text, without it, and how much of it shows. */
const WITH = 0;
const WITHOUT = 4;
const SHOWN = 8;
const CHANNELS = 9;

/** Premultiplied colour of every whole pixel of an area, painted twice: with what is measured, and without. */
export interface Raster {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly data: Float32Array;
}

const blank = ({ x, y, width, height }: Raster): Raster => ({
  x,
  y,
  width,
  height,
  data: new Float32Array(width * height * CHANNELS),
});

/** Whole pixels whose middle lies in a box. */
function pixelsOf(raster: Raster, box: Box | undefined): { left: number; top: number; right: number; bottom: number } {
  if (!box) return { left: 0, top: 0, right: raster.width, bottom: raster.height };
  const clamp = (value: number, most: number) => Math.min(most, Math.max(0, value));
  // A browser moves the edges of what it paints to whole pixels.
  return {
    left: clamp(Math.round(box.x) - raster.x, raster.width),
    top: clamp(Math.round(box.y) - raster.y, raster.height),
    right: clamp(Math.round(box.x + box.width) - raster.x, raster.width),
    bottom: clamp(Math.round(box.y + box.height) - raster.y, raster.height),
  };
}

function put(data: Float32Array, at: number, r: number, g: number, b: number, alpha: number): void {
  const rest = 1 - alpha;
  data[at] = r + data[at]! * rest;
  data[at + 1] = g + data[at + 1]! * rest;
  data[at + 2] = b + data[at + 2]! * rest;
  data[at + 3] = alpha + data[at + 3]! * rest;
}

/** Paints one fill; `only` leaves the raster without the measured text as it is. */
function paintFill(raster: Raster, fill: Fill, only: boolean): void {
  if (fill.kind === 'unknown') return;
  const { data, width } = raster;
  const { left, top, right, bottom } = pixelsOf(raster, fill.box);
  const hole = fill.kind === 'solid' && fill.hole ? pixelsOf(raster, fill.hole) : undefined;
  const scratch = new Float32Array(4);
  let [r, g, b, alpha] = [0, 0, 0, 0];
  if (fill.kind === 'solid') {
    ({ alpha } = fill.colour);
    [r, g, b] = [fill.colour.r * alpha, fill.colour.g * alpha, fill.colour.b * alpha];
  }
  for (let row = top; row < bottom; row++) {
    for (let column = left; column < right; column++) {
      if (hole && row >= hole.top && row < hole.bottom && column >= hole.left && column < hole.right) continue;
      const at = (row * width + column) * CHANNELS;
      if (fill.kind === 'backdrop') {
        for (const side of [WITH, WITHOUT]) filterPixel(data, at + side, fill.apply, scratch);
        continue;
      }
      if (fill.kind === 'pattern') {
        const found =
          fill.tiling && patternAt(fill.pattern, fill.tiling, raster.x + column + 0.5, raster.y + row + 0.5);
        if (!found) continue;
        [r, g, b, alpha] = found;
      }
      put(data, at + WITH, r, g, b, alpha);
      if (only) data[at + SHOWN] = 1;
      else {
        put(data, at + WITHOUT, r, g, b, alpha);
        data[at + SHOWN] = data[at + SHOWN]! * (1 - alpha);
      }
    }
  }
}

function filterPixel(data: Float32Array, at: number, filters: SceneGroup['filters'], c: Float32Array): void {
  const alpha = data[at + 3]!;
  for (let i = 0; i < 3; i++) c[i] = alpha ? data[at + i]! / alpha : 0;
  c[3] = alpha;
  for (const filter of filters) filter(c);
  for (let i = 0; i < 3; i++) data[at + i] = c[i]! * c[3]!;
  data[at + 3] = c[3]!;
}

/** Puts a finished group on what is behind it. */
function merge(under: Raster, group: SceneGroup, inner: Raster): void {
  const { opacity, blend, filters } = group;
  const [b, s, out] = [new Float32Array(3), new Float32Array(3), new Float32Array(3)];
  const scratch = new Float32Array(4);
  const { data } = under;
  const own = inner.data;
  for (let at = 0; at < own.length; at += CHANNELS) {
    for (const side of [WITH, WITHOUT]) {
      const k = at + side;
      if (filters.length) filterPixel(own, k, filters, scratch);
      const alpha = own[k + 3]! * opacity;
      if (alpha <= 0) continue;
      const backAlpha = data[k + 3]!;
      if (blend && backAlpha > 0) {
        for (let i = 0; i < 3; i++) {
          b[i] = data[k + i]! / backAlpha;
          s[i] = own[k + i]! / own[k + 3]!;
        }
        blend(b, s, out);
        const mix = (i: number) => ((1 - backAlpha) * s[i]! + backAlpha * out[i]!) * alpha;
        put(data, k, mix(0), mix(1), mix(2), alpha);
      } else put(data, k, own[k]! * opacity, own[k + 1]! * opacity, own[k + 2]! * opacity, alpha);
    }
    const hidden = own[at + WITHOUT + 3]! * opacity;
    data[at + SHOWN] = own[at + SHOWN]! > 0 ? own[at + SHOWN]! : data[at + SHOWN]! * (1 - hidden);
  }
}

function paintNodes(raster: Raster, nodes: readonly SceneNode[]): void {
  for (const node of nodes) {
    if (node.kind === 'group') {
      const inner = blank(raster);
      paintNodes(inner, node.nodes);
      merge(raster, node, inner);
    } else if (node.kind === 'mark') for (const fill of node.fills) paintFill(raster, fill, true);
    else paintFill(raster, node, false);
  }
}

/** Whole pixels around an area that are painted at one time; a larger one is painted in bands. */
const MOST_PIXELS = 200_000;

/** Paints an area in bands that are small enough to be held. */
export function* rasters(nodes: readonly SceneNode[], area: Box): Generator<Raster> {
  const x = Math.floor(area.x);
  const y = Math.floor(area.y);
  const width = Math.ceil(area.x + area.width) - x;
  const height = Math.ceil(area.y + area.height) - y;
  if (width <= 0 || height <= 0) return;
  const band = Math.max(1, Math.floor(MOST_PIXELS / width));
  for (let top = 0; top < height; top += band) {
    const raster = blank({ x, y: y + top, width, height: Math.min(band, height - top), data: EMPTY });
    paintNodes(raster, nodes);
    yield raster;
  }
}
const EMPTY = new Float32Array(0);

/** The eight-bit colour that a browser puts on the screen; the paper makes every pixel opaque. */
const step = (value: number) => Math.min(255, Math.max(0, Math.round(value * 255)));

export interface PixelPair {
  readonly withMark: readonly [number, number, number];
  readonly without: readonly [number, number, number];
  /** 0 where something else is painted over what is measured, 1 where it shows. */
  readonly shown: number;
}

/** Whether a pixel is painted as the one before it is. */
export function isAsBefore({ data }: Raster, index: number): boolean {
  const at = index * CHANNELS;
  for (let i = at; i < at + CHANNELS; i++) if (data[i] !== data[i - CHANNELS]) return false;
  return true;
}

export function pixelOf({ data }: Raster, index: number): PixelPair {
  const at = index * CHANNELS;
  return {
    withMark: [step(data[at]!), step(data[at + 1]!), step(data[at + 2]!)],
    without: [step(data[at + WITHOUT]!), step(data[at + WITHOUT + 1]!), step(data[at + WITHOUT + 2]!)],
    shown: data[at + SHOWN]!,
  };
}

export const colourOfSteps = ([r, g, b]: readonly [number, number, number]): Rgba => ({
  r: r / 255,
  g: g / 255,
  b: b / 255,
  alpha: 1,
});
