import { lookup } from '../base/lookup.js';
import { atomsOf, bitsOf, closeBits, FOCUS, FOCUS_VISIBLE, type Atom, type StateBits } from '../css/selector/states.js';
import type { StateColumn } from './state-column.js';

const column = (
  name: string,
  label: string,
  pseudo: string,
  atoms: readonly Atom[],
  shown: readonly Atom[] = atoms,
): StateColumn => ({ name, label, pseudo, atoms, shown });

/** The columns that kinds name; what pointers and keys bring about together is shown together. */
export const STATE_COLUMNS = {
  default: column('default', 'Default', '', []),
  hover: column('hover', 'Hover', ':hover', ['hover']),
  focus: column('focus', 'Focus', ':focus-visible', ['focus', 'focus-visible']),
  pressed: column('pressed', 'Pressed', ':active', ['active'], ['hover', 'active']),
  visited: column('visited', 'Visited', ':visited', ['visited']),
  current: column('current', 'Current', 'current', ['current']),
  'current+hover': column('current+hover', 'Current + hover', 'current:hover', ['current', 'hover']),
  expanded: column('expanded', 'Open', 'open', ['expanded']),
  filled: column('filled', 'Filled', ':not(:placeholder-shown)', ['filled']),
  checked: column('checked', 'Checked', ':checked', ['checked']),
  invalid: column('invalid', 'Invalid', ':user-invalid', ['invalid']),
  disabled: column('disabled', 'Disabled', ':disabled', ['disabled']),
} as const satisfies Readonly<Record<string, StateColumn>>;
export type StateName = keyof typeof STATE_COLUMNS;

/** The states of anything that can be pointed at, reached by keyboard and pressed. */
export const POINTED: readonly StateName[] = ['default', 'hover', 'focus', 'pressed'];
export const STILL: readonly StateName[] = ['default'];

const LABELS: Readonly<Record<Atom, string>> = lookup({
  link: 'Not visited',
  visited: 'Visited',
  filled: 'Filled',
  current: 'Current',
  expanded: 'Open',
  hover: 'Hover',
  focus: 'Focus',
  'focus-visible': 'Focus by keyboard',
  checked: 'Checked',
  invalid: 'Invalid',
  active: 'Pressed',
  disabled: 'Disabled',
});

export const setBits = (state: StateColumn): StateBits => closeBits(bitsOf(state.atoms));
export const shownBits = (state: StateColumn): StateBits => closeBits(bitsOf(state.shown));

/** A set of atoms in which focus by keyboard is simply focus. */
const lean = (bits: StateBits): Atom[] => atomsOf(bits & FOCUS_VISIBLE ? bits & ~FOCUS : bits);

/** The column of a set of atoms: one of the named ones, or one made of their names. */
export function columnFor(bits: StateBits): StateColumn {
  const closed = closeBits(bits);
  for (const known of Object.values(STATE_COLUMNS)) if (setBits(known) === closed) return known;
  const atoms = lean(closed);
  const words = atoms.map((atom) => (atom === 'focus-visible' ? 'focus' : LABELS[atom].toLowerCase()));
  const text = words.join(' + ');
  const all = atomsOf(closed);
  return {
    name: atoms.join('+'),
    label: text[0]!.toUpperCase() + text.slice(1),
    pseudo: '',
    atoms: all,
    shown: all,
  };
}

/** The column that a name stands for; undefined when an atom in it is not known. */
export function columnNamed(name: string): StateColumn | undefined {
  if (Object.hasOwn(STATE_COLUMNS, name)) return STATE_COLUMNS[name as StateName];
  let bits = 0;
  for (const word of name.split('+')) {
    if (!(word in LABELS)) return undefined;
    bits |= closeBits(bitsOf([word as Atom]));
  }
  return columnFor(bits);
}
