import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { isCostlyPattern, matchesPattern } from './pattern.js';

describe("an owner's pattern", () => {
  it.each(['(a+)+$', '(a|a)*$', '(a*)*b', '([a-z]+)*\\d', '(.*)(.*)(.*)(.*)x', '(\\w+\\s?)+!'])(
    'is matched quickly, whatever it says: %s',
    (pattern) => {
      // With a backtracking engine some of these would take longer than the universe is old.
      expect(matchesPattern(pattern, `${'a'.repeat(60)}?`)).toBe(false);
    },
  );

  it('says what the expression of the language says, where that is quick', () => {
    const piece = fc.constantFrom('a', 'b', '[ab]', '[^a]', '\\d', '.', 'a?', 'b{1,2}', '(?:ab)?', '(?:a|b)', '[a-b]+');
    const value = fc.string({ unit: fc.constantFrom('a', 'b', '1', ' '), maxLength: 12 });
    fc.assert(
      fc.property(fc.array(piece, { minLength: 1, maxLength: 4 }), value, (pieces, text) => {
        const pattern = pieces.join('');
        expect(matchesPattern(pattern, text)).toBe(new RegExp(`^(?:${pattern})$`, 'v').test(text));
      }),
    );
  });

  it('says the same where another engine is asked', () => {
    fc.assert(
      fc.property(fc.nat(6), fc.nat(6), fc.constantFrom('', 'c'), (as, bs, end) => {
        const text = `${'a'.repeat(10 + as)}${'b'.repeat(10 + bs)}${end}`;
        expect(isCostlyPattern('a*b*', text)).toBe(true);
        expect(matchesPattern('a*b*', text)).toBe(end === '');
      }),
    );
  });

  it('is ignored where it is no expression, as browsers do', () => {
    expect(matchesPattern('(', 'a')).toBeUndefined();
  });

  it.each([
    ['[0-9]{3}', false],
    ['[A-Za-z ]+', false],
    ['\\d{5}(-\\d{4})?', false],
    ['[^@]+@[^@]+', true],
    ['(a+)+', true],
    ['(ab){2,}', true],
    ['(a)\\1', true],
  ])('%s is costly over a long value: %s', (pattern, costly) => {
    expect(isCostlyPattern(pattern, 'x'.repeat(40))).toBe(costly);
    expect(isCostlyPattern(pattern, 'x')).toBe(false);
  });
});
