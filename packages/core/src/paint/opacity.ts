import type { ElementStyle } from '../css/cascade/element-style.js';

/** How much of an element and all that it holds is seen, 0 to 1. */
export function opacityOf(style: ElementStyle): number {
  const text = style.text('opacity');
  const value = Number.parseFloat(text);
  if (!Number.isFinite(value)) return 1;
  return Math.min(1, Math.max(0, text.trim().endsWith('%') ? value / 100 : value));
}
