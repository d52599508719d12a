import { atomsOf, FOCUS_WITHIN, type StateBits } from '../css/selector/states.js';

/** Attribute that stands for a state in still frames; of the same specificity as the pseudo-class it replaces. */
export const markerOf = (state: string): string => `data-rq-${state}`;

/** Pseudo-classes that a marker replaces. The others are real in a frame's document. */
export const MARKED_STATES: ReadonlySet<string> = new Set([
  'hover',
  'active',
  'focus',
  'focus-visible',
  'focus-within',
]);

/** Attributes to put on an element that is in these states. */
export function markersFor(bits: StateBits): string[] {
  const names = atomsOf(bits).filter((atom) => MARKED_STATES.has(atom));
  return [...names, ...(bits & FOCUS_WITHIN ? ['focus-within'] : [])].map(markerOf);
}

/** Attribute that carries an element's place in the parse, so that the page outside can find it in a frame. */
export const ORDER_ATTRIBUTE = 'data-rq-order';

/**
 * What the browser's own sheet does in a state, as rules of no weight in a first layer, since the real pseudo-classes
 * are not in force in a still frame.
 */
export const STATE_BASICS = `@layer retoque-browser {
:where([${markerOf('focus-visible')}]) { outline: auto 1px -webkit-focus-ring-color }
:where(a[href][${markerOf('active')}]) { color: ActiveText }
}`;
