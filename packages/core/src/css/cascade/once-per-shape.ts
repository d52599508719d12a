import { once } from '../../memo/once.js';
import type { ElementStyle } from './element-style.js';

/**
 * What is worked out once for a style, and for all styles that differ from it in colours alone.
 *
 * @param make must not ask for a colour, nor for what may hold one
 */
export function oncePerShape<V>(make: (style: ElementStyle) => V): (style: ElementStyle) => V {
  const of = once(make);
  return (style) => of(style.shape);
}
