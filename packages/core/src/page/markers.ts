import { OPENED_STATES } from '../css/selector/opened.js';
import { atomsOf, FOCUS_WITHIN, INVALID, type StateBits } from '../css/selector/states.js';

/** Attribute that stands for a state in still frames; of the same specificity as the pseudo-class it replaces. */
export const markerOf = (state: string): string => `data-rq-${state}`;

/** The same for a state of the element's pseudo-elements. */
export const partMarkerOf = (state: string): string => `data-rq-part-${state}`;

/** Pseudo-classes that a marker replaces. The others are real in a frame's document. */
export const MARKED_STATES: ReadonlySet<string> = new Set([
  'hover',
  'active',
  'focus',
  'focus-visible',
  'focus-within',
  'visited',
  'invalid',
  'user-invalid',
  'valid',
  'user-valid',
  ...OPENED_STATES,
]);

/** Attributes to put on an element that is in these states. */
export function markersFor(bits: StateBits): string[] {
  const names: string[] = atomsOf(bits).filter((atom) => MARKED_STATES.has(atom));
  if (bits & FOCUS_WITHIN) names.push('focus-within');
  if (bits & INVALID) names.push('user-invalid');
  return names.map(markerOf);
}

/** Attributes to put on an element whose pseudo-elements are in these states. */
export const partMarkersFor = (bits: StateBits): string[] =>
  atomsOf(bits)
    .filter((atom) => MARKED_STATES.has(atom))
    .map(partMarkerOf);

/** Attribute that carries an element's place in the parse, so that the page outside can find it in a frame. */
export const ORDER_ATTRIBUTE = 'data-rq-order';

/**
 * What the browser's own sheet does in a state, as rules of no weight in a first layer, since the real pseudo-classes
 * are not in force in a still frame.
 */
export const STATE_BASICS = `@layer retoque-browser {
:where([${markerOf('focus-visible')}]) { outline: auto 1px -webkit-focus-ring-color }
:where(a[href][${markerOf('visited')}]) { color: VisitedText }
:where(a[href][${markerOf('active')}]) { color: ActiveText }
:where([popover][${markerOf('popover-open')}]) { display: block }
}`;
