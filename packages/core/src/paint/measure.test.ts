import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { checkEdge } from '../check/edge.js';
import { contrastRatio, luminance } from '../colour/contrast.js';
import { toHex } from '../colour/print.js';
import { WHITE } from '../colour/rgba.js';
import { readGeometry, storeGeometry } from '../page/geometry.js';
import { fieldOf, packField, unpackField } from '../picture/field.js';
import { resample } from '../picture/resample.js';
import { sweep } from '../picture/sweep.js';
import { opaque } from '../testing/arbitraries.js';
import { pageOf } from '../testing/page.js';
import { field, placed, type Boxes } from '../testing/placed.js';
import type { PictureSource } from './pictures.js';

describe('what lies behind a text, where things stand', () => {
  const boxes: Boxes = { '.banner': [0, 0, 400, 200], '.bar': [0, 0, 400, 60], '.t': [20, 20, 100, 20] };
  const over = '<div class="banner"></div><div class="bar"><b class="t">Menu</b></div>';
  const css = '.banner { background: #000; height: 200px } .bar { position: absolute; top: 0 } .t { color: #fff }';

  it('is what is painted there, and not what the ancestors say', () => {
    expect(placed(over, css, boxes).text('.t')).toMatchObject({ measured: 21, basis: 'geometry' });
    expect(
      placed(over, `${css} .banner { margin-left: 50% }`, { ...boxes, '.banner': [200, 0, 200, 200] }).text('.t'),
    ).toMatchObject({
      measured: 1,
      verdict: 'short',
    });
  });

  it('changes with the order in depth', () => {
    expect(placed(over, `${css} .bar { z-index: -1 } .banner { background: #fff }`, boxes).text('.t')).toMatchObject({
      verdict: 'unseen',
      reason: 'Something else is painted over it.',
    });
  });

  it('is not changed by what is there and fully transparent', () => {
    const veil = '<div class="veil"></div>';
    const closed = '.veil { position: fixed; inset: 0; opacity: 0; backdrop-filter: blur(2px); background: #fff }';
    const all = { ...boxes, '.veil': [0, 0, 1280, 800] } as const;
    expect(placed(over + veil, css + closed, all).text('.t')).toMatchObject({ measured: 21, verdict: 'passes' });
    expect(placed(over + veil, css + closed.replace('opacity: 0', 'opacity: 1'), all).text('.t').verdict).not.toBe(
      'passes',
    );
  });

  it('names the worst place of a gradient, and the share that falls short', () => {
    const check = placed(over, `${css} .banner { background: linear-gradient(90deg, #000, #fff) }`, boxes).text('.t');
    expect(check).toMatchObject({ verdict: 'passes', varies: 'gradient', share: 0 });
    // White is worst at the right end of the letters.
    expect(check.at!.x).toBeGreaterThan(116);
    const wide = placed(over, `${css} .banner { background: linear-gradient(90deg, #000, #fff) }`, {
      ...boxes,
      '.t': [0, 20, 400, 20],
    }).text('.t');
    expect(wide.verdict).toBe('short');
    // White on grey passes up to the step where the ratio is 4.5, which is 118 of 255 (computed from WCAG's definition).
    expect(wide.share!).toBeCloseTo(1 - 118.5 / 255, 2);
  });

  it('may be a picture: one stray pixel is no letter, a hundredth of the area is', () => {
    const specks = (count: number) =>
      field(400, 200, (x, y) => (x < count && y === 30 ? [255, 255, 255, 255] : [0, 0, 0, 255]));
    const withPicture = (count: number) =>
      placed(over, `${css} .banner { background: url(p.png) }`, { ...boxes, '.t': [0, 20, 100, 25] }, () =>
        specks(count),
      ).text('.t');
    const one = withPicture(1);
    expect(one).toMatchObject({ verdict: 'passes', measured: 1, varies: 'picture', at: { x: 0, y: 30 } });
    expect(withPicture(60).verdict).toBe('short');
  });

  it('is the colour behind where the picture does not load', () => {
    const page = (source: PictureSource) =>
      placed(over, `${css} .banner { background: url(p.png) #fff }`, boxes, source).text('.t');
    expect(page(() => null)).toMatchObject({ verdict: 'short', measured: 1 });
    expect(page(() => undefined)).toMatchObject({ verdict: 'unsure' });
  });

  it('is never told worse through a blur, which takes greys towards each other, and is as it was over one colour', () => {
    const grey = fc.integer({ min: 0, max: 255 }).map((value) => `rgb(${value}, ${value}, ${value})`);
    fc.assert(
      fc.property(fc.array(grey, { minLength: 1, maxLength: 5 }), fc.integer({ min: 1, max: 14 }), (greys, radius) => {
        const bands = greys.map((colour, i) => `${colour} ${i * 24}px ${(i + 1) * 24}px`).join(', ');
        const through = (filter: string) =>
          placed(
            over,
            `${css} .banner { background: linear-gradient(90deg, ${bands}, ${greys.at(-1)} 0) } .bar { backdrop-filter: ${filter} }`,
            boxes,
          ).text('.t').measured!;
        const [sharp, blurred] = [through('none'), through(`blur(${radius}px)`)];
        // Colours on a screen are whole steps.
        expect(blurred).toBeGreaterThan(sharp * 0.98);
        if (new Set(greys).size === 1) expect(blurred).toBeCloseTo(sharp, 6);
      }),
      { numRuns: 40 },
    );
  });

  it('is not told where the text itself is blurred, or something is filtered in a way that nobody can work out', () => {
    const under = '<div class="banner"></div><b class="t">Menu</b><div class="bar"></div>';
    const veil = `${css} .banner { background: linear-gradient(#000, #555) } .bar { backdrop-filter: blur(4px) }`;
    expect(placed(under, veil, boxes).text('.t')).toMatchObject({
      verdict: 'unsure',
      reason: expect.stringMatching(/blurs it/),
    });
    expect(placed(over, `${css} .bar { backdrop-filter: url(#waves) }`, boxes).text('.t').verdict).toBe('unsure');
  });

  it('hides nothing: an opaque layer makes what is under it irrelevant', () => {
    fc.assert(
      fc.property(opaque, opaque, opaque, (under, layer, ink) => {
        const check = (below: string) =>
          placed(
            '<div class="banner"><p class="bar"><b class="t">Menu</b></p></div>',
            `.banner { background: ${below} } .bar { background: ${toHex(layer)} } .t { color: ${toHex(ink)} }`,
            boxes,
          ).text('.t').measured;
        expect(check(toHex(under))).toBe(check('linear-gradient(red, lime)'));
        expect(check(toHex(under))).toBeCloseTo(contrastRatio(layer, ink), 10);
      }),
      { numRuns: 40 },
    );
  });

  it('gives white text no more contrast when it gets lighter', () => {
    fc.assert(
      fc.property(opaque, fc.double({ min: 0, max: 1, noNaN: true }), (ground, share) => {
        const darker = { r: ground.r * share, g: ground.g * share, b: ground.b * share, alpha: 1 };
        expect(contrastRatio(WHITE, darker)).toBeGreaterThanOrEqual(contrastRatio(WHITE, ground));
      }),
    );
  });
});

describe('an edge, where things stand', () => {
  it('is measured against what is painted right outside of it', () => {
    const { looking, one } = placed(
      '<div class="g"></div><input class="f">',
      '.g { background: #000 } .f { position: absolute; border: 2px solid #fff; background: #000; appearance: none }',
      { '.g': [0, 0, 200, 200], '.f': [20, 20, 100, 30] },
    );
    expect(checkEdge(looking, one('.f'))).toMatchObject({ measured: 21, basis: 'geometry' });
  });
});

describe('geometry', () => {
  it('is stored and read again', () => {
    const { page, looking } = placed('<p class="t">Text</p>', '', { '.t': [1.25, 2, 30, 40.5] });
    const stored = storeGeometry(looking.geometry!, page.tree);
    expect(readGeometry(JSON.parse(JSON.stringify(stored)), page.tree)).toEqual(looking.geometry);
  });
  it.each([
    ['nothing', null, /viewport/],
    ['no width', { viewport: { width: 0, height: 1 }, elements: {} }, /above 0/],
    ['no elements', { viewport: { width: 1, height: 1 } }, /elements/],
    [
      'a box of three numbers',
      { viewport: { width: 1, height: 1 }, elements: { ':root': { box: [1, 2, 3] } } },
      /four numbers/,
    ],
    [
      'a selector that is none',
      { viewport: { width: 1, height: 1 }, elements: { '<': { box: [1, 2, 3, 4] } } },
      /no selector/,
    ],
  ])('says what is wrong with %s', (_, data, message) => {
    expect(() => readGeometry(data, pageOf('', '').tree)).toThrow(message);
  });
});

describe('a pixel field', () => {
  const noise = fc
    .integer({ min: 1, max: 12 })
    .chain((width) =>
      fc
        .integer({ min: 1, max: 9 })
        .chain((height) =>
          fc
            .array(fc.integer({ min: 0, max: 255 }), { minLength: width * height * 4, maxLength: width * height * 4 })
            .map((bytes) =>
              fieldOf(width, height, Uint8ClampedArray.from(bytes.map((byte, i) => (i % 4 === 3 ? 255 : byte)))),
            ),
        ),
    );
  it('is packed and unpacked', () => {
    fc.assert(fc.property(noise, (one) => expect(unpackField(packField(one))).toEqual(one)));
    expect(() => unpackField(new Uint8Array(30))).toThrow(/no pixel field/);
    expect(() => fieldOf(2, 2, new Uint8ClampedArray(3))).toThrow(/16 bytes/);
  });
  it('keeps its mean when it is made smaller by whole numbers', () => {
    fc.assert(
      fc.property(noise, (one) => {
        const twice = resample(resample(one, one.width * 2, one.height * 2), one.width, one.height);
        // Making larger and smaller again gives nearly the same, but for the straight way between neighbours.
        const mean = (data: Uint8ClampedArray) => data.reduce((sum, value) => sum + value, 0) / data.length;
        expect(Math.abs(mean(twice.data) - mean(one.data))).toBeLessThan(2);
      }),
    );
  });
  it('is measured in one pass as pixel by pixel', () => {
    fc.assert(
      fc.property(
        noise,
        opaque,
        fc.constantFrom(3, 4.5, 7),
        fc.option(opaque, { nil: undefined }),
        (one, ink, needed, over) => {
          const veil = over && { ...over, alpha: 0.5 };
          const found = sweep(one, { x: 0, y: 0, width: one.width, height: one.height }, ink, needed, veil);
          const ratios = Array.from({ length: one.width * one.height }, (_, i) => {
            const channel = (k: number, own: number) =>
              veil ? (one.data[i * 4 + k]! / 255) * 0.5 + own * 0.5 : one.data[i * 4 + k]! / 255;
            const behind = {
              r: channel(0, veil?.r ?? 0),
              g: channel(1, veil?.g ?? 0),
              b: channel(2, veil?.b ?? 0),
              alpha: 1,
            };
            return contrastRatio(ink, behind);
          });
          expect(found.worst).toBeCloseTo(Math.min(...ratios), 9);
          expect(found.best).toBeCloseTo(Math.max(...ratios), 9);
          expect(ratios[found.at.y * one.width + found.at.x]).toBeCloseTo(found.worst, 9);
          const clear = ratios.filter((ratio) => Math.abs(ratio - needed) > 1e-9);
          expect(Math.abs(found.short - clear.filter((ratio) => ratio < needed).length)).toBeLessThanOrEqual(
            ratios.length - clear.length,
          );
        },
      ),
    );
    expect(luminance(WHITE)).toBeCloseTo(1, 12);
  });
});
