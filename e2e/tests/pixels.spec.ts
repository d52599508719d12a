import { expect, test } from '@playwright/test';
import sharp from 'sharp';
import { parseColour, seenAs } from '../../packages/core/dist/index.js';
import { boxOf, differences, inked, madePicture, photograph, type PixelDifference } from '../agreement/pixels';

// What the core says is painted, against the pixels that Chromium puts on the screen.

const BASE =
  'body { margin: 0; font: 16px sans-serif } .a { position: absolute; left: 20px; top: 20px; width: 240px; height: 120px }';

/** Of a box's pixels this share may differ by more than the tolerance: edges of gradients that Chromium draws softly. */
const cases: readonly (readonly [name: string, body: string, css: string])[] = [
  [
    'solid and translucent grounds',
    '<div class="a"><div class="b"></div></div>',
    '.a { background: #0b5563 } .b { height: 60px; background: rgb(255 200 0 / 37%) }',
  ],
  [
    'a group that is faded as one',
    '<div class="a"><div class="b"></div></div>',
    '.a { background: #333; opacity: .6 } .b { height: 60px; background: #fff; opacity: .5 }',
  ],
  [
    'the canvas, painted by the body',
    '<div class="a"></div>',
    'body { background: #123456 } .a { background: rgb(255 255 255 / 50%) }',
  ],
  [
    'a layer below its context',
    '<div class="a"><div class="b"></div><div class="c"></div></div>',
    '.a { background: #fff; isolation: isolate } .b { position: absolute; z-index: -1; inset: 10px; background: red } .c { height: 60px; background: rgb(0 0 255 / 50%) }',
  ],
  [
    'positioned over what follows',
    '<div class="a"><div class="b"></div><div class="c"></div><div class="d"></div></div>',
    '.b { position: relative; height: 40px; background: #0a0 } .c { height: 40px; margin-top: -20px; background: #a00 } .d { position: absolute; z-index: 3; left: 10px; top: 10px; width: 100px; height: 60px; background: rgb(0 0 160 / 60%) }',
  ],
  [
    'a float, then text over it',
    '<div class="a"><div class="f"></div><div class="b"></div></div>',
    '.f { float: left; width: 100px; height: 80px; background: #c80 } .b { height: 50px; background: #08c }',
  ],
  [
    'flexible boxes with an order in depth',
    '<div class="a"><div class="b"></div><div class="c"></div></div>',
    '.a { display: flex } .b { width: 100px; background: #c00; z-index: 2 } .c { width: 100px; margin-left: -40px; background: #0c0; z-index: 1 }',
  ],
  [
    'what is cut off',
    '<div class="a"><div class="b"></div></div>',
    '.a { overflow: hidden; background: #eee; height: 60px } .b { width: 400px; height: 300px; background: rgb(120 0 120 / 70%) }',
  ],
  [
    'borders of four colours',
    '<div class="a"></div>',
    '.a { background: #fee; border: solid; border-width: 10px; border-color: #900 #900 #900 #900; box-sizing: border-box }',
  ],
  [
    'a shadow inside that fills half',
    '<div class="a"></div>',
    '.a { background: #eee; box-shadow: inset 120px 0 0 0 #147 }',
  ],
  [
    'a shadow with a sharp edge, beside its box and not under it',
    '<div class="a"></div>',
    '.a { width: 100px; height: 60px; background: rgb(0 0 255 / 20%); box-shadow: 40px 30px 0 10px rgb(160 0 0 / 70%) }',
  ],
  [
    'a scrim before the content',
    '<div class="a"><div class="b"></div></div>',
    '.a { background: #fc0 } .a::before { content: ""; position: absolute; inset: 0; background: rgb(0 0 0 / 45%) } .b { position: relative; height: 30px; background: rgb(255 255 255 / 30%) }',
  ],
  [
    'colour filters',
    '<div class="a"></div>',
    '.a { background: #3a7bd5; filter: brightness(.8) saturate(1.6) hue-rotate(40deg) contrast(1.2) }',
  ],
  [
    'sepia, greyscale and inversion',
    '<div class="a"><div class="b"></div></div>',
    '.a { background: #3a7bd5; filter: sepia(.6) } .b { height: 50px; background: #e94; filter: grayscale(.7) invert(.3) }',
  ],
  [
    'a filter on what is behind',
    '<div class="a"></div><div class="a b"></div>',
    '.a { background: #3a7bd5 } .b { background: rgb(255 255 255 / 20%); backdrop-filter: brightness(.5) saturate(2) }',
  ],
  ...(
    [
      'multiply',
      'screen',
      'overlay',
      'darken',
      'lighten',
      'color-dodge',
      'color-burn',
      'hard-light',
      'soft-light',
      'difference',
      'exclusion',
      'hue',
      'saturation',
      'color',
      'luminosity',
    ] as const
  ).map(
    (mode) =>
      [
        `blending by ${mode}`,
        '<div class="a"></div><div class="a b"></div>',
        `.a { background: linear-gradient(90deg, #204060 60px, #e0c040 60px 120px, #7f2f9f 120px 180px, #fff 180px) } .b { background: rgb(200 60 90 / 80%); mix-blend-mode: ${mode} }`,
      ] as const,
  ),
];

const gradients = [
  'linear-gradient(#f00, #00f)',
  'linear-gradient(to top right, #024, #fa0 40%, #fff)',
  'linear-gradient(33deg, rgb(255 0 0 / 20%), rgb(0 0 255 / 90%) 70px, transparent)',
  'linear-gradient(90deg, #c00 50%, #0c0 50%)',
  'linear-gradient(to right in oklch longer hue, #e11, #11e)',
  'linear-gradient(to right in oklab, #e11, #1e1)',
  'linear-gradient(to right in hsl, hsl(10 80% 50%), hsl(200 80% 50%))',
  'linear-gradient(to right, oklch(.7 .1 20), oklch(.5 .1 250))',
  'radial-gradient(#fff, #024)',
  'radial-gradient(circle at 30% 40%, #fd0, #046 60px, #111)',
  'radial-gradient(closest-side at 80px 50px, #fff, #800)',
  'radial-gradient(60px 30px at right 40px bottom 30px, #fff, #080)',
  'radial-gradient(circle closest-corner at 70px 40px, #fff, #008)',
  'conic-gradient(#f00, #0f0, #00f, #f00)',
  'conic-gradient(from 45deg at 25% 50%, #fff 90deg, #333 270deg)',
  'repeating-linear-gradient(45deg, #eee 0 12px, #369 12px 30px)',
  'repeating-radial-gradient(circle, #fff 0, #39c 25px)',
  'repeating-conic-gradient(#000 0 30deg, #fff 30deg 60deg)',
] as const;

/** Chromium softens edges that run aslant, and walks between hues in steps. */
const softened = (gradient: string) => /repeating|conic|longer hue/.test(gradient);

const told = (name: string, compared: number, found: readonly PixelDifference[]) =>
  `${name}: ${((found.length / compared) * 100).toFixed(2)} % differ, such as ${JSON.stringify(found[Math.floor(found.length / 2)])}`;

/** Chromium's own blur is put together of cheaper ones: it is off by a few steps, most along the edges of a panel. */
const BLUR_TOLERANCE = 4;
const EDGE_TOLERANCE = 10;
const EDGE_SHARE = 0.02;
const blurred: readonly (readonly [name: string, body: string, css: string])[] = [
  [
    'a hard edge',
    '<div class="a"></div><div class="a b"></div>',
    '.a { background: linear-gradient(90deg, #123 50%, #fff 50%) } .b { background: rgb(0 60 80 / 30%); backdrop-filter: blur(8px) }',
  ],
  [
    'a picture, and colours changed after it',
    '<div class="a p"></div><div class="a b"></div>',
    '.p { background: url(p.png) } .b { left: 60px; top: 50px; width: 120px; height: 60px; background: rgb(255 255 255 / 40%); backdrop-filter: blur(5px) saturate(1.4) }',
  ],
  [
    'a panel that stands out of what it blurs',
    '<div class="a p"></div><div class="a b"></div>',
    '.p { background: #c33 } .b { left: 140px; top: 70px; backdrop-filter: blur(12px) }',
  ],
  [
    'a shadow inside with a soft edge',
    '<div class="a"></div>',
    '.a { background: #eee; box-shadow: inset 0 0 30px 12px #147 }',
  ],
  [
    'soft shadows inside that are moved, one over another',
    '<div class="a"></div>',
    '.a { background: #fc0; border: 4px solid #333; box-sizing: border-box; box-shadow: inset 20px 10px 24px rgb(0 0 80 / 60%), inset -30px 0 16px #a21 }',
  ],
  [
    'soft shadows that boxes throw around them, on one another and not under themselves',
    '<div class="a b"></div><div class="a c"></div>',
    '.a { width: 120px; height: 60px; background: rgb(255 255 255 / 40%) } .b { box-shadow: 0 16px 34px rgb(0 0 80 / 60%), 0 0 0 6px #a21 } .c { left: 180px; top: 90px; background: #fc0; box-shadow: -30px -20px 20px 4px #147 }',
  ],
  [
    'a shadow that is cut off by what holds its box',
    '<div class="a o"><div class="b"></div></div>',
    '.o { overflow: hidden; background: #eee } .b { margin: 20px; height: 60px; background: #0b5563; box-shadow: 0 30px 40px 10px #000 }',
  ],
  [
    'one panel over another',
    '<div class="a p"></div><div class="a b"></div><div class="a c"></div>',
    '.p { background: linear-gradient(#fff 50%, #039 50%) } .b { left: 60px; backdrop-filter: blur(4px) } .c { top: 60px; backdrop-filter: blur(6px) brightness(.8) }',
  ],
];

test.describe('what the core says is painted is what Chromium paints', () => {
  test('through grounds, groups, depth, cuts, filters and blending', async ({ page }) => {
    const wrong: string[] = [];
    for (const [name, body, css] of cases) {
      const beside = await photograph(page, body, BASE + css);
      const { compared, found } = differences(beside, { x: 0, y: 0, width: 320, height: 180 }, 1);
      expect(compared).toBe(320 * 180);
      if (found.length) wrong.push(told(name, compared, found));
    }
    expect(wrong).toEqual([]);
  });

  // CSS Backgrounds 3, section 3.2, leaves the two shades to browsers; corners, where sides meet aslant, are left out.
  test('on the sides of borders of two shades', async ({ page }) => {
    const colours = [
      '#767676',
      '#fff',
      '#000',
      '#202020',
      '#212121',
      '#ebebeb',
      '#f0f0f0',
      '#a36',
      'rgb(9 19 29 / 40%)',
    ];
    const sides = [
      { x: 100, y: 20, width: 40, height: 12 },
      { x: 100, y: 128, width: 40, height: 12 },
      { x: 20, y: 60, width: 12, height: 30 },
      { x: 248, y: 60, width: 12, height: 30 },
    ];
    const wrong: string[] = [];
    for (const style of ['inset', 'outset', 'groove', 'ridge']) {
      for (const colour of colours) {
        const css = `${BASE} .a { box-sizing: border-box; background: #fed; border: 12px ${style} ${colour} }`;
        const beside = await photograph(page, '<div class="a"></div>', css);
        for (const side of sides) {
          const { compared, found } = differences(beside, side, 1);
          if (found.length) wrong.push(told(`${style} ${colour}`, compared, found));
        }
      }
    }
    expect(wrong).toEqual([]);
  });

  // Filter Effects 2, backdrop-filter; its edges are mirrored.
  test('through a blur of what lies behind', async ({ page }) => {
    const wrong: string[] = [];
    const p = await madePicture(240, 120, false);
    for (const [name, body, css] of blurred) {
      const beside = await photograph(page, body, BASE + css, { 'p.png': p });
      const { compared, found } = differences(beside, { x: 0, y: 0, width: 420, height: 220 }, BLUR_TOLERANCE);
      const off = ({ core, chromium }: PixelDifference) =>
        core.some((value, k) => Math.abs(value - chromium[k]!) > EDGE_TOLERANCE);
      if (found.length > compared * EDGE_SHARE || found.some(off)) wrong.push(told(name, compared, found));
    }
    expect(wrong).toEqual([]);
  });

  test('where there is text, through groups, filters, blending and what lies over it', async ({ page }) => {
    const text = '<p class="t">████████</p>';
    const own = '.t { margin: 10px; font: 40px/1.2 monospace }';
    const texts: readonly (readonly [name: string, body: string, css: string])[] = [
      ['plain', `<div class="a">${text}</div>`, '.t { color: #14323a }'],
      [
        'translucent on translucent',
        `<div class="a">${text}</div>`,
        '.a { background: rgb(0 80 90 / 60%) } .t { color: rgb(255 220 0 / 55%) }',
      ],
      [
        'in a faded group',
        `<div class="a">${text}</div>`,
        '.a { background: #123; opacity: .5 } .t { color: #fd0; opacity: .7 }',
      ],
      [
        'over a gradient',
        `<div class="a">${text}</div>`,
        '.a { background: linear-gradient(90deg, #024, #fa0) } .t { color: rgb(255 255 255 / 40%) }',
      ],
      [
        'under a veil',
        `<div class="a">${text}</div><div class="a v"></div>`,
        '.t { color: #c00 } .v { background: rgb(0 0 0 / 30%) }',
      ],
      [
        'blended',
        `<div class="a">${text}</div>`,
        '.a { background: #3a7bd5 } .t { color: #e94; mix-blend-mode: multiply }',
      ],
      ['filtered', `<div class="a">${text}</div>`, '.a { background: #3a7bd5; filter: invert(.8) } .t { color: #e94 }'],
      ['with a fill of its own', `<div class="a">${text}</div>`, '.t { color: #00f; -webkit-text-fill-color: #0a0 }'],
      [
        'cut out of a ground',
        `<div class="a"><p class="t c">████████</p></div>`,
        '.c { background: linear-gradient(90deg, #f06, #06f); background-clip: text; color: transparent }',
      ],
    ];
    const wrong: string[] = [];
    for (const [name, body, css] of texts) {
      const { core, chromium } = inked(await photograph(page, body, BASE + own + css), '.t');
      if (core.some((value, k) => Math.abs(value - chromium[k]!) > 1))
        wrong.push(`${name}: ${core.join()} and ${chromium.join()}`);
    }
    expect(wrong).toEqual([]);
  });

  // CSS Images 4, sections 3.1 to 3.5. Where a stop is hard, or lines run aslant, Chromium softens what lies on the edge.
  test('over gradients of each shape', async ({ page }) => {
    const wrong: string[] = [];
    for (const gradient of gradients) {
      const beside = await photograph(page, '<div class="a"></div>', `${BASE} .a { background: ${gradient} }`);
      const { compared, found } = differences(beside, boxOf(beside, '.a'), 1);
      expect(compared).toBe(240 * 120);
      if (found.length > (softened(gradient) ? 0.02 : 0) * compared) wrong.push(told(gradient, compared, found));
    }
    expect(wrong).toEqual([]);
  });

  // CSS Images 4, section 3.5.2. Chromium puts nine stops in place of the curve, so it is off between them, most at its
  // steep start; a straight way from end to end would be off by more than 90 of 255.
  test('over a gradient whose halfway place is moved', async ({ page }) => {
    for (const gradient of ['linear-gradient(90deg, #000, 20%, #fff)', 'linear-gradient(90deg, #000, 70%, #fff)']) {
      const beside = await photograph(page, '<div class="a"></div>', `${BASE} .a { background: ${gradient} }`);
      const { found } = differences(beside, boxOf(beside, '.a'), 20);
      expect(found.length).toBeLessThan(240 * 120 * 0.03);
    }
  });

  // The same matrices as the literature's, in linear light; Chromium has them of its own (Emulation domain).
  test('as people see it who see colours otherwise', async ({ page }) => {
    const colours = ['#d01c1f', '#2e8b57', '#1f4fd8', '#f2c14e', '#7a3b9a', '#888888', '#0b5563'];
    const body = colours.map((colour) => `<div style="height: 20px; background: ${colour}"></div>`).join('');
    await page.setContent(`<style>body { margin: 0 }</style>${body}`);
    const client = await page.context().newCDPSession(page);
    const types = { protan: 'protanopia', deutan: 'deuteranopia', tritan: 'tritanopia' } as const;
    for (const [vision, type] of Object.entries(types) as [keyof typeof types, (typeof types)[keyof typeof types]][]) {
      await client.send('Emulation.setEmulatedVisionDeficiency', { type });
      const { data, info } = await sharp(await page.screenshot())
        .raw()
        .toBuffer({ resolveWithObject: true });
      for (const [i, css] of colours.entries()) {
        const seen = seenAs(parseColour(css)!, vision);
        const at = ((i * 20 + 10) * info.width + 10) * info.channels;
        const own = [seen.r, seen.g, seen.b].map((value) => Math.round(value * 255));
        const apart = own.map((value, k) => Math.abs(value - data[at + k]!));
        // Chromium rounds to eight bits in linear light, where dark steps are wide.
        expect({
          css,
          vision,
          apart: Math.max(...apart) <= 6 ? 'near' : `${own.join()} ${[...data.subarray(at, at + 3)].join()}`,
        }).toEqual({ css, vision, apart: 'near' });
      }
    }
  });

  test('over pictures that are laid, repeated and cut', async ({ page }) => {
    const pictures = { 'wave.png': await madePicture(300, 200, false), 'veil.png': await madePicture(40, 30, true) };
    const placed = [
      'url(wave.png)',
      'url(wave.png) -30px -20px no-repeat',
      'url(wave.png) center / auto',
      'url(wave.png) right 10px bottom 5px / auto no-repeat #fed',
      'url(veil.png)',
      'url(veil.png) space',
      'url(veil.png) 15px 12px repeat-x #246',
      'linear-gradient(rgb(0 0 0 / 60%), rgb(0 0 0 / 20%)), url(wave.png)',
      'url(veil.png), linear-gradient(#123 50px, #fed 50px)',
    ];
    const wrong: string[] = [];
    for (const background of placed) {
      const beside = await photograph(
        page,
        '<div class="a"></div>',
        `${BASE} .a { background: ${background} }`,
        pictures,
      );
      const { found } = differences(beside, { x: 0, y: 0, width: 280, height: 160 }, 1);
      if (found.length) wrong.push(told(background, 280 * 160, found));
    }
    expect(wrong).toEqual([]);
    const header = '<header class="a"><img src="wave.png" alt=""><nav class="n">Menu</nav></header>';
    const css =
      '.a { height: 160px } img { display: block } .n { position: absolute; inset: 10px 20px auto; height: 40px; background: rgb(255 255 255 / 40%); color: transparent }';
    const beside = await photograph(page, header, BASE + css, pictures);
    expect(differences(beside, { x: 0, y: 0, width: 340, height: 240 }, 1).found).toEqual([]);
  });
});
