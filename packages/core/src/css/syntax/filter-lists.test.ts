import { describe, expect, it } from '@jest/globals';
import { longFilterSpans, MAX_FILTERS } from './filter-lists.js';
import { withinBrackets } from './parser.js';

const list = (times: number) => 'blur(1px) '.repeat(times).trim();

describe('lists of filters', () => {
  it('that are too long are left out, and nothing else is', () => {
    const css = `.a { filter: ${list(2000)}; top: 0 } .b { backdrop-filter: ${list(2000)} } .c { filter: ${list(MAX_FILTERS)} }`;
    const bounded = withinBrackets(css);
    expect(bounded).toHaveLength(css.length);
    expect(bounded.match(/blur/g)).toHaveLength(MAX_FILTERS);
    expect(bounded).toMatch(/^\.a \{ filter: +; top: 0 \} \.b \{ backdrop-filter: +\} \.c/);
  });

  it('are counted one by one, however many declarations there are', () => {
    const many = Array.from({ length: 500 }, (_, i) => `.r${i}{filter:blur(${i}px) saturate(2)}`).join('');
    expect(longFilterSpans(many)).toEqual([]);
    expect(longFilterSpans('.box-shadow-blur(')).toEqual([]);
  });
});
