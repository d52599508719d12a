import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { needsAround, needsOf } from '../cascade/ancestor-filter.js';
import { keyOf } from '../cascade/placed-rule.js';
import { parseSheet } from '../sheet/parse-sheet.js';
import { compileText, InvalidSelectorError } from './match.js';
import { readPlainList } from './plain-list.js';

const require = createRequire(import.meta.url);

/** What a list asks of names, as its compiled selectors say; undefined where it is invalid. */
function compiled(text: string) {
  try {
    return compileText(text).map((selector) => ({ key: keyOf(selector.compounds.at(-1)!), needs: needsOf(selector) }));
  } catch (error) {
    if (error instanceof InvalidSelectorError) return undefined;
    throw error;
  }
}

const plain = (text: string) =>
  readPlainList(text)?.map(({ last, around }) => ({ key: keyOf(last), needs: needsAround(around) }));

describe('a plain list of selectors', () => {
  it.each(['bootstrap/dist/css/bootstrap.css', 'bulma/css/bulma.css'])(
    'asks the names that its compiled selectors ask, all through %s',
    (path) => {
      const { written } = parseSheet('s', readFileSync(require.resolve(path), 'utf8'));
      const texts = [...new Set(written.map(({ head }) => head.text))];
      // What only other browsers know is dropped whole, and may be taken for plain.
      const read = texts.filter((text) => plain(text) && compiled(text));
      for (const text of read) expect({ text, asks: plain(text) }).toEqual({ text, asks: compiled(text) });
      // Most of a real sheet is plain, else nothing would be gained.
      expect(read.length / texts.length).toBeGreaterThan(0.6);
    },
  );

  const compound = fc
    .tuple(
      fc.constantFrom('', '', 'a', 'LI', '*', 'my-tag'),
      fc.array(
        fc.constantFrom(
          '.b',
          '.c-1',
          '#d',
          ':hover',
          '::before',
          ':not(.x, :has(> .y))',
          '[title="] .z"]',
          '[x]',
          ':nth-child(2n + 1)',
          '.-e',
          '._f',
          ':first-line',
        ),
        {
          maxLength: 3,
        },
      ),
    )
    .map(([tag, rest]) => tag + rest.join(''));
  const list = fc
    .array(fc.tuple(compound, fc.constantFrom(' ', ' > ', '>', '+', ' ~ ', ', ', ',', '\n')), {
      minLength: 1,
      maxLength: 6,
    })
    .map((pieces) => pieces.map(([text, sign], i) => (i === pieces.length - 1 ? text : text + sign)).join(''));

  it('asks the same as compiled, or is none, or is dropped', () => {
    fc.assert(
      fc.property(list, (text) => {
        const [asked, wanted] = [plain(text), compiled(text)];
        if (asked && wanted) expect(asked).toEqual(wanted);
      }),
      { numRuns: 500 },
    );
  });

  it.each([':is(.a, .b)', '[href]', '.a\\:b', '*', ':hover', '.a /* b */ .c', '& .a', 'svg|a', '.a || .b', ''])(
    'is none where more than names has to be looked at: %s',
    (text) => expect(readPlainList(text)).toBeUndefined(),
  );
});
