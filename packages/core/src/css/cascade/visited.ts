import { once } from '../../memo/once.js';
import { toCssRgb } from '../../colour/print.js';
import type { Rgba } from '../../colour/rgba.js';
import { VISITED } from '../selector/states.js';
import type { ForcedStates } from '../selector/forced.js';

/**
 * All that rules for visited links may change, so that pages learn nothing of where somebody has been (CSS 2.1, section
 * 5.11.2, leaves this to browsers; the list is the one that they share).
 */
const DEPENDING: ReadonlySet<string> = new Set([
  'color',
  'background-color',
  'border-top-color',
  'border-right-color',
  'border-bottom-color',
  'border-left-color',
  'outline-color',
  'column-rule-color',
  'text-decoration-color',
  'text-emphasis-color',
  'caret-color',
  'fill',
  'stroke',
]);

/** True for what rules for visited links may set. */
export const dependsOnHistory = (property: string): boolean => DEPENDING.has(property);

/**
 * A colour of a visited link as it is painted: as opaque as where the link was not visited; a ground that is wholly
 * transparent counts as none, so the unvisited one stays.
 *
 * @returns undefined where the unvisited colour stays
 */
export function mixedWith(unvisited: Rgba, visited: Rgba, property: string): string | undefined {
  if (property === 'background-color' && toCssRgb(visited) === 'rgba(0, 0, 0, 0)') return undefined;
  return toCssRgb({ ...visited, alpha: unvisited.alpha });
}

/** The same states, but that no link was visited. */
export const withoutHistory = once((forced: ForcedStates): ForcedStates => {
  const bits = new Map([...forced.bits].map(([element, own]) => [element, own & ~VISITED]));
  return { ...forced, bits, union: forced.union & ~VISITED };
});
