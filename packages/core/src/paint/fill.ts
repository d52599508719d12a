import type { Rgba } from '../colour/rgba.js';
import type { ElementNode } from '../tree/tree.js';
import type { PixelField } from '../picture/field.js';
import type { Premultiplied } from './gradient/mix.js';
import type { Box } from '../page/box.js';
import type { ColourFilter } from './filters.js';

/** Something with a colour at every point of a tile of its own; x and y in pixels from the tile's top left. */
export interface Pattern {
  /** Says what it paints: two patterns with one key are alike. */
  readonly key: string;
  readonly width: number;
  readonly height: number;
  readonly colourAt: (x: number, y: number) => Premultiplied;
  /** All colours that it has somewhere, premultiplied. */
  readonly colours: () => Iterable<Premultiplied>;
  /** For a picture: its pixels at the size that it is drawn at. */
  readonly drawn?: PixelField | undefined;
}

/** How a tile is laid out: where the first stands, and after how many pixels the next; none where it is not repeated. */
export interface Tiling {
  readonly x: number;
  readonly y: number;
  readonly stepX: number | undefined;
  readonly stepY: number | undefined;
}

export interface SolidFill {
  readonly kind: 'solid';
  readonly colour: Rgba;
  readonly box: Box | undefined;
  readonly hole?: Box | undefined;
  /** The element whose background colour it is. */
  readonly ground?: ElementNode | undefined;
}

export interface PatternFill {
  readonly kind: 'pattern';
  readonly what: 'gradient' | 'picture';
  readonly pattern: Pattern;
  /** Undefined where no geometry is known: any of its colours may be behind. */
  readonly tiling: Tiling | undefined;
  readonly box: Box | undefined;
}

/** What is behind is changed: `backdrop-filter`. */
export interface BackdropFill {
  readonly kind: 'backdrop';
  readonly key: string;
  readonly apply: readonly ColourFilter[];
  /** Standard deviation of a blur that comes first, in pixels, and all of the box that it takes its colours from. */
  readonly blur: number;
  readonly from: Box | undefined;
  readonly box: Box | undefined;
}

/** One thing that is painted, over a box or, where no geometry is known, wherever one looks. */
export type Fill =
  | SolidFill
  | PatternFill
  | BackdropFill
  /** Something whose colours cannot be told, and why. */
  | { readonly kind: 'unknown'; readonly why: string; readonly box: Box | undefined };

/** The colours of a pattern under a point of the page, or nothing where no tile lies there. */
export function patternAt(pattern: Pattern, tiling: Tiling, x: number, y: number): Premultiplied | undefined {
  let u = x - tiling.x;
  let v = y - tiling.y;
  if (tiling.stepX !== undefined) u -= Math.floor(u / tiling.stepX) * tiling.stepX;
  if (tiling.stepY !== undefined) v -= Math.floor(v / tiling.stepY) * tiling.stepY;
  if (u < 0 || v < 0 || u >= pattern.width || v >= pattern.height) return undefined;
  return pattern.colourAt(u, v);
}
