import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { contrastRatio, luminance } from '../colour/contrast.js';
import { parseColour } from '../colour/parse.js';
import { sameRgba, type Rgba } from '../colour/rgba.js';
import { darkEdge, darkGround, darkInk, turns, type Grounds } from './dark.js';

const WHITE = parseColour('white')!;
const PAGE: Grounds = { now: WHITE, dark: darkGround(WHITE, { now: WHITE, dark: WHITE }) };

const channel = fc.integer({ min: 0, max: 255 }).map((byte) => byte / 255);
const colour = fc.record({ r: channel, g: channel, b: channel, alpha: fc.constant(1) });
/** A ground that lies on a white page. */
const grounds = colour.map((now): Grounds => ({ now, dark: darkGround(now, PAGE) }));
const grey = (level: number): Rgba => ({ r: level / 255, g: level / 255, b: level / 255, alpha: 1 });

describe('colours of a dark scheme', () => {
  it('turn grounds that are light, and leave the others as they are', () => {
    fc.assert(
      fc.property(grounds, (own) => {
        if (turns(own)) expect(luminance(own.dark)).toBeLessThan(0.14);
        else if (luminance(own.now) < 0.25) expect(sameRgba(own.dark, own.now)).toBe(true);
      }),
    );
  });

  it('keep light greys apart, in the other order', () => {
    fc.assert(
      fc.property(fc.integer({ min: 160, max: 254 }), (level) => {
        const [lower, higher] = [darkGround(grey(level), PAGE), darkGround(grey(level + 1), PAGE)];
        expect(luminance(lower)).toBeGreaterThanOrEqual(luminance(higher));
      }),
    );
  });

  it('give texts the contrast that is asked of them, and lines as much as they had, up to that (WCAG 2.2, 1.4.3 and 1.4.11)', () => {
    fc.assert(
      fc.property(colour, grounds, (own, on) => {
        const was = contrastRatio(own, on.now);
        if (was >= 4.5 || (turns(on) && luminance(own) < luminance(on.now) - 0.05))
          expect(contrastRatio(darkInk(own, on, 4.5), on.dark)).toBeGreaterThanOrEqual(4.49);
        expect(contrastRatio(darkEdge(own, on), on.dark)).toBeGreaterThanOrEqual(Math.min(was, 3) - 0.01);
      }),
      { numRuns: 1000 },
    );
  });

  it('make veils light where their ground turns, with the opacity that they had', () => {
    const veil = parseColour('rgb(0 0 0 / 5%)')!;
    const over = darkGround(veil, PAGE);
    expect([over.alpha, luminance({ ...over, alpha: 1 }) > 0.9]).toEqual([veil.alpha, true]);
    const brand = parseColour('#0b5563')!;
    expect(darkGround(veil, { now: brand, dark: brand })).toBe(veil);
  });
});
