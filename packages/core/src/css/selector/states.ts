/**
 * Atoms of interaction state. Their order here is the order of rank: a set of atoms ranks as the binary number whose
 * bits are its atoms, least first, so a larger set outranks its subsets and pressed outranks hover + focus.
 */
export const ATOMS = [
  'link',
  'visited',
  'filled',
  'current',
  'expanded',
  'hover',
  'focus',
  'focus-visible',
  'checked',
  'invalid',
  'active',
  'disabled',
] as const;
export type Atom = (typeof ATOMS)[number];

/** A set of atoms as bits; bit i is ATOMS[i]. The number is also the rank of the set. */
export type StateBits = number;

export const bitOf = (atom: Atom): StateBits => 1 << ATOMS.indexOf(atom);

export const LINK = bitOf('link');
export const VISITED = bitOf('visited');
export const FILLED = bitOf('filled');
export const CURRENT = bitOf('current');
export const EXPANDED = bitOf('expanded');
export const HOVER = bitOf('hover');
export const FOCUS = bitOf('focus');
export const FOCUS_VISIBLE = bitOf('focus-visible');
export const CHECKED = bitOf('checked');
export const INVALID = bitOf('invalid');
export const ACTIVE = bitOf('active');
export const DISABLED = bitOf('disabled');
/** Not an atom of its own: what ancestors of a focused element are in. */
export const FOCUS_WITHIN = 1 << ATOMS.length;

/** Atoms that the markup carries, by an attribute or a class; the others come from pointer, keyboard and history. */
export const CARRIED_ATOMS = ['filled', 'current', 'expanded', 'checked', 'invalid', 'disabled'] as const;
export type CarriedAtom = (typeof CARRIED_ATOMS)[number];
export const CARRIED: StateBits = CARRIED_ATOMS.reduce((bits, atom) => bits | bitOf(atom), 0);

export const bitsOf = (atoms: Iterable<Atom>): StateBits => {
  let bits = 0;
  for (const atom of atoms) bits |= bitOf(atom);
  return bits;
};

export const atomsOf = (bits: StateBits): Atom[] => ATOMS.filter((atom) => bits & bitOf(atom));

/** Closes a set: focus-visible brings focus; visited excludes link. */
export const closeBits = (bits: StateBits): StateBits => {
  let closed = bits;
  if (closed & FOCUS_VISIBLE) closed |= FOCUS;
  if (closed & VISITED) closed &= ~LINK;
  return closed;
};

export const isSubset = (a: StateBits, b: StateBits): boolean => (a & ~b) === 0;

/** How many atoms a state set holds. */
export const countOf = (bits: StateBits): number => {
  let left = bits;
  let n = 0;
  for (; left; left &= left - 1) n++;
  return n;
};
