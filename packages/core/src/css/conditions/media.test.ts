import { describe, expect, it } from '@jest/globals';
import { DESKTOP } from './environment.js';
import { evaluateMedia, widthsIn } from './media.js';
import { parseMedia } from '../sheet/preludes.js';

const holds = (text: string, change = {}) => evaluateMedia(parseMedia(text).query, { ...DESKTOP, ...change });

// Source: Media Queries 4, sections 2 to 4, forms and examples of those sections; the environment is 1280 × 800.
describe('media queries', () => {
  it.each([
    ['', true],
    ['screen', true],
    ['print', false],
    ['not print', true],
    ['only screen and (color)', true],
    ['(min-width: 100px) and (max-width: 1300px)', true],
    ['(400px <= width <= 1280px)', true],
    ['(400px <= width < 1280px)', false],
    ['(width > 80em)', false],
    ['(width >= 80em)', true],
    ['(orientation: portrait)', false],
    ['(not (orientation: portrait))', true],
    ['(min-width: 5000px) or (hover)', true],
    ['(hover: none), (pointer: fine)', true],
    ['(prefers-reduced-motion)', false],
    ['(prefers-color-scheme: light)', true],
    ['(aspect-ratio: 16/10)', true],
    ['(min-resolution: 2dppx)', false],
    ['(min-resolution: 96dpi)', true],
    ['(monochrome)', false],
    ['(scripting: enabled)', true],
    // An unknown feature is neither true nor false, and a query that stays unknown does not hold (section 3.1).
    ['(nonsense: 3)', false],
    ['not (nonsense: 3)', false],
    ['(nonsense: 3) or (color)', true],
    ['screen and', false],
    // A length other than zero needs a unit.
    ['(min-width: 10)', false],
    ['(min-width: 0)', true],
  ])('%s is %s', (text, expected) => expect(holds(text)).toBe(expected));

  it('asks the environment', () => {
    expect(holds('(max-width: 600px)', { width: 390 })).toBe(true);
    expect(holds('(prefers-color-scheme: dark)', { scheme: 'dark' })).toBe(true);
    expect(holds('(any-hover: hover)', { touch: true })).toBe(false);
  });

  it('names the widths at which an answer may change', () => {
    expect(widthsIn(parseMedia('(min-width: 30em) and (max-width: 900px)').query)).toEqual([480, 900]);
    expect(widthsIn(parseMedia('(400px <= width < 700px), print').query)).toEqual([400, 700]);
  });
});
