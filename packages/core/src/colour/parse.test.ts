import { describe, expect, it } from '@jest/globals';
import Color from 'colorjs.io';
import fc from 'fast-check';
import { anyColour, opaque } from '../testing/arbitraries.js';
import { fromOklch, inSrgb, toOklch } from './oklch.js';
import { parseColour } from './parse.js';
import { toCssRgb, toHex } from './print.js';

const hex = (text: string) => {
  const colour = parseColour(text);
  return colour && toHex(colour);
};

describe('reading colours', () => {
  // Source: CSS Color 4, examples in sections 5 to 10.
  it.each([
    ['#0f0', '#00ff00'],
    ['#ee3e80', '#ee3e80'],
    ['#0000ffcc', '#0000ffcc'],
    ['rgb(178 34 34 / 50%)', '#b2222280'],
    ['hsl(120deg 100% 25%)', '#008000'],
    ['hsl(120deg 75% 75%)', '#8fef8f'],
    ['hwb(150 20% 10%)', '#33e68c'],
    ['rebeccapurple', '#663399'],
    ['LightGoldenRodYellow', '#fafad2'],
    ['oklch(40.1% 0.123 21.57)', '#7d2429'],
    ['transparent', '#00000000'],
    ['CanvasText', '#000000'],
  ])('%s is %s', (text, expected) => expect(hex(text)).toBe(expected));

  it.each(['', '700', '600', 'blu', 'rgb(', 'rgb(var(--x))', 'currentcolor', '#12', 'red blue', 'url(x)', '#ggg'])(
    '%j is no absolute colour',
    (text) => expect(parseColour(text)).toBeUndefined(),
  );

  it('never throws', () => {
    fc.assert(fc.property(fc.string(), (text) => void parseColour(text)));
  });

  it('agrees with a reference colour library on lab, lch, oklab and oklch inside sRGB', () => {
    fc.assert(
      fc.property(opaque, fc.constantFrom('lab', 'lch', 'oklab', 'oklch'), (colour, space) => {
        const text = new Color('srgb', [colour.r, colour.g, colour.b]).to(space).toString({ precision: 12 });
        expect(hex(text)).toBe(toHex(colour));
      }),
    );
  });

  it('reads back what it prints', () => {
    fc.assert(
      fc.property(anyColour, (colour) => {
        expect(hex(toHex(colour))).toBe(toHex(colour));
        expect(hex(toCssRgb(colour))).toBe(toHex(colour));
      }),
    );
  });
});

describe('OKLCH tracks', () => {
  it('come back to the same eight-bit colour', () => {
    fc.assert(fc.property(anyColour, (colour) => expect(toHex(fromOklch(toOklch(colour)))).toBe(toHex(colour))));
  });

  it('map every setting of a track into sRGB', () => {
    const setting = fc.record({
      l: fc.double({ min: 0, max: 1, noNaN: true }),
      c: fc.double({ min: 0, max: 0.4, noNaN: true }),
      h: fc.double({ min: 0, max: 360, noNaN: true }),
      alpha: fc.constant(1),
    });
    fc.assert(
      fc.property(setting, (colour) => {
        const { r, g, b } = fromOklch(colour);
        for (const channel of [r, g, b]) expect(channel >= 0 && channel <= 1).toBe(true);
      }),
    );
    expect(inSrgb({ l: 0.7, c: 0.37, h: 150, alpha: 1 })).toBe(false);
  });
});
