import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { ACTIVE, atomsOf, FOCUS, FOCUS_VISIBLE, HOVER, isSubset } from '../css/selector/states.js';
import { closedSets, highestWithin, smallestWithSame } from './lattice.js';
import { changeLook, EMPTY_LOOK, settingKey, statesOf } from './model.js';

describe('state sets', () => {
  it('are the closed ones, by rising rank', () => {
    const sets = closedSets(HOVER | FOCUS_VISIBLE | FOCUS | ACTIVE);
    expect(sets).toEqual([...sets].sort((a, b) => a - b));
    for (const bits of sets) if (bits & FOCUS_VISIBLE) expect(bits & FOCUS).toBeTruthy();
    expect(sets).toHaveLength(2 * 3 * 2);
  });

  it('outrank their subsets, and pressed outranks hover and focus together', () => {
    const sets = closedSets(HOVER | FOCUS_VISIBLE | FOCUS | ACTIVE);
    for (const a of sets) for (const b of sets) if (a !== b && isSubset(a, b)) expect(b).toBeGreaterThan(a);
    expect(ACTIVE).toBeGreaterThan(HOVER | FOCUS | FOCUS_VISIBLE);
  });

  it('give a value to the smallest set in which it wins', () => {
    const sets = closedSets(HOVER | ACTIVE);
    const winner = (bits: number) => (bits & HOVER ? 'hover' : 'default');
    expect(smallestWithSame(HOVER | ACTIVE, sets, winner)).toBe(HOVER);
    expect(smallestWithSame(ACTIVE, sets, winner)).toBe(0);
    expect(
      highestWithin(
        new Map([
          [0, 'a'],
          [HOVER, 'b'],
          [ACTIVE, 'c'],
        ]),
        HOVER | ACTIVE,
      ),
    ).toEqual([ACTIVE, 'c']);
  });
});

describe('looks', () => {
  const cell = (state: 'hover' | 'active', value: string | undefined) => ({
    part: 'button',
    property: 'color',
    when: { states: statesOf('button', [state]) },
    value,
  });

  it('hold one value a cell, and clearing takes it away', () => {
    const once = changeLook(EMPTY_LOOK, [cell('hover', 'red'), cell('active', 'blue')]);
    const twice = changeLook(once, [cell('hover', 'green')]);
    expect(twice.settings.map((setting) => setting.value).sort()).toEqual(['blue', 'green']);
    expect(changeLook(twice, [cell('hover', undefined), cell('active', undefined)]).settings).toEqual([]);
    expect(once.settings).toHaveLength(2);
  });

  it('know a cell by its states in any order', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(atomsOf(HOVER | FOCUS | ACTIVE)), (atoms) => {
        const key = (list: typeof atoms) =>
          settingKey({ part: 'p', property: 'color', when: { states: list.map((state) => ({ part: 'p', state })) } });
        expect(key(atoms)).toBe(key([...atoms].reverse()));
      }),
    );
  });
});
