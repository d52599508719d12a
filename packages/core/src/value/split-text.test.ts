import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { spacedTerms, splitOutside, writtenFunctions } from './split-text.js';

describe('splitting a text outside of parentheses', () => {
  it('keeps what stands inside together', () => {
    expect(spacedTerms('  calc(1px + 2%)   50% ')).toEqual(['calc(1px + 2%)', '50%']);
    expect(splitOutside('a, b(c, d), e', (character) => character === ',')).toEqual(['a', ' b(c, d)', ' e']);
    expect(spacedTerms('')).toEqual([]);
  });

  it('gives back all there is but separators', () => {
    const text = fc.string({ unit: fc.constantFrom('a', ' ', '(', ')', '1'), maxLength: 40 });
    fc.assert(
      fc.property(text, (own) => {
        const bare = (all: string) => all.replaceAll(' ', '');
        expect(bare(spacedTerms(own).join(''))).toBe(bare(own));
      }),
    );
  });

  it('reads functions one after the other', () => {
    expect(writtenFunctions('blur(2px) drop-shadow(0 0 rgb(0 0 0 / 20%)) none')).toEqual([
      { name: 'blur', argument: '2px' },
      { name: 'drop-shadow', argument: '0 0 rgb(0 0 0 / 20%)' },
    ]);
  });
});
