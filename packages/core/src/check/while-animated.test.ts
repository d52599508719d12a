import { describe, expect, it } from '@jest/globals';
import { selectAll } from '../css/selector/locator.js';
import { lookingAt, pageOf } from '../testing/page.js';
import { checkText } from './text.js';

const check = (css: string) => {
  const page = pageOf('<div class="g"><p class="t">Text</p></div>', css);
  return checkText(lookingAt(page.stylesFor().at()), selectAll(page.tree, '.t')[0]!).verdict;
};

// CSS Animations 1, sections 3 and 4.
describe('a text that an animation changes', () => {
  it('is not sure where it goes on without end', () => {
    expect(check('@keyframes p { 50% { opacity: .1 } } .t { animation: p 1s infinite }')).toBe('unsure');
    expect(check('@keyframes p { 50% { opacity: .1 } } .g { animation: p 1s infinite }')).toBe('unsure');
    expect(check('@-webkit-keyframes p { from { color: #eee } } .t { animation: p 1s infinite }')).toBe('unsure');
    expect(check('@keyframes p { 50% { background: #000 } } .t { animation: p 1s infinite }')).toBe('unsure');
  });

  it('is not sure where the animation leaves it otherwise', () => {
    const to = '@keyframes p { to { color: #eee } }';
    expect(check(`${to} .t { animation: p 1s forwards }`)).toBe('unsure');
    expect(check(`${to} .t { animation: p 1s both }`)).toBe('unsure');
    expect(check(`${to} .t { animation: p 1s }`)).toBe('passes');
    // Backwards it ends with what it begins with.
    expect(check(`${to} .t { animation: p 1s reverse both }`)).toBe('unsure');
  });

  it('is as it stands where it comes in, moves, or ends as it is measured', () => {
    expect(check('@keyframes p { from { opacity: 0 } to { opacity: 1 } } .t { animation: p 1s both }')).toBe('passes');
    expect(check('@keyframes p { from { opacity: 0 } } .t { animation: p 1s both }')).toBe('passes');
    expect(check('@keyframes p { to { transform: rotate(1turn) } } .t { animation: p 1s infinite }')).toBe('passes');
    expect(check('@keyframes p { 50% { color: black } } .t { color: #000; animation: p 1s infinite }')).toBe('passes');
    expect(check('.t { animation: none-such 1s infinite }')).toBe('passes');
  });

  it('falls short where it does without it', () => {
    expect(check('@keyframes p { 50% { opacity: .1 } } .t { color: #eee; animation: p 1s infinite }')).toBe('short');
  });

  it('takes the last of several rules of one name', () => {
    const twice = (last: string) =>
      `@keyframes p { 50% { color: #eee } } @keyframes p { 50% { ${last} } } .t { animation: p 1s infinite }`;
    expect(check(twice('rotate: 9deg'))).toBe('passes');
    expect(check(twice('color: #ddd'))).toBe('unsure');
  });
});
