import {
  ACTIVE,
  CHECKED,
  closeBits,
  countOf,
  CURRENT,
  DISABLED,
  EXPANDED,
  FILLED,
  FOCUS,
  FOCUS_VISIBLE,
  FOCUS_WITHIN,
  HOVER,
  INVALID,
  isSubset,
  VISITED,
  type StateBits,
} from '../css/selector/states.js';

/** Atoms that a person or the page can bring about on a part. */
const REACHABLE = [VISITED, FILLED, CURRENT, EXPANDED, HOVER, FOCUS, FOCUS_VISIBLE, CHECKED, INVALID, ACTIVE, DISABLED];
/** What a disabled control is never in: it takes no focus and no press, and is barred from validation (HTML 4.10.18.5). */
const NEVER_DISABLED = FOCUS | FOCUS_VISIBLE | ACTIVE | INVALID;

/** Atoms with those that bring them about: `:focus-within` on a part follows from its own focus. */
export const withCauses = (atoms: StateBits): StateBits => atoms | (atoms & FOCUS_WITHIN ? FOCUS : 0);

/**
 * Every closed set over the atoms in play, by rising rank. What the atoms do not include never changes anything, so
 * leaving it out loses nothing.
 */
export function closedSets(inPlay: StateBits): StateBits[] {
  const wanted = withCauses(inPlay);
  const atoms = REACHABLE.filter((atom) => wanted & atom);
  const sets = new Set<StateBits>();
  for (let choice = 0; choice < 1 << atoms.length; choice++) {
    let bits = 0;
    atoms.forEach((atom, i) => {
      if (choice & (1 << i)) bits |= atom;
    });
    const closed = closeBits(bits);
    if (!(closed & DISABLED && closed & NEVER_DISABLED)) sets.add(closed);
  }
  return [...sets].sort((a, b) => a - b);
}

/** Of the sets that hold in a state, the one of highest rank. */
export function highestWithin<T>(entries: ReadonlyMap<StateBits, T>, state: StateBits): [StateBits, T] | undefined {
  let best: [StateBits, T] | undefined;
  for (const [bits, value] of entries) {
    if (isSubset(bits, state) && (!best || bits > best[0])) best = [bits, value];
  }
  return best;
}

/**
 * The smallest set, then the lowest in rank, in which the same thing wins as in `state`.
 *
 * @param sets the closed sets in play
 * @param winnerIn what wins in a set; compared by identity
 */
export function smallestWithSame<T>(
  state: StateBits,
  sets: readonly StateBits[],
  winnerIn: (bits: StateBits) => T,
): StateBits {
  const winner = winnerIn(state);
  let best = state;
  for (const bits of sets) {
    if (!isSubset(bits, state) || winnerIn(bits) !== winner) continue;
    if (countOf(bits) < countOf(best) || (countOf(bits) === countOf(best) && bits < best)) best = bits;
  }
  return best;
}
