import { describe, expect, it } from '@jest/globals';
import { asControl, isImposter } from './as-control.js';
import { selectAll } from '../css/selector/locator.js';
import { parseHtml } from '../tree/parse-html.js';

describe('text that looks like a control', () => {
  it.each([
    ['<p class="btn">Go</p>', true],
    ['<div class="btn" role="button">Go</div>', true],
    ['<div class="btn" role="button" tabindex="0">Go</div>', false],
    ['<a class="btn" href="#">Go</a>', false],
    ['<a class="btn">Go</a>', true],
    ['<button class="btn">Go</button>', false],
    ['<input class="btn" type="submit">', false],
  ])('%s is one: %s', (html, wanted) => {
    expect(isImposter(selectAll(parseHtml(html), '.btn')[0]!)).toBe(wanted);
  });
  it('becomes a link or a button with its classes and contents', () => {
    const markup = '<p class="btn big" onclick="go()" role="button" id="g">Go <b>now</b></p>';
    expect(asControl(markup, 'a')).toBe('<a href="#" class="btn big" id="g">Go <b>now</b></a>');
    expect(asControl(markup, 'button')).toBe('<button type="button" class="btn big" id="g">Go <b>now</b></button>');
    expect(asControl('only text', 'a')).toBeUndefined();
  });
});
