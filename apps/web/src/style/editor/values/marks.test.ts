import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { markOf, markText, MARKS } from './marks';

describe('a mark that CSS puts beside something', () => {
  it('is read as it was written', () => {
    const mark = fc.oneof(
      fc.constantFrom(...MARKS).map((own) => `"${own}"`),
      fc.constantFrom('url("/a.svg")', 'url(/a.svg)', 'url("/a(1).svg")'),
    );
    const said = fc.option(fc.constantFrom('', 'next', 'a “b”'), { nil: undefined });
    fc.assert(
      fc.property(mark, said, (own, words) =>
        expect(markOf(markText(own, words))).toEqual({ mark: own, isPicture: own.startsWith('url'), said: words }),
      ),
    );
  });

  it.each(['none', 'normal', 'counter(item)', '"a" "b"', 'attr(title)', ''])('%s is no single mark', (value) =>
    expect(markOf(value)).toBeUndefined(),
  );
});
