import type { ElementStyle } from '../css/cascade/element-style.js';
import { oncePerShape } from '../css/cascade/once-per-shape.js';
import { inset, type Box } from '../page/box.js';
import { lengthIn } from './length.js';

/** The sides of a box, in the order of CSS. */
export const SIDES = ['top', 'right', 'bottom', 'left'] as const;
export type Side = (typeof SIDES)[number];
type Four = readonly [number, number, number, number];

const sides = (read: (side: string) => number): Four => SIDES.map(read) as unknown as Four;

/** Widths of the four borders that are drawn, in pixels. */
export const borderWidths = oncePerShape((style: ElementStyle): Four =>
  sides((side) => Math.max(0, Number.parseFloat(style.text(`border-${side}-width`)) || 0)),
);

const paddings = (style: ElementStyle, width: number): Four =>
  sides((side) => Math.max(0, lengthIn(style.text(`padding-${side}`), width) ?? 0));

export const paddingBox = (style: ElementStyle, border: Box): Box => inset(border, borderWidths(style));

/** Shares of padding are of the containing block's width, for which the element's own stands in. */
export const contentBox = (style: ElementStyle, border: Box): Box =>
  inset(paddingBox(style, border), paddings(style, border.width));

/** The box that `border-box`, `padding-box` or `content-box` names. */
export function namedBox(name: string, style: ElementStyle, border: Box): Box {
  if (name === 'padding-box') return paddingBox(style, border);
  return name === 'content-box' ? contentBox(style, border) : border;
}
