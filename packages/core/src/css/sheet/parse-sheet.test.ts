import { describe, expect, it } from '@jest/globals';
import { parseSheet } from './parse-sheet.js';

const selectorsOf = (css: string) => parseSheet('s', css).rules.map(({ selectorText }) => selectorText);

describe('rules whose selectors cannot be read', () => {
  it('are dropped with all that stands in them, and said to be (Selectors 4, section 3.9; Nesting 1, section 3)', () => {
    const sheet = parseSheet(
      's',
      '.a{top:0} .b:unheard-of{top:0; .c{top:0} @media all{top:1px}} .d, ::{top:0}\n.e{top:0}',
    );
    expect(sheet.rules.map(({ selectorText }) => selectorText)).toEqual(['.a', '.e']);
    expect(sheet.problems.map(({ place, message }) => [place.line, /The rule is dropped\.$/.test(message)])).toEqual(
      expect.arrayContaining([[1, true]]),
    );
    expect(sheet.problems.length).toBeGreaterThanOrEqual(2);
  });

  it('leave an @import behind them where it is (Cascade 5, section 2)', () => {
    expect(parseSheet('s', '.b:unheard-of{top:0} @import "x.css";').imports).toHaveLength(1);
    expect(parseSheet('s', '.b{top:0} @import "x.css";').imports).toHaveLength(0);
  });

  it('name no layer from within (Cascade 5, section 6.4)', () => {
    expect(parseSheet('s', '.b:unheard-of{@layer one{top:0}} @layer two;').layers.map(({ path }) => path)).toEqual([
      ['two'],
    ]);
  });
});

describe('selectors of rules', () => {
  it('are printed as CSS prints them, whatever blanks and notes stand in them', () => {
    expect(selectorsOf('.a  >  .b ,\n  .c/* d */ .e:hover{top:0}')).toEqual(['.a>.b,.c .e:hover']);
  });

  it('of nested rules are those around them, in @scope too', () => {
    const sheet = parseSheet('s', '.a{.b &{top:0} .c{top:0}} @scope (.d){:scope{top:0} .e{.f{top:0}}}');
    expect(sheet.rules.map(({ selectorText }) => selectorText)).toEqual(['.b &', '.c', ':scope', '.f']);
    expect(sheet.rules.every(({ selectors }) => selectors.length === 1)).toBe(true);
  });
});
