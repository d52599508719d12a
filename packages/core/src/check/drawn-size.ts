import { oncePerShape } from '../css/cascade/once-per-shape.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import { readFunctions, type ValueFunction } from '../value/functions.js';
import { spacedTerms } from '../value/split-text.js';

const numberOf = (text: string): number => (text.endsWith('%') ? Number.parseFloat(text) / 100 : Number(text));
const numbersIn = (text: string): number[] => spacedTerms(text).map(numberOf);

/** How much a function of `transform` makes what it holds smaller or larger, in the direction in which it does so most. */
function scaleIn({ name, given }: ValueFunction): number {
  const [a = 1, b = 0, c = 0, d = 1] = given.map(numberOf);
  const word = name.toLowerCase();
  if (word === 'matrix') return Math.min(Math.hypot(a, b), Math.hypot(c, d));
  if (word === 'scale' || word === 'scale3d') return Math.min(Math.abs(a), Math.abs(given.length > 1 ? b : a));
  return word === 'scalex' || word === 'scaley' ? Math.min(1, Math.abs(a)) : 1;
}

function ownScale(style: ElementStyle): number {
  const own = style.text('scale');
  const zoom = numberOf(style.text('zoom'));
  let scale = own === 'none' ? 1 : Math.min(...numbersIn(own).slice(0, 2).map(Math.abs));
  for (const item of readFunctions(style.text('transform')) ?? []) scale *= scaleIn(item);
  return (Number.isFinite(scale) ? scale : 1) * (zoom > 0 ? zoom : 1);
}

const scaleOf = oncePerShape(
  (style: ElementStyle): number => ownScale(style) * (style.parent ? scaleOf(style.parent) : 1),
);

/**
 * The size that text is drawn at, in CSS pixels, where a transform or zoom makes it smaller than its font size says. What
 * makes it larger does not count: it may be for a moment only.
 */
export const drawnSize = (style: ElementStyle): number => style.fontSize * Math.min(1, scaleOf(style));
