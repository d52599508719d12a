import { describe, expect, it } from '@jest/globals';
import Color from 'colorjs.io';
import fc from 'fast-check';
import { anyColour, opaque } from '../testing/arbitraries.js';
import { fieldOf } from './field.js';
import { sweep } from './sweep.js';

// Contrast by colorjs.io, pixel by pixel (its contrastWCAG21), against one pass over whole numbers.

/** WCAG 2.2 gives the shares of red, green and blue in four digits; the library takes more from the primaries. */
const PRECISION = 5e-4;
const isNear = (a: number, b: number) => Math.abs(a - b) <= PRECISION * b;
const SIDE = 5;
const pixels = fc.uint8Array({ minLength: SIDE * SIDE * 4, maxLength: SIDE * SIDE * 4 });
const fieldWith = (bytes: Uint8Array) => {
  const data = new Uint8ClampedArray(bytes);
  for (let i = 3; i < data.length; i += 4) data[i] = 255;
  return fieldOf(SIDE, SIDE, data);
};
const region = fc.tuple(fc.integer({ min: 0, max: 3 }), fc.integer({ min: 0, max: 3 })).chain(([x, y]) =>
  fc.record({
    x: fc.constant(x),
    y: fc.constant(y),
    width: fc.integer({ min: 1, max: SIDE - x }),
    height: fc.integer({ min: 1, max: SIDE - y }),
  }),
);

describe('one pass over an area', () => {
  it('finds the ratios that colorjs.io finds at each pixel, and where the worst is', () => {
    fc.assert(
      fc.property(
        pixels,
        region,
        opaque,
        fc.option(anyColour, { nil: undefined }),
        fc.constantFrom(3, 4.5, 7),
        (bytes, area, colour, veil, needed) => {
          const field = fieldWith(bytes);
          const text = new Color('srgb', [colour.r, colour.g, colour.b]);
          const ratios = new Map<string, number>();
          for (let y = area.y; y < area.y + area.height; y++) {
            for (let x = area.x; x < area.x + area.width; x++) {
              const at = (y * SIDE + x) * 4;
              const channel = (k: number, over: number) => {
                const value = field.data[at + k]! / 255;
                return veil ? value * (1 - veil.alpha) + over * veil.alpha : value;
              };
              const behind = new Color('srgb', [
                channel(0, veil?.r ?? 0),
                channel(1, veil?.g ?? 0),
                channel(2, veil?.b ?? 0),
              ]);
              ratios.set(`${x} ${y}`, text.contrastWCAG21(behind));
            }
          }
          const found = sweep(field, area, colour, needed, veil);
          const all = [...ratios.values()];
          expect(isNear(found.worst, Math.min(...all))).toBe(true);
          expect(isNear(found.best, Math.max(...all))).toBe(true);
          expect(isNear(ratios.get(`${found.at.x} ${found.at.y}`)!, found.worst)).toBe(true);
          expect(found.pixels).toBe(all.length);
          // A ratio that is the needed one but for rounding may count as either.
          const sure = all.filter((ratio) => ratio < needed * (1 - PRECISION)).length;
          const perhaps = all.filter((ratio) => ratio < needed * (1 + PRECISION)).length;
          expect(found.short).toBeGreaterThanOrEqual(sure);
          expect(found.short).toBeLessThanOrEqual(perhaps);
        },
      ),
      { numRuns: 200 },
    );
  });
});
