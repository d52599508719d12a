import { describe, expect, it } from '@jest/globals';
import { selectAll } from '../css/selector/locator.js';
import { lookingAt, pageOf } from '../testing/page.js';
import { checkText } from './text.js';

const check = (css: string, body = '<p class="t">Text of a line</p>', selector = '.t') => {
  const page = pageOf(body, css);
  return checkText(lookingAt(page.stylesFor().at()), selectAll(page.tree, selector)[0]!);
};

describe('a text whose first letter or line has a colour of its own', () => {
  it.each(['first-letter', 'first-line'] as const)('is as weak as its %s', (name) => {
    expect(check(`.t::${name} { color: #eee }`)).toMatchObject({
      verdict: 'short',
      reason: expect.stringContaining(name.slice(6)) as unknown,
    });
    expect(check(`.t { color: #eee } .t::${name} { color: #000 }`).verdict).toBe('short');
    expect(check(`.t::${name} { color: #000 }`).verdict).toBe('passes');
  });

  it('asks less of a large first letter', () => {
    expect(check('.t::first-letter { color: #949494; font-size: 40px }').verdict).toBe('passes');
    expect(check('.t::first-letter { color: #949494 }').verdict).toBe('short');
  });

  it('finds it in a block around the text, and only where the text comes first', () => {
    const body = '<div class="g"><p class="t">Text</p><p class="u">More</p></div>';
    expect(check('.g::first-letter { color: #eee }', body).verdict).toBe('short');
    expect(check('.g::first-letter { color: #eee }', body, '.u').verdict).toBe('passes');
    // Boxes in a row have neither (CSS Pseudo-elements 4, section 2.1).
    expect(check('.t { display: flex } .t::first-letter { color: #eee }').verdict).toBe('passes');
  });
});
