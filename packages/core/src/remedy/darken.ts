import { over } from '../colour/composite.js';
import { toHex } from '../colour/print.js';
import { sameRgba, type Rgba } from '../colour/rgba.js';
import { NEEDED_LARGE, NEEDED_NORMAL } from '../check/text.js';
import { drawnSize } from '../check/drawn-size.js';
import { isLarge } from '../check/text-case.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import { once } from '../memo/once.js';
import { darkEdge, darkGround, darkInk, turns, type Grounds } from '../palette/dark.js';
import { coloursIn, recolourValue } from '../palette/in-value.js';

const WHITE: Rgba = { r: 1, g: 1, b: 1, alpha: 1 };
/** A page without a ground of its own is white. */
const CANVAS: Grounds = { now: WHITE, dark: darkGround(WHITE, { now: WHITE, dark: WHITE }) };

const opaque = (colour: Rgba): Rgba => ({ ...colour, alpha: 1 });

/** What lies behind an element's contents, its own ground among it, going by what holds it. */
const groundsOf: (style: ElementStyle) => Grounds = once((style: ElementStyle): Grounds => {
  const behind = style.parent ? groundsOf(style.parent) : CANVAS;
  const grounds = [style.colour('background-color'), ...coloursIn(style.text('background-image')).map(firstOf)];
  const image = style.text('background-image');
  const { now, dark } = grounds.slice(0, 2).reduce(
    (under: Grounds, own) => ({
      now: over(own, under.now),
      dark: over(darkGround(own, under), under.dark),
    }),
    behind,
  );
  // A picture stays, and so does what stands on it.
  return /url\(/i.test(image) ? { now, dark: now } : { now, dark };
});

const firstOf = ({ colour }: { readonly colour: Rgba }): Rgba => colour;

/** Contrast of what is no text (WCAG 2.2, 1.4.11). */
const MARK = 3;

/** How a colour of a property is drawn in a dark scheme. */
function darkened(style: ElementStyle, property: string): (colour: Rgba) => Rgba {
  const behind = style.parent ? groundsOf(style.parent) : CANVAS;
  const inner = groundsOf(style);
  if (property.startsWith('background')) return (colour) => darkGround(colour, behind);
  if (property === 'box-shadow') {
    // A shadow stays dark; what is light draws a line.
    return (colour) => (colour.alpha > 0.5 ? darkLight(colour, behind) : colour);
  }
  if (property === 'text-shadow') {
    // The glow of a dark text is none for a light one.
    const text = style.colour('color');
    return (colour) => (sameRgba(text, darkInk(text, inner, MARK)) ? colour : { ...colour, alpha: 0 });
  }
  if (/^(border|outline|column-rule)/.test(property)) {
    const own = style.colour('background-color');
    // An edge of the ground's own colour is a part of the ground.
    return (colour) =>
      own.alpha && sameRgba(opaque(own), opaque(colour))
        ? darkGround(colour, behind)
        : darkEdge(colour, turns(behind) || property.startsWith('outline') ? behind : inner);
  }
  if (property === 'accent-color') return (colour) => colour;
  const asked = isLarge(drawnSize(style), style.fontWeight) ? NEEDED_LARGE : NEEDED_NORMAL;
  return (colour) => darkInk(colour, inner, property === 'color' ? asked : MARK);
}

/** Channels of a shadow that draws a light line. */
const LIGHT_SHADOW = 0.55;
const darkLight = (colour: Rgba, behind: Grounds): Rgba =>
  Math.min(colour.r, colour.g, colour.b) > LIGHT_SHADOW ? darkEdge(colour, behind) : colour;

/** The value of a property in a dark scheme; undefined where it stays as it is. */
export function darkValue(style: ElementStyle, property: string): string | undefined {
  const dark = darkened(style, property);
  return recolourValue(style.text(property), (colour) => {
    if (colour.alpha === 0) return undefined;
    const next = dark(colour);
    return sameRgba(next, colour) ? undefined : toHex(next);
  });
}

/** The ground of a page that has none of its own, in a dark scheme. */
export const DARK_CANVAS: string = toHex(CANVAS.dark);
