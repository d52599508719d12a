import { bitsOf, closeBits, type Atom, type StateBits } from './states.js';
import { lookup } from '../../base/lookup.js';

/** States as people name them: what a pointer or keyboard brings about together. */
const NAMED: Readonly<Record<string, readonly Atom[]>> = lookup({
  default: [],
  hover: ['hover'],
  focus: ['focus', 'focus-visible'],
  active: ['hover', 'active'],
  visited: ['visited'],
  disabled: ['disabled'],
});

export const STATE_NAMES: readonly string[] = Object.keys(NAMED);

export class UnknownStateError extends Error {
  override readonly name = 'UnknownStateError';
}

export interface NamedState {
  readonly name: string;
  readonly bits: StateBits;
}

/**
 * Reads a state or a set of them, written with `+`. `focus` is focus by keyboard, `active` is hovered and pressed.
 *
 * @throws UnknownStateError naming what is not known
 */
export function readState(name: string): NamedState {
  const atoms = name.split('+').flatMap((part) => {
    const known = NAMED[part.trim()];
    if (!known)
      throw new UnknownStateError(`No state is called "${part.trim()}". There are ${STATE_NAMES.join(', ')}.`);
    return known;
  });
  return { name, bits: closeBits(bitsOf(atoms)) };
}
