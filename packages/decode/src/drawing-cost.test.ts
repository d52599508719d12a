import { describe, expect, it } from '@jest/globals';
import { drawingCost } from './drawing-cost.js';

const svg = (inner: string) => `<svg xmlns="http://www.w3.org/2000/svg" width="40" height="40">${inner}</svg>`;

/** Each level uses the one below ten times. */
const bomb = (levels: number) =>
  svg(
    '<g id="l0"><rect width="1" height="1"/></g>' +
      Array.from({ length: levels }, (_, i) => `<g id="l${i + 1}">${`<use href="#l${i}"/>`.repeat(10)}</g>`).join(''),
  );

describe('what a drawing costs', () => {
  it.each([
    ['a wide morphology', svg('<filter><feMorphology radius="400"/></filter>'), /feMorphology/],
    ['a wide morphology in one direction', svg('<filter><feMorphology radius="1, 90"/></filter>'), /feMorphology/],
    ['a large matrix', svg('<filter><feConvolveMatrix order="60"/></filter>'), /feConvolveMatrix/],
    ['much turbulence', svg('<filter><feTurbulence numOctaves="40"/></filter>'), /feTurbulence/],
    ['very many steps', svg(`<filter>${'<feOffset/>'.repeat(61)}</filter>`), /60 filter steps/],
    ['uses of uses', bomb(8), /elements once each use/],
    ['deep nesting', svg('<g>'.repeat(4000)), /nesting/],
  ])('is too much for %s', (_, text, words) => {
    expect(drawingCost(text)).toMatch(words);
  });

  it.each([
    ['a soft shadow', svg('<filter><feGaussianBlur stdDeviation="4"/><feMorphology radius="2"/></filter><rect/>')],
    ['a sprite used often', svg('<symbol id="a"><path d="M0 0h4v4z"/></symbol>' + '<use href="#a"/>'.repeat(500))],
    ['uses that lead in a circle', svg('<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g>')],
    ['what is no drawing at all', 'no picture'],
    ['values that are no numbers', svg('<filter><feMorphology radius="wide"/></filter>')],
  ])('is not too much for %s', (_, text) => {
    expect(drawingCost(text)).toBeUndefined();
  });
});
