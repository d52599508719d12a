import { describe, expect, it } from '@jest/globals';
import { checkEdge } from '../check/edge.js';
import { parseColour } from '../colour/parse.js';
import { toHex } from '../colour/print.js';
import { selectAll } from '../css/selector/locator.js';
import { lookingAt, pageOf } from '../testing/page.js';
import { placed, type Boxes } from '../testing/placed.js';
import { shadesOf } from './border-colour.js';

describe('a border of two shades', () => {
  // Read from the pixels of Chromium 156's screenshots, which `e2e/tests/pixels.spec.ts` compares over more of them.
  it.each([
    ['#767676', '#212121', '#cacaca'],
    ['#ffffff', '#ababab', '#ffffff'],
    ['#000000', '#545454', '#a8a8a8'],
    ['#202020', '#747474', '#c8c8c8'],
    ['#212121', '#000000', '#757575'],
    ['#aa3366', '#561a33', '#ff4d99'],
    ['#f0f0f0', '#9c9c9c', '#f0f0f0'],
    ['#ebebeb', '#979797', '#ffffff'],
  ])('of %s has %s and %s', (colour, dark, light) => {
    const shades = shadesOf(parseColour(colour)!);
    const near = (a: string, b: string) => {
      const [x, y] = [parseColour(a)!, parseColour(b)!];
      for (const channel of ['r', 'g', 'b'] as const) expect(Math.abs(x[channel] - y[channel])).toBeLessThan(1.5 / 255);
    };
    near(toHex(shades.dark), dark);
    near(toHex(shades.light), light);
  });

  const BOXES: Boxes = { '.f': [40, 40, 200, 40] };
  const byGeometry = (css: string) => {
    const { looking, one } = placed('<p><input class="f"></p>', css, BOXES);
    return checkEdge(looking, one('.f'));
  };
  const byAncestors = (css: string) => {
    const page = pageOf('<p><input class="f"></p>', css);
    return checkEdge(lookingAt(page.stylesFor().at()), selectAll(page.tree, '.f')[0]!);
  };

  it.each([
    ['measured', byGeometry],
    ['estimated', byAncestors],
  ])('is seen by its two strong sides (%s)', (_how, check) => {
    const own = (border: string) => check(`.f { background: #fff; border: ${border} }`);
    // The browser's own border, which is painted as soon as the ground is the site's.
    expect(check('.f { background: #fff }').measured).toBeCloseTo(16.1, 0);
    expect(own('2px outset #fff')).toMatchObject({ verdict: 'short' });
    expect(own('2px inset #949494').measured).not.toBeCloseTo(own('2px solid #949494').measured!, 1);
    // Both lie along each side, and the better is seen.
    expect(own('4px groove #ccc').verdict).toBe('passes');
    expect(own('4px solid #ccc').verdict).toBe('short');
    expect(own('1px inset #fff')).toMatchObject({ verdict: 'short' });
  });

  it('is in one colour where the browser draws the control itself', () => {
    for (const css of [
      '',
      '.f { padding: 4px; color: red }',
      '.f { background-repeat: no-repeat }',
      '.f { border: revert }',
    ])
      expect(byAncestors(css).measured).toBeCloseTo(4.54, 1);
    for (const css of ['border-radius: 4px', 'box-shadow: 0 0 2px red', 'border-image: none', 'appearance: none'])
      expect(byAncestors(`.f { ${css} }`).measured).toBeCloseTo(16.1, 0);
  });
});
