import { describe, expect, it } from '@jest/globals';
import { parseSheet } from './parse-sheet.js';
import { sharedSheet } from './shared-sheet.js';

const long = (rule: string) => `/*${' '.repeat(3000)}*/ ${rule}`;

describe('a sheet of several pages', () => {
  it('is read once, and by itself where anything else is other', () => {
    const text = long('.a { color: red }');
    const first = sharedSheet('s.css', text, { base: 'https://a.invalid/' });
    expect(sharedSheet('s.css', text, { base: 'https://a.invalid/' }) === first).toBe(true);
    expect(sharedSheet('s.css', text, { base: 'https://b.invalid/' }) === first).toBe(false);
    expect(sharedSheet('t.css', text, { base: 'https://a.invalid/' }) === first).toBe(false);
    expect(sharedSheet('s.css', text, { base: 'https://a.invalid/', quirks: true }) === first).toBe(false);
    expect(first.rules.map(({ selectorText }) => selectorText)).toEqual(
      parseSheet('s.css', text).rules.map(({ selectorText }) => selectorText),
    );
  });

  it('is forgotten when many others were read since', () => {
    const text = long('.b { color: red }');
    const first = sharedSheet('s.css', text);
    for (let i = 0; i < 7; i++) sharedSheet('s.css', `/*${i}${' '.repeat(2_000_000)}*/`);
    expect(sharedSheet('s.css', text) === first).toBe(false);
  });
});
