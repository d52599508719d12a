import { atomsOf, FOCUS, FOCUS_VISIBLE, type StateBits } from '../css/selector/states.js';

const PSEUDO: Readonly<Record<string, string>> = {
  link: ':link',
  visited: ':visited',
  hover: ':hover',
  focus: ':focus',
  'focus-visible': ':focus-visible',
  active: ':active',
  disabled: ':disabled',
};

/** The pseudo-classes of a set, without what others bring with them. */
export function pseudoClasses(bits: StateBits): string {
  const lean = bits & FOCUS_VISIBLE ? bits & ~FOCUS : bits;
  return atomsOf(lean)
    .map((atom) => PSEUDO[atom] ?? '')
    .join('');
}

/** States carry no weight, so that only their order decides between them. */
export const withStates = (selector: string, bits: StateBits): string => {
  const states = pseudoClasses(bits);
  return states ? `${selector}:where(${states})` : selector;
};

const NAMES: Readonly<Record<string, string>> = {
  current: 'current',
  hover: 'hover',
  focus: 'focus',
  'focus-visible': 'focus by keyboard',
  active: 'pressed',
  disabled: 'disabled',
  visited: 'visited',
  link: 'not visited',
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
