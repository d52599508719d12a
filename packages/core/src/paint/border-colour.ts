import type { Rgba } from '../colour/rgba.js';
import { once } from '../memo/once.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import { inputType } from '../css/selector/form-state.js';
import { SIDES, type Side } from './boxes.js';

/** The colours that one side of a border is painted in: its outer half, and its inner one. */
export interface SideColours {
  readonly outer: Rgba;
  readonly inner: Rgba;
}

/** By how much, of 1, the strongest channel is made weaker or stronger, and the others with it. */
const STEP = 0.33;

const strongest = ({ r, g, b }: Rgba): number => Math.max(r, g, b);

const scaled = (colour: Rgba, by: number): Rgba => ({
  ...colour,
  r: Math.min(1, colour.r * by),
  g: Math.min(1, colour.g * by),
  b: Math.min(1, colour.b * by),
});

const darker = (colour: Rgba): Rgba => {
  const most = strongest(colour);
  return scaled(colour, Math.max(0, most - STEP) / most);
};

const lighter = (colour: Rgba): Rgba => {
  const most = strongest(colour);
  if (most === 0) return { ...colour, r: STEP, g: STEP, b: STEP };
  return scaled(colour, Math.min(1, most + STEP) / most);
};

const squared = ({ r, g, b }: Rgba, from: number): number =>
  [r, g, b].reduce((sum, channel) => sum + (channel - from) ** 2, 0);

/** So near to black a colour cannot be made darker, so both shades are lighter; so near to white not lighter. */
const NEAR_BLACK = 3 * (32 / 255) ** 2;
const NEAR_WHITE = 3 * (20 / 255) ** 2;

/**
 * The two shades of a border that looks carved or raised. CSS leaves them to browsers (CSS Backgrounds 3, section 3.2);
 * these are Chromium's, as its pixels show them.
 */
export function shadesOf(colour: Rgba): { readonly dark: Rgba; readonly light: Rgba } {
  if (squared(colour, 0) <= NEAR_BLACK + 1e-9) {
    const dark = lighter(colour);
    return { dark, light: lighter(dark) };
  }
  return { dark: darker(colour), light: squared(colour, 1) < NEAR_WHITE - 1e-9 ? colour : lighter(colour) };
}

/** What makes Chromium paint the CSS of a control in place of a drawing of its own, where a site's sheet speaks of it. */
const STYLED: readonly string[] = [
  ...['attachment', 'blend-mode', 'clip', 'color', 'image', 'origin', 'position-x', 'position-y', 'size'].map(
    (what) => `background-${what}`,
  ),
  ...SIDES.flatMap((side) => ['color', 'style', 'width'].map((what) => `border-${side}-${what}`)),
  ...['top-left', 'top-right', 'bottom-right', 'bottom-left'].map((corner) => `border-${corner}-radius`),
  ...['source', 'slice', 'width', 'outset', 'repeat'].map((what) => `border-image-${what}`),
];

const BUTTONS = new Set(['button', 'submit', 'reset']);

/**
 * True for a control that the browser draws itself: a box to tick always, others until a sheet of the site speaks of
 * ground or edges, or gives a field a shadow.
 */
const isNative = once((style: ElementStyle): boolean => {
  const { drawn, element } = style;
  if (drawn !== 'other') return drawn !== undefined;
  const isButton = element.name === 'button' || (element.name === 'input' && BUTTONS.has(inputType(element)));
  if (!isButton && style.text('box-shadow') !== 'none') return false;
  return STYLED.every((property) => style.winner(property)?.origin !== 'author');
});

/** True for a border of two shades by its style, whose dark or light sides alone show where the box is. */
export const isShaded = (style: ElementStyle, side: Side): boolean =>
  isTwoShaded(style.text(`border-${side}-style`)) && !isNative(style);

/** Values of `border-style` that are painted in two shades of the colour, and in neither case in that itself. */
export const isTwoShaded = (borderStyle: string): boolean => /^(inset|outset|groove|ridge)$/.test(borderStyle);

const plain = (colour: Rgba): SideColours => ({ outer: colour, inner: colour });

/** What one side of an element's border is painted in. */
export function sideColours(style: ElementStyle, side: Side): SideColours {
  const colour = style.colour(`border-${side}-color`);
  const drawn = style.text(`border-${side}-style`);
  if (!isShaded(style, side)) return plain(colour);
  const { dark, light } = shadesOf(colour);
  const isLit = (side === 'top' || side === 'left') === (drawn === 'outset' || drawn === 'ridge');
  const [outer, inner] = isLit ? [light, dark] : [dark, light];
  return drawn === 'groove' || drawn === 'ridge' ? { outer, inner } : plain(outer);
}

/** The same as a list, without what is said twice. */
export function halvesOf(style: ElementStyle, side: Side): readonly Rgba[] {
  const { outer, inner } = sideColours(style, side);
  return inner === outer ? [outer] : [outer, inner];
}

/** How many pixels of a side's width its outer half takes. */
export const outerHalf = (width: number): number => Math.ceil(width / 2);
