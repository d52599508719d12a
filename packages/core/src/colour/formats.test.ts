import { expect, test } from '@jest/globals';
import Color from 'colorjs.io';
import fc from 'fast-check';
import { COLOUR_FORMATS, formatColour, formatOf } from './formats.js';
import { parseColour } from './parse.js';
import { toHex } from './print.js';

const colour = fc
  .tuple(...([0, 1, 2, 3] as const).map(() => fc.integer({ min: 0, max: 255 })))
  .map(([r, g, b, a]) => ({ r: r! / 255, g: g! / 255, b: b! / 255, alpha: a! / 255 }));

const channels = (text: string) => {
  const { r, g, b } = parseColour(text)!;
  return [r, g, b].map((channel) => Math.round(channel * 255));
};

test.each([...COLOUR_FORMATS])('written as %s a colour stays within one step of each channel', (format) => {
  fc.assert(
    fc.property(colour, (given) => {
      const text = formatColour(given, format);
      expect(formatOf(text)).toBe(format);
      const before = [given.r, given.g, given.b].map((channel) => Math.round(channel * 255));
      channels(text).forEach((channel, i) => expect(Math.abs(channel - before[i]!)).toBeLessThanOrEqual(1));
      expect(Math.abs(parseColour(text)!.alpha - given.alpha)).toBeLessThan(0.003);
    }),
  );
});

// A reference from the registry: colorjs.io reads what is written here as the same colour.
test('other readers of CSS colours see the same', () => {
  fc.assert(
    fc.property(colour, (given) => {
      const opaque = { ...given, alpha: 1 };
      for (const format of COLOUR_FORMATS) {
        const [r, g, b] = new Color(formatColour(opaque, format)).to('srgb').coords;
        [r, g, b].forEach((channel, i) => {
          const own = [opaque.r, opaque.g, opaque.b][i]!;
          expect(Math.abs(Number(channel) - own)).toBeLessThan(0.005);
        });
      }
    }),
    { numRuns: 60 },
  );
});

test('names are in none of these ways', () => {
  expect(formatOf('rebeccapurple')).toBeUndefined();
  expect(toHex(parseColour('rebeccapurple')!)).toBe('#663399');
});
