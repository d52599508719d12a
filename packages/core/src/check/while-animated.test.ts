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
    // Backwards it ends with what it begins with; there and back it may end with either.
    expect(check(`${to} .t { animation: p 1s reverse both }`)).toBe('passes');
    expect(check('@keyframes p { from { color: #eee } } .t { animation: p 1s reverse both }')).toBe('unsure');
    expect(check(`${to} .t { animation: p 1s 2 alternate both }`)).toBe('unsure');
    // Half a turn ends on the way.
    expect(check('@keyframes p { 50% { color: #eee } } .t { animation: p 1s .5 both }')).toBe('unsure');
  });

  it('is as it stands where it comes in, moves, or ends as it is measured', () => {
    expect(check('@keyframes p { from { opacity: 0 } to { opacity: 1 } } .t { animation: p 1s both }')).toBe('passes');
    expect(check('@keyframes p { from { opacity: 0 } } .t { animation: p 1s both }')).toBe('passes');
    expect(check('@keyframes p { to { transform: rotate(1turn) } } .t { animation: p 1s infinite }')).toBe('passes');
    expect(check('@keyframes p { 50% { color: black } } .t { color: #000; animation: p 1s infinite }')).toBe('passes');
    expect(check('.t { animation: none-such 1s infinite }')).toBe('passes');
  });

  it('is not sure where it stands still, waits or goes on for long', () => {
    const fade = '@keyframes p { from { opacity: .1 } }';
    expect(check(`${fade} .t { animation: p 1s paused }`)).toBe('unsure');
    expect(check(`${fade} .t { animation: p 60s }`)).toBe('unsure');
    expect(check(`${fade} .t { animation: p 1s 9s both }`)).toBe('unsure');
    expect(check(`${fade} .t { animation: p 1s 9s }`)).toBe('passes');
    expect(check(`${fade} .t { animation: p 1s 1s both }`)).toBe('passes');
    // With no time to run it is not seen, however often.
    expect(check(`${fade} .t { animation: p 0s 3 }`)).toBe('passes');
  });

  it('is not sure where it goes by scrolling (Scroll-driven Animations 1, section 2)', () => {
    const fade = '@keyframes p { from { opacity: .1 } }';
    expect(check(`${fade} .t { animation: p linear; animation-timeline: view() }`)).toBe('unsure');
    expect(check(`${fade} .g { animation: p linear both; animation-timeline: scroll(root) }`)).toBe('unsure');
    // The shorthand takes the timeline back.
    expect(check(`${fade} .t { animation-timeline: view(); animation: p 1s linear }`)).toBe('passes');
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
