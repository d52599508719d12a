import { oncePerShape } from '../css/cascade/once-per-shape.js';
import type { ElementStyle } from '../css/cascade/element-style.js';

const numbersIn = (text: string): number[] =>
  text
    .split(/[\s,]+/)
    .filter(Boolean)
    .map((word) => (word.endsWith('%') ? Number.parseFloat(word) / 100 : Number(word)));

/** How much a function of `transform` makes what it holds smaller or larger, in the direction in which it does so most. */
function scaleIn(name: string, inner: string): number {
  const values = numbersIn(inner);
  const [a = 1, b = 0, c = 0, d = 1] = values;
  if (name === 'matrix') return Math.min(Math.hypot(a, b), Math.hypot(c, d));
  if (/^scale3?d?$/.test(name)) return Math.min(Math.abs(a), Math.abs(values[1] ?? a));
  return /^scale[xy]$/.test(name) ? Math.min(1, Math.abs(a)) : 1;
}

function ownScale(style: ElementStyle): number {
  const own = style.text('scale');
  const zoom = numbersIn(style.text('zoom'))[0] ?? 1;
  let scale = own === 'none' ? 1 : Math.min(...numbersIn(own).slice(0, 2).map(Math.abs));
  for (const [, name = '', inner = ''] of style.text('transform').matchAll(/([a-z0-9]+)\(([^)]*)\)/gi))
    scale *= scaleIn(name.toLowerCase(), inner);
  return (Number.isFinite(scale) ? scale : 1) * (Number.isFinite(zoom) && zoom > 0 ? zoom : 1);
}

const scaleOf = oncePerShape(
  (style: ElementStyle): number => ownScale(style) * (style.parent ? scaleOf(style.parent) : 1),
);

/**
 * The size that text is drawn at, in CSS pixels, where a transform or zoom makes it smaller than its font size says. What
 * makes it larger does not count: it may be for a moment only.
 */
export const drawnSize = (style: ElementStyle): number => style.fontSize * Math.min(1, scaleOf(style));
