import { describe, expect, it } from '@jest/globals';
import { parse as reference, generate } from 'css-tree';
import fc from 'fast-check';
import { MAX_BRACKETS, parse, tooDeepSpans, withinBrackets } from './parser.js';

const nested = (open: string, close: string, times: number, inner = '') =>
  open.repeat(times) + inner + close.repeat(times);
/** Brackets of all sorts, within texts and comments too, where they open nothing. */
const piece = fc.constantFrom(
  '(',
  ')',
  '[',
  ']',
  '{',
  '}',
  'calc(',
  'url(/*)',
  '"(("',
  "'\\'('",
  '/*((*/',
  'a',
  ' ',
  '\n',
  ';',
);

describe('brackets that nest too deep', () => {
  it('are blanked with all that is in them, and nothing else moves', () => {
    const css = `a { b: ${nested('calc(', ')', 200, '1px')}; }\nc { d: e }`;
    const bounded = withinBrackets(css);
    expect(bounded).toHaveLength(css.length);
    expect(bounded).toMatch(/c \{ d: e \}$/);
    // Nothing is left of the value, so that nothing tries to read what is left of it.
    expect(bounded).not.toContain('calc');
    expect(tooDeepSpans(bounded)).toEqual([]);
  });

  it.each([
    nested('@media all{', '}', 5000),
    nested('@supports (not ', ')', 5000),
    `a{color:${nested('color-mix(in srgb, red, ', ')', 5000, 'blue')}}`,
    `${nested(':not(', ')', 5000, 'a')}{color:red}`,
    '('.repeat(100_000),
    '{['.repeat(100_000),
  ])('are no trouble to read', (css) => {
    expect(() => parse(css, { onParseError: () => undefined })).not.toThrow();
  });

  it('leave what nests less as it is', () => {
    const css = `a{width:${nested('calc(', ')', MAX_BRACKETS - 1, '1px')}}`;
    expect(withinBrackets(css)).toBe(css);
    const mix = `a{color:${nested('color-mix(in srgb, red, ', ')', 8, 'blue')}}`;
    expect(withinBrackets(mix)).toBe(mix);
  });

  it('are fewer for mixed colours, which Chromium reads in ever more ways', () => {
    const css = `a{color:${nested('color-mix(in srgb, red, ', ')', 30, '')};top:0}`;
    expect(withinBrackets(css)).toMatch(/^a\{color: +;top:0\}$/);
  });

  it('multiply where each rule has several selectors', () => {
    const css = `${'a,b{'.repeat(25)}top:0${'}'.repeat(25)}`;
    expect(withinBrackets(css)).not.toContain('top:0');
    const few = `${'a,b{'.repeat(10)}top:0${'}'.repeat(10)}`;
    expect(withinBrackets(few)).toBe(few);
    expect(withinBrackets(`${'a,'.repeat(9000)}a{top:0}`)).toContain('top:0');
  });

  it('of a rule leave the rules around it', () => {
    const css = `a{top:0}${nested('@media all{', '}', MAX_BRACKETS + 3, 'b{top:0}')}c{top:0}`;
    const bounded = withinBrackets(css);
    expect(bounded).not.toContain('b{');
    expect(bounded.split('@media')).toHaveLength(MAX_BRACKETS + 2);
    expect(bounded.endsWith('c{top:0}')).toBe(true);
  });

  it('are told apart from brackets in texts, comments and addresses', () => {
    expect(tooDeepSpans(`a{content:"${'('.repeat(500)}"}`)).toEqual([]);
    expect(tooDeepSpans(`/*${'{'.repeat(500)}*/a{}`)).toEqual([]);
    // Neither do such closing brackets close anything.
    const hidden = Array.from({ length: 20 }, () => `${'('.repeat(60)}/*${')'.repeat(60)}*/`).join('');
    expect(tooDeepSpans(hidden)).not.toEqual([]);
    expect(tooDeepSpans(`url(/*)${'('.repeat(500)}`)).not.toEqual([]);
  });

  it('leave nothing behind that another text could stumble over', () => {
    // What the first leaves in the parser's list of tokens made the second go round in a circle for ever.
    for (const [first, second] of [
      [nested('(', ')', 60), '[]a)[calc( '],
      ['{'.repeat(60), '[]a}[calc( '],
    ]) {
      const options = { onParseError: () => undefined };
      parse(first!, options);
      expect(parse(second!, options).type).toBe('StyleSheet');
    }
  });

  it('are all there is that changes: anything else reads as before', () => {
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 80 }), (pieces) => {
        const css = pieces.join('');
        const options = { onParseError: () => undefined };
        expect(generate(parse(css, options))).toBe(generate(reference(css, options)));
      }),
    );
  });
});
