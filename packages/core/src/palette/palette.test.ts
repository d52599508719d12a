import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { wcagContrast } from 'culori';
import { difference } from '../colour/difference.js';
import { toOklch } from '../colour/oklch.js';
import { parseColour } from '../colour/parse.js';
import { toHex } from '../colour/print.js';
import { gatherNear, NEAR } from './near.js';
import { mendPair, NEEDED_FOR, pairsOf, ratioOn, sufficesFor } from './pairs.js';
import { lightnessSteps } from './steps.js';
import { freeId, propertyNames, slugOf, SWATCH_ID, withSwatchesAdded, type Swatch } from './swatch.js';

const hex = fc.integer({ min: 0, max: 0xffffff }).map((number) => `#${number.toString(16).padStart(6, '0')}`);
const colour = (css: string) => parseColour(css)!;
const swatch = (css: string, name = css): Swatch => ({ id: slugOf(name), name, css });

describe('swatches', () => {
  it('have ids that looks can write, and no two the same', () => {
    fc.assert(
      fc.property(fc.array(fc.record({ name: fc.string({ maxLength: 70 }), css: hex }), { maxLength: 12 }), (added) => {
        const palette = withSwatchesAdded([], added);
        for (const { id } of palette) expect(id).toMatch(SWATCH_ID);
        expect(new Set(palette.map(({ id }) => id)).size).toBe(palette.length);
        expect(withSwatchesAdded(palette, added)).toEqual(palette);
      }),
    );
  });

  it('are handed over as custom properties that the site has not', () => {
    const palette = [swatch('#111', 'Quay blue'), swatch('#222', 'Été & co'), { ...swatch('#333', '2nd'), id: 'x' }];
    const names = propertyNames(palette, new Set(['--quay-blue']));
    expect([...names.values()]).toEqual(['--quay-blue-2', '--ete-co', '--colour-2nd']);
    expect(freeId('Quay blue', new Set(['quay-blue', 'quay-blue-2']))).toBe('quay-blue-3');
  });
});

describe('steps of a colour', () => {
  it('go from light to dark in steps that look alike, the colour itself among them', () => {
    fc.assert(
      fc.property(hex, fc.integer({ min: 2, max: 14 }), (css, count) => {
        const steps = lightnessSteps(colour(css), count);
        expect(steps).toHaveLength(count);
        expect(steps.map(toHex)).toContain(css);
        const lights = steps.map((step) => toOklch(step).l);
        // The colour itself may stand beyond the lightest or the darkest step, and up to half a step off elsewhere.
        for (const [i, l] of lights.entries()) if (i) expect(l).toBeLessThan(lights[i - 1]! + 1e-6);
      }),
    );
  });
});

describe('near colours', () => {
  it('are gathered whole, around what is used most', () => {
    const uses = fc.array(fc.record({ css: hex, uses: fc.integer({ min: 1, max: 99 }) }), { maxLength: 30 });
    fc.assert(
      fc.property(uses, (colours) => {
        const groups = gatherNear(colours);
        expect(groups.reduce((sum, { uses: own }) => sum + own, 0)).toBe(
          colours.reduce((sum, own) => sum + own.uses, 0),
        );
        for (const { css, near } of groups)
          for (const other of near) expect(difference(colour(css), colour(other.css))).toBeLessThanOrEqual(NEAR);
      }),
    );
    const groups = gatherNear([
      { css: '#0b5563', uses: 2 },
      { css: '#0c5664', uses: 9 },
      { css: '#f4ead7', uses: 1 },
    ]);
    expect(groups.map(({ css, uses: own }) => [css, own])).toEqual([
      ['#0c5664', 11],
      ['#f4ead7', 1],
    ]);
  });
});

describe('pairs', () => {
  it('have the contrast of WCAG 2.2, as another library has it', () => {
    fc.assert(
      fc.property(fc.array(hex, { minLength: 1, maxLength: 6 }), (colours) => {
        for (const { text, ground, ratio } of pairsOf(colours.map((css) => swatch(css))).flat())
          expect(ratio).toBeCloseTo(wcagContrast(text.css, ground.css), 8);
      }),
    );
  });

  it('suffice for what the standard asks', () => {
    expect([2.99, 3, 4.499, 4.5, 6.99, 7].map(sufficesFor)).toEqual([
      'nothing',
      'large',
      'large',
      'text',
      'text',
      'enhanced',
    ]);
  });

  it('on a ground that lets something through are not measured', () => {
    expect(ratioOn(colour('#fff'), colour('rgb(0 0 0 / 50%)'))).toBeUndefined();
    expect(ratioOn(colour('rgb(0 0 0 / 50%)'), colour('#fff'))).toBeCloseTo(
      wcagContrast({ mode: 'rgb', r: 0.5, g: 0.5, b: 0.5 }, 'white'),
      6,
    );
  });

  it('are mended by a change of one of the two', () => {
    fc.assert(
      fc.property(hex, hex, (text, ground) => {
        const { text: own, ground: behind } = mendPair(swatch(text), swatch(ground), NEEDED_FOR.text);
        // Black or white passes on any ground.
        expect(own && behind).toBeTruthy();
        expect(ratioOn(own!.colour, colour(ground))).toBeGreaterThanOrEqual(NEEDED_FOR.text);
        expect(ratioOn(colour(text), behind!.colour)).toBeGreaterThanOrEqual(NEEDED_FOR.text);
      }),
    );
  });
});
