import type { ElementStyle } from '../css/cascade/element-style.js';
import { inset, type Box } from '../page/box.js';
import { readShadows, type Shadow } from '../value/shadow.js';
import { paddingBox } from './boxes.js';
import type { Fill } from './fill.js';
import { around, blurredFills, lengthsOf } from './shadow-shape.js';

/** So many standard deviations from its edge next to nothing is left of a blurred shadow: under a thousandth. */
const REACH = 3.1;
/** Wider than this in pixels a shadow inside may lie under text, and not only at the rim. */
const NARROW = 12;

const isWide = ({ x, y, blur, spread }: Shadow): boolean =>
  [x, y, blur, spread].some((length) => Math.abs(Number.parseFloat(length || '0')) > NARROW);

/**
 * Shadows inside a box: all of its padding box but a hole, with a sharp or a blurred edge. Source: CSS Backgrounds 3,
 * section 6; a blurred one as a Gaussian over a box with straight corners.
 */
export function insetShadows(style: ElementStyle, box: Box | undefined, tag: string): Fill[] {
  const text = style.text('box-shadow');
  if (text === 'none' || !text.includes('inset')) return [];
  const shadows = (readShadows(text) ?? []).filter((shadow) => shadow.inset).reverse();
  if (!box) {
    const why = `A shadow inside ${tag} may lie behind, and where, only geometry tells.`;
    return shadows.some(isWide) ? [{ kind: 'unknown', why, box }] : [];
  }
  const padding = paddingBox(style, box);
  return shadows.flatMap((shadow): Fill[] => {
    const found = lengthsOf(shadow);
    if (!found) return [];
    const { colour, x, y, blur, spread } = found;
    const hole = inset(padding, [spread, spread, spread, spread]);
    const shape = { colour, box: { ...hole, x: hole.x + x, y: hole.y + y }, sigma: blur / 2 };
    if (!blur) return [{ kind: 'solid', colour, box: padding, hole: shape.box }];
    const far = REACH * shape.sigma;
    return blurredFills(shape, padding, around(padding, inset(shape.box, [far, far, far, far])), true);
  });
}
