import { describe, expect, it } from '@jest/globals';
import { contrastRatio } from '../colour/contrast.js';
import { parseColour } from '../colour/parse.js';
import { selectAll } from '../css/selector/locator.js';
import { lookingAt, pageOf } from '../testing/page.js';
import { checkText, worstOf } from './text.js';
import { isLarge } from './text-case.js';

function check(css: string, body = '<div class="g"><a href="#" class="t">Text</a></div>', selector = '.t') {
  const page = pageOf(body, css);
  return checkText(lookingAt(page.stylesFor().at()), selectAll(page.tree, selector)[0]!);
}

describe('text on what lies behind it', () => {
  it('is judged unrounded', () => {
    // #767676 on white is 4.54 and #777777 is 4.48 (from memory; computed here from the definitions as well).
    expect(check('.t { color: #767676 }').verdict).toBe('passes');
    expect(check('.t { color: #777777 }').verdict).toBe('short');
  });

  it('composites translucent colours over the ancestors', () => {
    const result = check(
      '.g { background: #000 } .t { color: rgb(255 255 255 / 50%); background: rgb(255 255 255 / 25%) }',
    );
    // 25% white over black is 63.75, and 50% white over that is 159.375, of 255.
    const grey = (value: number) => ({ r: value / 255, g: value / 255, b: value / 255, alpha: 1 });
    expect(result.measured).toBeCloseTo(contrastRatio(grey(159.375), grey(63.75)), 10);
  });

  it('fades a group as a whole', () => {
    const faded = check('.g { opacity: .5; background: #000; color: #fff } .t { color: #fff }');
    // Both the black ground and the white text are half over white paper.
    expect(faded.measured).toBeCloseTo(contrastRatio(parseColour('#fff')!, { r: 0.5, g: 0.5, b: 0.5, alpha: 1 }), 10);
  });

  it('needs less of large text, by size and weight', () => {
    expect([
      isLarge(24, 400),
      isLarge(23.9, 400),
      isLarge(18.67, 700),
      isLarge(18.6, 700),
      isLarge(18.67, 600),
    ]).toEqual([true, false, true, false, false]);
    expect(check('.t { color: #949494; font-size: 24px }')).toMatchObject({
      verdict: 'passes',
      needed: 3,
      large: true,
    });
    expect(check('.t { color: #949494; font-size: 14pt; font-weight: bold }')).toMatchObject({
      verdict: 'passes',
      needed: 3,
    });
  });

  it.each([
    [
      'a gradient that hides some of it',
      '.g { background: linear-gradient(#000, #fff) } .t { color: #fff }',
      /gradient/,
    ],
    ['a picture', '.g { background: url(x.png) #fff }', /picture/],
    ['a filter that smears', '.g { filter: blur(1px) }', /filter/i],
    [
      'a blur of a gradient',
      '.g { background: linear-gradient(#000, #333) } .t { color: #fff; backdrop-filter: blur(4px) }',
      /blurred/,
    ],
    ['being placed over something', '.g { position: absolute }', /placed over/],
  ])('is unsure behind %s, and says so', (_, css, reason) => {
    const result = check(css);
    expect(result.verdict).toBe('unsure');
    expect(result.reason).toMatch(reason);
  });

  it('is sure of a gradient when all of it passes, or none does', () => {
    expect(check('.g { background: linear-gradient(#000, #333) } .t { color: #fff }')).toMatchObject({
      verdict: 'passes',
      basis: 'ancestors',
      varies: 'gradient',
    });
    expect(check('.g { background: linear-gradient(#ccc, #fff) } .t { color: #fff }').verdict).toBe('short');
  });

  it('is sure of blending and of filters that change colours', () => {
    // White times a colour is the colour (Compositing 1, section 10.1.2).
    const plain = check('.t { color: #777 }');
    expect(check('.g { background: #fff } .t { color: #777; mix-blend-mode: multiply }').measured).toBeCloseTo(
      plain.measured!,
      6,
    );
    const inverted = check('.g { background: #000 } .t { color: #fff; filter: invert(1) }');
    expect(inverted).toMatchObject({ verdict: 'short', measured: 1 });
  });

  it('measures what is named a logo, and asks where it falls short', () => {
    const logo = (css: string, name = 'site-logo') =>
      check(css, `<span class="${name}"><b class="t">Ferries</b></span>`);
    expect(logo('.t { color: #fff }')).toMatchObject({ verdict: 'unsure', measured: undefined });
    expect(logo('.t { color: #fff }').reason).toMatch(/fails, at 1\.00\. Is it a logo/);
    expect(logo('.t { color: #000 }')).toMatchObject({ verdict: 'passes', measured: 21 });
    // A bar that a logo stands in is none.
    expect(logo('.t { color: #fff }', 'logo-bar')).toMatchObject({ verdict: 'short' });
  });

  it('asks as much of text that is drawn small as of small text', () => {
    const needed = (css: string) => check(`.t { display: inline-block; font-size: 30px } ${css}`).needed;
    expect(needed('')).toBe(3);
    for (const css of [
      '.t { transform: scale(.5) }',
      '.g { transform: translateX(9px) matrix(.5, 0, 0, .5, 0, 0) }',
      '.t { scale: 60% }',
      '.t { scale: 1 .5 }',
      '.g { zoom: .5 }',
      '.g { transform: scale(.8) } .t { scale: .8 }',
    ])
      expect({ css, needed: needed(css) }).toEqual({ css, needed: 4.5 });
    // Turned or moved it is as large as before, and what is made larger may be so for a moment only.
    for (const css of [
      '.t { transform: rotate(45deg) }',
      '.t { transform: matrix(0, 1, -1, 0, 4, 4) }',
      '.t { scale: 3 }',
    ])
      expect(needed(css)).toBe(3);
    expect(check('.t { font-size: 16px; transform: scale(2) }').needed).toBe(4.5);
  });

  it('takes the fill of text in a drawing', () => {
    const drawn = (attributes: string) => `<svg><text class="t" ${attributes}>Text</text></svg>`;
    expect(check('.t { color: #000 }', drawn('fill="#eee"'))).toMatchObject({ verdict: 'short' });
    expect(check('.t { color: #eee }', drawn(''))).toMatchObject({ verdict: 'passes', measured: 21 });
    expect(check('', drawn('fill-opacity=".2"')).measured).toBeCloseTo(1.61, 1);
    expect(check('', drawn('fill="url(#g)"'))).toMatchObject({ verdict: 'unsure' });
  });

  it('counts the ground that a text brings along as CSS puts it there', () => {
    const page = pageOf('<b class="t"></b>', '.t::before { content: "New"; color: #fff; background: #000 }');
    const found = checkText(lookingAt(page.stylesFor().at()), selectAll(page.tree, '.t')[0]!, 'AA', 'before');
    expect(found).toMatchObject({ verdict: 'passes', measured: 21 });
  });

  it('leaves out emoji and what is there for screen readers alone', () => {
    const colours = '.t { color: #fff }';
    expect(check(colours, '<b class="t">⛴️ 🌊</b>').reason).toMatch(/Emoji/);
    expect(check(colours, '<b class="t">⛴️ Boats</b>').verdict).toBe('short');
    const kept = '.t { position: absolute; width: 1px; height: 1px; overflow: hidden }';
    expect(check(kept, '<b class="t">Skip</b>').reason).toMatch(/screen readers/);
  });

  it('counts shadows and outlines that lie all around the letters', () => {
    const on = 'background: #fff';
    const bare = check(`.t { color: #fff; ${on} }`);
    expect(bare).toMatchObject({ verdict: 'short', measured: 1 });
    const around = '1px 0 #000, -1px 0 #000, 0 1px #000, 0 -1px #000';
    expect(check(`.t { color: #fff; ${on}; text-shadow: ${around} }`)).toMatchObject({
      verdict: 'passes',
      measured: 21,
    });
    // A shadow to one side leaves the other sides as they are.
    expect(check(`.t { color: #fff; ${on}; text-shadow: 2px 2px #000 }`)).toMatchObject({ measured: 1 });
    expect(check(`.t { color: #fff; ${on}; -webkit-text-stroke: 1px #000 }`)).toMatchObject({ measured: 21 });
    // A wide soft one adds a little, and never more than a sharp one.
    const soft = check(`.t { color: #fff; ${on}; text-shadow: 0 0 4px #000 }`).measured!;
    expect(soft).toBeGreaterThan(1);
    expect(soft).toBeLessThan(21);
    // Dark letters lose by a dark shadow.
    const lost = check(`.t { color: #767676; ${on}; text-shadow: 0 0 4px #000 }`).measured!;
    expect(lost).toBeLessThan(4.5);
  });

  it('is sure again when an opaque ground covers the picture', () => {
    expect(check('.g { background: url(x.png) } .t { background: #fff; color: #000 }')).toMatchObject({
      verdict: 'passes',
      measured: 21,
    });
    expect(check('.g { position: fixed; background: #fff } .t { color: #000 }')).toMatchObject({ verdict: 'passes' });
  });

  it.each([
    ['hidden text', '.t { display: none }', undefined, 'unseen'],
    ['transparent text', '.g { opacity: 0 }', undefined, 'unseen'],
    ['a disabled button', '', '<button class="t" disabled>Text</button>', 'exempt'],
  ])('does not judge %s, and says why', (_, css, body, verdict) => {
    const result = check(css, body);
    expect(result.verdict).toBe(verdict);
    expect(result.measured).toBeUndefined();
    expect(result.reason).toBeTruthy();
  });

  it('lets a short check decide before an unsure and a passing one', () => {
    const passing = check('.t { color: #000 }');
    const short = check('.t { color: #aaa }');
    const unsure = check('.g { background: url(x.png) }');
    expect(worstOf([passing, unsure, short])).toBe(short);
    expect(worstOf([passing, unsure])).toBe(unsure);
    expect(worstOf([])).toBeUndefined();
  });
});
