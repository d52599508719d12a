import { describe, expect, it } from '@jest/globals';
import { lookSchema } from '@retoque/contract';
import { correctPart, EMPTY_LOOK, rowNamed, type EditingPlace, type SheetPart } from '@retoque/core';
import fc from 'fast-check';
import { readTyped } from '../grid/cell-problem';
import { requireKind } from './cells';
import { addException, removeException, setCells, toggleMuted } from './look-commands';
import { sameLook } from '../saving/unsaved';

const parts = [
  { name: 'card', carrier: 'card' },
  { name: 'heading', carrier: 'card' },
] as SheetPart[];
const at = (part: string, row: string, column: string) => ({ part, row, column });
const values = (row: string, text: string) => {
  const read = readTyped(rowNamed(row)!, text);
  return read.ok ? read.values : undefined;
};
const set = (look = EMPTY_LOOK, place: EditingPlace = {}, cell = at('heading', 'border', 'focus'), text = 'gold') =>
  setCells(look, [{ address: cell, values: values(cell.row, text) }], parts, place, rowNamed);

describe('cells', () => {
  it('set all properties of their row under the state of what carries it, and clear them again', () => {
    const look = set();
    expect(look.settings).toHaveLength(4);
    expect(new Set(look.settings.map((setting) => JSON.stringify(setting.when.states)))).toEqual(
      new Set([
        JSON.stringify([
          { part: 'card', state: 'focus' },
          { part: 'card', state: 'focus-visible' },
        ]),
      ]),
    );
    expect(lookSchema.safeParse(look).success).toBe(true);
    const cleared = setCells(
      look,
      [{ address: at('heading', 'border', 'focus'), values: undefined }],
      parts,
      {},
      rowNamed,
    );
    expect(cleared.settings).toEqual([]);
    expect(sameLook(structuredClone(look) as never, look as never)).toBe(true);
  });

  it('of another page, width, scheme or member are other cells', () => {
    const places: EditingPlace[] = [
      {},
      { viewport: 'narrow' },
      { scheme: 'dark' },
      { page: '6c3f9f0e-6d0f-4a5c-9d1e-0a4a3a1c7b11' },
      { exception: 'one' },
    ];
    const look = places.reduce((before, place) => set(before, place), EMPTY_LOOK);
    expect(look.settings).toHaveLength(4 * places.length);
    expect(lookSchema.safeParse(look).success).toBe(true);
  });

  it('are switched off together, and on again', () => {
    const look = set();
    const cell = [at('heading', 'border', 'focus')];
    const off = toggleMuted(look, cell, parts, {}, rowNamed)!;
    expect(off).toMatchObject({ muted: true });
    expect(off.look.muted).toHaveLength(4);
    expect(toggleMuted(off.look, cell, parts, {}, rowNamed)!.look.muted).toEqual([]);
    expect(toggleMuted(EMPTY_LOOK, cell, parts, {}, rowNamed)).toBeUndefined();
  });

  it('say which kind is not known', () => {
    expect(() => requireKind('teapot')).toThrow('teapot');
  });
});

describe('exceptions and parts', () => {
  it('an exception goes with its settings and takes nothing else along', () => {
    const with1 = addException(set(), { id: 'one', name: 'First', part: 'heading', members: ['#a'] });
    const look = set(with1, { exception: 'one' });
    expect(lookSchema.safeParse(look).success).toBe(true);
    expect(removeException(look, 'one')).toEqual({ ...set(), exceptions: [] });
  });

  it('a corrected part goes back to what was found', () => {
    const look = correctPart(EMPTY_LOOK, 'heading', '.card h4');
    expect(look.parts).toEqual({ heading: '.card h4' });
    expect(correctPart(look, 'heading', undefined)).toEqual(EMPTY_LOOK);
  });
});

describe('typed values', () => {
  it.each([
    ['text', 'red'],
    ['text', '#0b5563'],
    ['text', 'rgb(1 2 3 / 50%)'],
    ['text', 'color-mix(in oklab, red, blue)'],
    ['text', 'var(--x)'],
    ['padding', '1px 2px'],
    ['box-shadow', '0 1px 2px #0003, inset 0 0 3px red'],
    ['background-image', 'linear-gradient(90deg, red, blue 40%)'],
    ['transition-duration', '.2s, 300ms'],
  ])('%s takes %s', (row, text) => expect(readTyped(rowNamed(row)!, text)).toMatchObject({ ok: true }));

  it.each([
    ['text', 'blu'],
    ['text', '10px'],
    ['text', 'red; }'],
    ['text', '/* x */'],
    ['padding', 'wide'],
    ['opacity', 'half'],
    ['background-image', 'linear-gradient(red)) }'],
  ])('%s refuses %s, and says so', (row, text) => {
    const read = readTyped(rowNamed(row)!, text);
    expect(read).toMatchObject({ ok: false });
    expect(!read.ok && read.problem.length).toBeGreaterThan(10);
  });

  it('whatever is typed, what is taken can be stored', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('text', 'padding', 'box-shadow', 'content', 'font-family'),
        fc.string(),
        (key, text) => {
          const read = readTyped(rowNamed(key)!, text);
          if (!read.ok) return;
          const look = setCells(
            EMPTY_LOOK,
            [{ address: at('card', key, 'hover'), values: read.values }],
            parts,
            {},
            rowNamed,
          );
          expect(lookSchema.safeParse(look).success).toBe(true);
        },
      ),
    );
  });
});
