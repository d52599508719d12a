import type { StateColumn } from './kind.js';

/** The states of anything that can be pointed at, reached by keyboard and pressed. */
export const POINTED_STATES: readonly StateColumn[] = [
  { name: 'default', label: 'Default', pseudo: '', atoms: [], shown: [] },
  { name: 'hover', label: 'Hover', pseudo: ':hover', atoms: ['hover'], shown: ['hover'] },
  {
    name: 'focus',
    label: 'Focus',
    pseudo: ':focus-visible',
    atoms: ['focus', 'focus-visible'],
    shown: ['focus', 'focus-visible'],
  },
  { name: 'pressed', label: 'Pressed', pseudo: ':active', atoms: ['active'], shown: ['hover', 'active'] },
];
