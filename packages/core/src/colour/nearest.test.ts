import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { contrastRatio, luminance } from './contrast.js';
import { difference } from './difference.js';
import { luminanceOfOklch, toOklch } from './oklch.js';
import { parseColour } from './parse.js';
import { BLACK, WHITE, type Rgba } from './rgba.js';
import { seenAs, VISIONS } from './vision.js';
import { over } from './composite.js';
import { opaque } from '../testing/arbitraries.js';
import { leastAlpha, nearestOf, nearestPassing, shortAgainst } from './nearest.js';

const reaches = (ground: Rgba, needed: number) => (colour: Rgba) => contrastRatio(colour, ground) >= needed;

describe('the nearest colour that passes', () => {
  it('passes as it is written, and is found whenever black or white passes', () => {
    fc.assert(
      fc.property(opaque, opaque, fc.constantFrom(3, 4.5, 7), (from, ground, needed) => {
        const passes = reaches(ground, needed);
        const found = nearestPassing(from, passes);
        expect(found !== undefined).toBe(passes(BLACK) || passes(WHITE) || passes(from));
        if (found) expect(passes(parseColour(found.css)!)).toBe(true);
      }),
    );
  });

  it('is the colour itself where that passes', () => {
    fc.assert(
      fc.property(opaque, (from) => {
        expect(nearestPassing(from, () => true)!.distance).toBeCloseTo(0, 6);
      }),
    );
  });

  it('keeps the hue, and is no farther than black and white', () => {
    fc.assert(
      fc.property(opaque, opaque, (from, ground) => {
        const passes = reaches(ground, 4.5);
        const found = nearestPassing(from, passes);
        if (!found) return;
        const [before, after] = [toOklch(from), toOklch(found.colour)];
        // Near grey a hue is lost in rounding to eight bits.
        if (before.c > 0.06 && after.c > 0.06) {
          const turn = Math.abs(((after.h - before.h + 540) % 360) - 180);
          expect(turn).toBeLessThan(20);
        }
        for (const end of [BLACK, WHITE]) {
          if (passes(end)) expect(found.distance).toBeLessThanOrEqual(difference(from, end) + 1);
        }
      }),
    );
  });

  it('is found without a search, or one as near, where the luminances that fall short are known', () => {
    fc.assert(
      fc.property(
        opaque,
        fc.array(opaque, { minLength: 1, maxLength: 3 }),
        fc.constantFrom(3, 4.5),
        (from, grounds, needed) => {
          const passes = (colour: Rgba) => grounds.every((ground) => reaches(ground, needed)(colour));
          const short = grounds.map((ground) => shortAgainst(ground, needed));
          const [searched, told] = [nearestPassing(from, passes), nearestPassing(from, { passes, short })];
          if (told) expect(passes(told.colour)).toBe(true);
          expect(told !== undefined).toBe(searched !== undefined || told !== undefined);
          // The steps that a screen has are further apart near black.
          if (searched) expect(told!.distance).toBeLessThanOrEqual(searched.distance + 1.2);
        },
      ),
    );
  });

  it('has the luminance that it is sought by', () => {
    fc.assert(
      fc.property(opaque, (colour) => {
        expect(luminanceOfOklch(toOklch(colour))).toBeCloseTo(luminance(colour), 4);
      }),
    );
  });

  it('of a site’s own colours is the one least different', () => {
    const palette = ['#0b5563', '#2a7f8e', '#14323a', '#ffffff'].map((css) => parseColour(css)!);
    const found = nearestOf(parseColour('#7fa2a6')!, palette, reaches(WHITE, 4.5));
    expect(found!.css).toBe('#2a7f8e');
    expect(nearestOf(BLACK, palette, () => false)).toBeUndefined();
  });

  it('takes the least alpha that passes', () => {
    fc.assert(
      fc.property(opaque, fc.constantFrom(3, 4.5), (behind, needed) => {
        const passes = (veil: Rgba) => contrastRatio(WHITE, over(veil, behind)) >= needed;
        const alpha = leastAlpha(BLACK, 0, passes)!;
        expect(passes({ ...BLACK, alpha: Math.round(alpha * 255) / 255 })).toBe(true);
        if (alpha >= 0.02) expect(passes({ ...BLACK, alpha: alpha - 0.02 })).toBe(false);
      }),
    );
    expect(leastAlpha(WHITE, 0, () => false)).toBeUndefined();
  });
});

describe('colours as others see them', () => {
  it('leave greys as they are, since those have no colour to lose', () => {
    for (const step of [0, 64, 128, 200, 255]) {
      const grey = { r: step / 255, g: step / 255, b: step / 255, alpha: 1 };
      for (const vision of VISIONS) expect(difference(grey, seenAs(grey, vision))).toBeLessThan(1);
    }
  });
  it('bring red and green together without red or green cones', () => {
    const [red, green] = [parseColour('#b03a2e')!, parseColour('#4f7d2f')!];
    const apart = difference(red, green);
    expect(difference(seenAs(red, 'deutan'), seenAs(green, 'deutan'))).toBeLessThan(apart / 2);
    expect(difference(seenAs(red, 'protan'), seenAs(green, 'protan'))).toBeLessThan(apart * 0.7);
  });
});
