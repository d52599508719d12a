import { describe, expect, it } from '@jest/globals';
import Color from 'colorjs.io';
import fc from 'fast-check';
import { opaque } from '../testing/arbitraries.js';
import { contrastRatio, luminance, showRatio, showShortfall } from './contrast.js';
import { parseColour } from './parse.js';
import { BLACK, WHITE } from './rgba.js';

const reference = (colour: { r: number; g: number; b: number }) => new Color('srgb', [colour.r, colour.g, colour.b]);

// Source: WCAG 2.2, definitions of "relative luminance" and "contrast ratio".
describe('contrast by the definitions of WCAG 2.2', () => {
  it('is 21 for black on white and 1 for a colour on itself', () => {
    expect(contrastRatio(BLACK, WHITE)).toBe(21);
    expect(luminance(WHITE)).toBeCloseTo(1, 12);
    expect(luminance(BLACK)).toBe(0);
    fc.assert(fc.property(opaque, (colour) => expect(contrastRatio(colour, colour)).toBe(1)));
  });

  it('weighs the channels by 0.2126, 0.7152 and 0.0722', () => {
    expect(luminance(parseColour('#f00')!)).toBeCloseTo(0.2126, 10);
    expect(luminance(parseColour('#0f0')!)).toBeCloseTo(0.7152, 10);
    expect(luminance(parseColour('#00f')!)).toBeCloseTo(0.0722, 10);
  });

  it('does not depend on which of the two is the text', () => {
    fc.assert(fc.property(opaque, opaque, (a, b) => expect(contrastRatio(a, b)).toBe(contrastRatio(b, a))));
  });

  it('agrees with a reference colour library over generated colours', () => {
    fc.assert(
      fc.property(opaque, opaque, (a, b) => {
        // The library computes luminance through XYZ, whose rounded matrix differs in the fifth digit.
        expect(luminance(a)).toBeCloseTo(reference(a).luminance, 4);
        expect(contrastRatio(a, b) / reference(a).contrastWCAG21(reference(b))).toBeCloseTo(1, 3);
      }),
      { numRuns: 1000 },
    );
  });
});

describe('figures as shown', () => {
  it('never rounds a ratio up to what is needed', () => {
    expect(showRatio(4.499999)).toBe('4.49');
    expect(showRatio(4.5)).toBe('4.50');
    fc.assert(
      fc.property(fc.double({ min: 1, max: 21, noNaN: true }), (ratio) => {
        expect(Number(showRatio(ratio))).toBeLessThanOrEqual(ratio + 1e-8);
        expect(ratio - Number(showRatio(ratio))).toBeLessThan(0.01 + 1e-8);
      }),
    );
  });

  it('shows a shortfall that adds up with the ratio, and never as nothing', () => {
    expect(showShortfall(2.9247, 4.5)).toBe('1.58');
    expect(showShortfall(4.4999, 4.5)).toBe('0.01');
    fc.assert(
      fc.property(fc.double({ min: 1, max: 4.4999, noNaN: true }), (ratio) => {
        expect(Number(showRatio(ratio)) + Number(showShortfall(ratio, 4.5))).toBeCloseTo(4.5, 8);
        expect(Number(showShortfall(ratio, 4.5))).toBeGreaterThan(0);
      }),
    );
  });
});
