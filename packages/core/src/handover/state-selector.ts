import type { FoundPart } from '../component/parts.js';
import { asOneSelector } from '../css/selector/weight.js';
import { atomsOf, CARRIED_ATOMS, FOCUS, FOCUS_VISIBLE, type Atom, type StateBits } from '../css/selector/states.js';

const PSEUDO: Readonly<Partial<Record<Atom, string>>> = {
  link: ':link',
  visited: ':visited',
  hover: ':hover',
  focus: ':focus',
  'focus-visible': ':focus-visible',
  active: ':active',
};

const isCarried = (atom: Atom): atom is (typeof CARRIED_ATOMS)[number] =>
  (CARRIED_ATOMS as readonly Atom[]).includes(atom);

/** How the part's carriers say that they are in an atom's state; several ways where they differ. */
function selectorOfAtom(part: FoundPart, atom: Atom): string {
  if (!isCarried(atom)) return PSEUDO[atom] ?? '';
  const ways = [...new Set(part.subjects.flatMap((subject) => subject.states.selector(atom) ?? []))];
  if (ways.length === 1 && !ways[0]!.includes(' ')) return ways[0]!;
  return ways.length ? `:is(${ways.join(', ')})` : '';
}

/** The states of a set as one compound, without what others bring with them. */
function stateCompound(part: FoundPart, bits: StateBits): string {
  const lean = bits & FOCUS_VISIBLE ? bits & ~FOCUS : bits;
  return atomsOf(lean)
    .map((atom) => selectorOfAtom(part, atom))
    .join('');
}

/** A part's selector in a set of states. They carry no weight, so that only their order decides between them. */
export function withStates(part: FoundPart, base: string, bits: StateBits): string {
  const pseudo = part.part.pseudo === undefined ? '' : `::${part.part.pseudo}`;
  const states = stateCompound(part, bits);
  if (!states) return base + pseudo;
  // After a pseudo-element browsers read :where() as a question about its element, so here the states stand by
  // themselves. The weight that they bring grows with the set, as the rank does.
  if (part.part.ownPseudoStates) return base + pseudo + states;
  if (part.relation === 'self' || !part.carrier) return `${base}:where(${states})${pseudo}`;
  const carrier = asOneSelector(part.carrier.selector).text;
  return `${base}:where(${carrier}${states} ${part.relation === 'ancestor' ? '' : '~ '}*)${pseudo}`;
}

const NAMES: Readonly<Record<Atom, string>> = {
  link: 'not visited',
  visited: 'visited',
  filled: 'filled',
  current: 'current',
  expanded: 'open',
  hover: 'hover',
  focus: 'focus',
  'focus-visible': 'focus by keyboard',
  checked: 'checked',
  invalid: 'invalid',
  active: 'pressed',
  disabled: 'disabled',
};

/** A set in plain words: "hover + focus". */
export function stateWords(bits: StateBits): string {
  const lean = bits & FOCUS_VISIBLE ? bits & ~FOCUS : bits;
  return (
    atomsOf(lean)
      .map((atom) => NAMES[atom])
      .join(' + ') || 'default'
  );
}
