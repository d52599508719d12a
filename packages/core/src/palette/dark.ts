import { over } from '../colour/composite.js';
import { contrastRatio } from '../colour/contrast.js';
import { nearestPassing, shortAgainst } from '../colour/nearest.js';
import { fromOklch, toOklch } from '../colour/oklch.js';
import type { Rgba } from '../colour/rgba.js';

/** Grounds as light as this, in OKLCH, become dark ones; what is darker, or vivid, is a ground of its own and stays. */
const LIGHT = 0.62;
const VIVID = 0.09;
/** How light the ground of a page is in a dark scheme, and how far lighter the darkest that becomes dark. */
const DARKEST = 0.19;
const SPREAD = 0.45;
/** How much of its chroma a ground keeps: large dark areas look more colourful than light ones. */
const CHROMA = 0.6;

/** What lies behind something: as it is, and in the dark scheme; both opaque. */
export interface Grounds {
  readonly now: Rgba;
  readonly dark: Rgba;
}

const lightness = (colour: Rgba): number => toOklch({ ...colour, alpha: 1 }).l;

/** Whether a light ground has become a dark one. */
export const turns = ({ now, dark }: Grounds): boolean => lightness(now) - lightness(dark) > 0.25;

const put = (colour: Rgba, change: (own: { l: number; c: number }) => { l: number; c: number }): Rgba => {
  const own = toOklch({ ...colour, alpha: 1 });
  return { ...fromOklch({ ...own, ...change(own) }), alpha: colour.alpha };
};

/**
 * A ground in a dark scheme: light ones become dark, the lightest the darkest, their hue kept; dark and vivid ones stay. A
 * veil of a colour over a ground that turns becomes one of light.
 */
export function darkGround(colour: Rgba, behind: Grounds): Rgba {
  const { l, c } = toOklch({ ...colour, alpha: 1 });
  if (colour.alpha < 1) {
    if (!turns(behind)) return colour;
    if (l < LIGHT) return c >= VIVID ? colour : put(colour, (own) => ({ l: 1 - own.l, c: own.c }));
  }
  if (l < LIGHT || c >= VIVID) return colour;
  return put(colour, (own) => ({ l: DARKEST + (1 - own.l) * SPREAD, c: own.c * CHROMA }));
}

/** Contrast that lines and icons keep where they had it (WCAG 2.2, 1.4.11). */
const MARK = 3;

const ratio = (colour: Rgba, ground: Rgba): number => contrastRatio(over(colour, ground), ground);

/** The nearest colour that contrasts with a ground as much as is asked. */
function atLeast(colour: Rgba, ground: Rgba, asked: number): Rgba {
  const passes = (own: Rgba): boolean => ratio(own, ground) >= asked;
  if (passes(colour)) return colour;
  return (
    nearestPassing(colour, { passes, short: colour.alpha < 1 ? [] : [shortAgainst(ground, asked)] })?.colour ?? colour
  );
}

/**
 * A text, icon or mark on a ground: dark ones become light where their ground turns.
 *
 * @param needed the contrast that is asked of it
 */
export function darkInk(colour: Rgba, on: Grounds, needed: number): Rgba {
  if (!turns(on) || lightness(colour) >= lightness(on.now)) return colour;
  const next = put(colour, ({ l, c }) => ({ l: Math.max(l, 0.98 - 0.3 * l), c }));
  return atLeast(next, on.dark, needed);
}

/** A line on a ground: as far from the dark one as it was from the light one. */
export function darkEdge(colour: Rgba, on: Grounds): Rgba {
  if (!turns(on)) return colour;
  const next = put(colour, ({ l, c }) => ({ l: Math.min(1, 1.08 - 0.8 * l), c: c * CHROMA }));
  return atLeast(next, on.dark, Math.min(ratio(colour, on.now), MARK));
}
