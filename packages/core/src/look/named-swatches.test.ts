import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { namesThis, replaceSwatches } from './named-swatches.js';

const PIECES = [
  'swatch(sea)',
  'swatch( sea / 40% )',
  'swatch(foam)',
  '"swatch(sea)"',
  'url(swatch(sea',
  ' 0 1px ',
  '(',
  ')',
];

describe('swatches that a value names', () => {
  it('are found with their opacity, and not in strings and addresses', () => {
    const found: (string | undefined)[][] = [];
    replaceSwatches('"swatch(a)" swatch(sea / .4) url(x) swatch( foam )', ({ text, id, opacity }) => {
      found.push([text, id, opacity]);
      return text;
    });
    expect(found).toEqual([
      ['swatch(sea / .4)', 'sea', '.4'],
      ['swatch( foam )', 'foam', undefined],
    ]);
  });

  it('leave a value as it is where they are put back', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...PIECES)), (pieces) => {
        const value = pieces.join('');
        expect(replaceSwatches(value, ({ text }) => text)).toBe(value);
      }),
    );
  });

  it('are named no more once something else stands there', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...PIECES)), (pieces) => {
        const value = pieces.join(' ');
        const without = replaceSwatches(value, ({ text, id }) => (id === 'sea' ? '#0b5563' : text));
        expect(namesThis(without, 'sea')).toBe(false);
        expect(namesThis(without, 'foam')).toBe(namesThis(value, 'foam'));
      }),
    );
  });
});
