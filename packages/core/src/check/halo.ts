import { over } from '../colour/composite.js';
import { parseColour } from '../colour/parse.js';
import type { Rgba } from '../colour/rgba.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import { belowOf } from '../paint/gaussian.js';
import type { Halo } from '../paint/measure.js';
import { readShadows } from '../value/shadow.js';

/**
 * What shadows and outlines of text add. A letter is told from what is right beside its edge, so what a shadow leaves
 * there, half a pixel out, is mixed onto the ground. That is asked for on each of four sides and the worst side decides:
 * a shadow that falls to one side only does not help. Strokes of letters are taken to be a twelfth of the font size wide
 * (a sixth where bold), and a blurred shadow to be a Gaussian of half its blur (CSS Backgrounds 3, section 6.2).
 */
export function haloOf(style: ElementStyle): Halo | undefined {
  const text = style.text('text-shadow');
  const outline = outlineOf(style);
  if ((text === 'none' || text === '') && !outline) return undefined;
  const stroke = style.fontSize / (style.fontWeight >= 600 ? 6 : 12);
  const shadows = (readShadows(text) ?? []).flatMap((shadow) => {
    const colour = parseColour(shadow.colour ?? style.text('color'));
    const [x = 0, y = 0, blur = 0] = [shadow.x, shadow.y, shadow.blur].map(Number.parseFloat);
    return colour ? [{ colour, x, y, blur }] : [];
  });
  if (!shadows.length && !outline) return undefined;
  // Of a list the first lies on top.
  const behindFirst = shadows.reverse();
  return (background) => {
    const beside = SIDES.map(([dx, dy]) =>
      behindFirst.reduce((below, { colour, x, y, blur }) => {
        const share = coverage(x * dx + y * dy, Math.abs(x * dy) + Math.abs(y * dx), blur / 2, stroke);
        return over({ ...colour, alpha: colour.alpha * share }, below);
      }, background),
    );
    // An outline lies between the letter and all of that.
    return outline ? beside.map((colour) => over(outline, colour)) : beside;
  };
}

const SIDES = [
  [0, -1],
  [1, 0],
  [0, 1],
  [-1, 0],
] as const;

/** How far out of a letter's edge is looked, in pixels. */
const BESIDE = 0.5;

/** How much of a shadow lies right beside a stroke of a letter, 0 to 1. */
function coverage(out: number, aside: number, sigma: number, stroke: number): number {
  // A stroke that is moved along itself by more than its width is beside the next letter, and not beside itself.
  if (aside > stroke * 4) return 0;
  if (sigma <= 0) return BESIDE < out && BESIDE > out - stroke ? 1 : 0;
  return belowOf((out - BESIDE) / sigma) - belowOf((out - stroke - BESIDE) / sigma);
}

/** An outline of at least a pixel that is not of the letters' own colour. */
export function outlineOf(style: ElementStyle): Rgba | undefined {
  if (!(Number.parseFloat(style.text('-webkit-text-stroke-width')) >= 1)) return undefined;
  const colour = style.colour('-webkit-text-stroke-color');
  return colour.alpha > 0 ? colour : undefined;
}
