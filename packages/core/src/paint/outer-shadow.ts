import type { ElementStyle } from '../css/cascade/element-style.js';
import { oncePerShape } from '../css/cascade/once-per-shape.js';
import { inset, isEmpty, type Box } from '../page/box.js';
import { readShadows } from '../value/shadow.js';
import type { Fill } from './fill.js';
import { around, blurredFills, lengthsOf, type ShadowLengths } from './shadow-shape.js';

/** What changes a channel by less than this, of 1, is not seen: half of what a screen tells apart. */
const UNSEEN = 0.5 / 255;

/** The shadows that an element throws around it, the lowest first; none where its edges are not those of its box. */
const thrown = (style: ElementStyle): readonly ShadowLengths[] => {
  const text = style.text('box-shadow');
  if (text === 'none') return [];
  return (readShadows(text) ?? []).flatMap((shadow) => (shadow.inset ? [] : (lengthsOf(shadow) ?? []))).reverse();
};

/** How many pixels beyond its edge a blurred shadow is seen: where less than half a step of a screen is left of it. */
function tailOf({ colour, blur }: ShadowLengths): number {
  const sigma = blur / 2;
  // A Gaussian's tail (Mill's bound), which is never less than what is left.
  for (let far = 0; far < 4; far += 0.1)
    if (colour.alpha * Math.exp((-far * far) / 2) * 0.5 < UNSEEN) return far * sigma;
  return 4 * sigma;
}

export const grown = (box: Box, by: number): Box => inset(box, [-by, -by, -by, -by]);

const shapeOf = ({ x, y, spread }: ShadowLengths, box: Box): Box => {
  const own = grown(box, spread);
  return { ...own, x: own.x + x, y: own.y + y };
};

/** How far the shadows of an element reach beyond its box, in pixels; undefined where it throws none. */
export const shadowReach = oncePerShape((style: ElementStyle): number | undefined => {
  const reaches = thrown(style).map((own) => own.spread + tailOf(own) + Math.max(Math.abs(own.x), Math.abs(own.y)));
  return reaches.length ? Math.max(0, ...reaches) : undefined;
});

/**
 * Shadows that a box throws around it; nothing of them is drawn under the box itself. Source: CSS Backgrounds 3, section 6;
 * a blurred one as a Gaussian over a box with straight corners.
 */
export function outerShadows(style: ElementStyle, box: Box): Fill[] {
  return thrown(style).flatMap((own): Fill[] => {
    const shape = shapeOf(own, box);
    if (isEmpty(shape)) return [];
    const { colour, blur } = own;
    if (!blur) return [{ kind: 'solid', colour, box: shape, hole: box }];
    const all = grown(shape, tailOf(own));
    return blurredFills({ colour, box: shape, sigma: blur / 2 }, all, around(all, box), false);
  });
}
