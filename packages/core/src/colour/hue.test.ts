import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { opaque } from '../testing/arbitraries.js';
import { keepsHue } from './hue.js';
import { fromOklch, toOklch } from './oklch.js';
import { parseColour } from './parse.js';

const keeps = (from: string, to: string) => keepsHue(parseColour(from)!, parseColour(to)!);

describe('keepsHue', () => {
  it('holds for shades of a colour, and not for greys or other hues', () => {
    expect(keeps('green', 'darkgreen')).toBe(true);
    expect(keeps('green', '#777')).toBe(false);
    expect(keeps('green', 'black')).toBe(false);
    expect(keeps('green', 'navy')).toBe(false);
    // Hues are a circle: red has shades on both sides of its beginning.
    expect(keeps('#d0103a', '#c8321e')).toBe(true);
    expect(keeps('#c8321e', '#d0103a')).toBe(true);
  });

  it('asks nothing of a grey, and every colour is a shade of itself', () => {
    fc.assert(
      fc.property(opaque, opaque, (one, other) => {
        const grey = fromOklch({ ...toOklch(one), c: 0 });
        expect(keepsHue(grey, other)).toBe(true);
        expect(keepsHue(one, one)).toBe(true);
      }),
    );
  });
});
