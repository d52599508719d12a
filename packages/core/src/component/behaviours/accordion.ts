import { oneOf, type Behaviour } from './behaviour.js';

/** How many sections may be open together. */
export const ACCORDION_OPEN: Behaviour = {
  name: 'accordion',
  label: 'One section at a time',
  rows: [oneOf('Sections open', 'sections-open', 'any one')],
};
