import { describe, expect, it } from '@jest/globals';
import { lookSchema } from '@retoque/contract';
import { EMPTY_LOOK, kindNamed } from '@retoque/core';
import { requireKind, setCell } from './cells';
import { colourProblem } from './colour-problem';
import { sameLook } from './unsaved';

const button = kindNamed('button')!;
const row = (key: string) => ({ part: 'button', ...button.parts[0]!.rows.find((item) => item.key === key)! });

describe('cells', () => {
  it('set all properties of their row in their state, and clear them again', () => {
    const set = setCell(EMPTY_LOOK, button, row('border'), 'focus', 'gold');
    expect(set.settings).toHaveLength(4);
    expect(new Set(set.settings.map((setting) => JSON.stringify(setting.when.states)))).toEqual(
      new Set([
        JSON.stringify([
          { part: 'button', state: 'focus' },
          { part: 'button', state: 'focus-visible' },
        ]),
      ]),
    );
    expect(lookSchema.safeParse(set).success).toBe(true);
    expect(setCell(set, button, row('border'), 'focus', undefined).settings).toEqual([]);
    expect(sameLook(structuredClone(set) as never, set as never)).toBe(true);
  });

  it('say which kind is not known', () => {
    expect(() => requireKind('teapot')).toThrow('teapot');
  });
});

describe('typed colours', () => {
  it.each([
    'red',
    '#0b5563',
    'rgb(1 2 3 / 50%)',
    'oklch(0.5 0.1 200)',
    'color-mix(in oklab, red, blue)',
    'currentcolor',
    'var(--x)',
  ])('%s is taken', (text) => expect(colourProblem(text)).toBeUndefined());
  it.each(['blu', '#12', '10px', 'red; }', 'red }', '/* x */'])('%s is named as wrong', (text) =>
    expect(colourProblem(text)).toBeTruthy(),
  );
});
