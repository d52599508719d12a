import { oneOf, type Behaviour } from './behaviour.js';

/** One panel at a time, chosen by pointer and keys. */
export const TABS_SWITCH: Behaviour = {
  name: 'tabs',
  label: 'Switching panels',
  rows: [oneOf('A tab is chosen', 'tabs-choose', 'by-arrows by-press')],
};
