import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { readColourList } from './colour-list.js';

const named = (text: string) => readColourList(text).map(({ name, css }) => [name, css]);

describe('a pasted list of colours', () => {
  it.each([
    ['Quay blue: #0b5563', [['Quay blue', '#0b5563']]],
    ['#0b5563 Quay blue', [['Quay blue', '#0b5563']]],
    ['  --quay-blue: #0B5563; /* ropes */', [['quay-blue', '#0b5563']]],
    ['$ink = rgb(20 30 40 / 50%)', [['ink', 'rgb(20 30 40 / 50%)']]],
    ['"sand": "oklch(0.9 0.05 90)",', [['sand', 'oklch(0.9 0.05 90)']]],
    ['#fff // paper', [['paper', '#fff']]],
    ['Red door #b3261e', [['Red door', '#b3261e']]],
    [
      'teal, Gold',
      [
        ['teal', 'teal'],
        ['gold', 'gold'],
      ],
    ],
    [
      '#111 #222, #333',
      [
        ['#111111', '#111'],
        ['#222222', '#222'],
        ['#333333', '#333'],
      ],
    ],
    [
      'one #111, two #222',
      [
        ['one', '#111'],
        ['two', '#222'],
      ],
    ],
    [
      '--a: #111; --b: #222;',
      [
        ['a', '#111'],
        ['b', '#222'],
      ],
    ],
    ['nothing here, #12 or #ggg, rgb(1)', []],
  ])('%s', (text, colours) => {
    expect(named(text)).toEqual(colours);
  });

  it('goes line by line', () => {
    expect(named('/* Ours */\nQuay: #0b5563\n\n- Sand — #f4ead7\n')).toEqual([
      ['Quay', '#0b5563'],
      ['Sand', '#f4ead7'],
    ]);
  });

  it('is read whatever it is, and finds each hex colour that stands by itself', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), fc.integer({ min: 0, max: 0xffffff }), (text, number) => {
        const hex = `#${number.toString(16).padStart(6, '0')}`;
        for (const { name, css } of readColourList(text)) expect(name && css).toBeTruthy();
        expect(named(`${text}\n${hex}\n`).at(-1)).toEqual([hex, hex]);
      }),
    );
  });

  it('takes no longer for a hostile text than for a list', () => {
    expect(readColourList('rgb('.repeat(50_000))).toEqual([]);
    expect(readColourList('a'.repeat(500_000))).toEqual([]);
  });
});
