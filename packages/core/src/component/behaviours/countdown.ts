import { kept, oneOf, where, ZONE, type Behaviour } from './behaviour.js';

/** Counts down to a moment, or from each visitor's first visit. */
export const COUNTING: Behaviour = {
  name: 'countdown',
  label: 'Counting down',
  rows: [
    oneOf('Counts', 'count', 'to-date from-first-visit'),
    kept('moment', 'Until', 'until', '', where('count', 'to-date')),
    ZONE,
    kept('span', 'Lasts', 'lasts', '', where('count', 'from-first-visit')),
    kept('units', 'Units', 'units', 'days hours minutes seconds'),
    oneOf('Leading zeros', 'zeros', 'on off'),
    oneOf('At the end', 'at-end', 'stay say-words hide'),
  ],
};
