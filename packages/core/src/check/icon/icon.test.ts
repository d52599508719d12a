import { describe, expect, it } from '@jest/globals';
import { selectAll } from '../../css/selector/locator.js';
import { lookingAt, pageOf } from '../../testing/page.js';
import { field, placed, type Boxes } from '../../testing/placed.js';
import { NO_PICTURES, type PictureSource } from '../../paint/pictures.js';
import { checkIcon, checkMark } from './icon.js';

/** WCAG 2.2's formula gives 21 for black on white; the other ratios here are from the same formula. */
const icon = (css: string, body: string, pictures: PictureSource = NO_PICTURES) => {
  const page = pageOf(body, css);
  return checkIcon(lookingAt(page.stylesFor().at(), undefined, pictures), selectAll(page.tree, '.i')[0]!);
};

describe('an icon of letters', () => {
  it('is measured in the colour of the element that holds them, and not of the one around it', () => {
    const check = icon(
      '.i { color: #000; background: #fff } .i span { color: #eee }',
      '<button class="i"><span>×</span></button>',
    );
    expect(check).toMatchObject({ verdict: 'short' });
    expect(check.measured).toBeCloseTo(1.16, 2);
  });

  it('may be put there by CSS, in a colour and on a ground of its own', () => {
    const body = '<a class="i" href="#"></a>';
    expect(icon('.i { color: #000 } .i::before { content: "›"; color: #eee }', body).verdict).toBe('short');
    expect(icon('.i { color: #eee } .i::after { content: "›"; color: #000 }', body).measured).toBeCloseTo(21, 5);
    const onOwn = '.i::before { content: "›"; color: #fff; background: #000 }';
    expect(icon(onOwn, body)).toMatchObject({ verdict: 'passes', measured: 21 });
  });
});

describe('an icon of shapes', () => {
  const svg = (inner: string) => `<svg class="i">${inner}</svg>`;

  it('is faded by what fades its shapes', () => {
    const path = svg('<g><path d="M0 0h9"/></g>');
    expect(icon('', path).measured).toBeCloseTo(21, 5);
    // Black at a fifth over white is #cccccc, 1.61 to white.
    for (const css of ['path { fill-opacity: .2 }', 'path { fill-opacity: 20% }', 'g { opacity: .2 }'])
      expect(icon(css, path).measured).toBeCloseTo(1.61, 1);
    const line = svg('<path fill="none" stroke="#000" stroke-opacity=".2" d="M0 0h9"/>');
    expect(icon('', line).verdict).toBe('short');
    expect(icon('', svg('<path fill="none" stroke="#000" stroke-width="0" d="M0 0h9"/>')).verdict).toBe('exempt');
  });

  it('leaves out what is only kept to be referred to, and what is not shown', () => {
    const kept = svg('<defs><path fill="#000" d="M0 0h9"/></defs><path fill="#eee" d="M0 0h9"/>');
    expect(icon('', kept).verdict).toBe('short');
    const hidden = svg('<path class="h" fill="#000" d="M0 0h9"/><path fill="#eee" d="M0 0h9"/>');
    expect(icon('.h { display: none }', hidden).verdict).toBe('short');
    expect(icon('.h { visibility: hidden }', hidden).verdict).toBe('short');
  });

  it('is not judged by black where it is painted with a gradient', () => {
    const body = svg('<linearGradient id="g"/><path fill="url(#g)" d="M0 0h9"/>');
    expect(icon('', body)).toMatchObject({ verdict: 'unsure', reason: expect.stringContaining('gradient') as unknown });
    // One colour that is seen is enough to show it, and one that is not tells nothing.
    const both = (colour: string) => svg(`<path fill="url(#g)" d="M0 0h9"/><path fill="${colour}" d="M0 0h9"/>`);
    expect(icon('', both('#000')).verdict).toBe('passes');
    expect(icon('', both('#eee')).verdict).toBe('unsure');
  });

  it('takes from its use what the shapes that it uses do not say themselves', () => {
    const sprite = (inner: string) => `<svg style="display:none"><symbol id="s">${inner}</symbol></svg>`;
    const use = '<svg class="i"><use href="#s"/></svg>';
    const css = 'body { color: #000 } .i { color: #eee; fill: #eee }';
    expect(icon(css, sprite('<path d="M0 0h9"/>') + use).verdict).toBe('short');
    expect(icon(css, sprite('<path fill="currentColor" d="M0 0h9"/>') + use).verdict).toBe('short');
    expect(icon(css, sprite('<path fill="#000" d="M0 0h9"/>') + use).verdict).toBe('passes');
    expect(icon(css, '<svg class="i"><use href="icons.svg#s"/></svg>')).toMatchObject({
      verdict: 'unsure',
      reason: expect.stringContaining('another file') as unknown,
    });
  });
});

describe('an icon of boxes', () => {
  it('is the bars of a menu toggle', () => {
    const bars = '<button class="i"><span></span><span></span><span></span></button>';
    const css = (colour: string) =>
      `.i { color: #000; background: #fff } .i span { background: ${colour}; height: 2px }`;
    expect(icon(css('#eee'), bars).verdict).toBe('short');
    expect(icon(css('#000'), bars)).toMatchObject({ verdict: 'passes', measured: 21 });
  });

  it('is lines that CSS draws, or the element itself where it holds nothing', () => {
    const chevron = '.i::after { content: ""; border: solid #eee; border-width: 0 2px 2px 0; rotate: 45deg }';
    expect(icon(`.i { color: #000 } ${chevron}`, '<a class="i"></a>').verdict).toBe('short');
    expect(icon('.i { background: #eee }', '<i class="i"></i>').verdict).toBe('short');
    expect(icon('.i { color: #eee }', '<i class="i"></i>').verdict).toBe('exempt');
  });

  it('is a ground cut out by a mask', () => {
    const css = (colour: string) => `.i { color: #000; background: ${colour}; mask: url(x.svg) }`;
    expect(icon(css('#eee'), '<i class="i"></i>').verdict).toBe('short');
    expect(icon(css('currentColor'), '<i class="i"></i>')).toMatchObject({ verdict: 'passes', measured: 21 });
  });
});

describe('an icon that is a picture', () => {
  const grey = (value: number, alpha = 255) => field(8, 8, (x) => [value, value, value, x % 2 ? alpha : 0]);

  it('is said to be not measured where its colours are not known', () => {
    for (const body of ['<img class="i" src="x.png">', '<button class="i"><img src="x.png"></button>'])
      expect(icon('.i { color: #000 }', body)).toMatchObject({
        verdict: 'unsure',
        reason: expect.stringContaining('picture') as unknown,
      });
    expect(icon('.i { color: #000; background: url(x.png) }', '<i class="i"></i>').verdict).toBe('unsure');
    expect(icon('.i::before { content: url(x.png) }', '<i class="i"></i>').verdict).toBe('unsure');
  });

  it('is measured in the colours that it is mostly painted in', () => {
    const img = '<img class="i" src="x.png">';
    expect(icon('', img, () => grey(0)).measured).toBeCloseTo(21, 5);
    expect(icon('', img, () => grey(0xee)).verdict).toBe('short');
    expect(icon('', img, () => grey(0, 51)).measured).toBeCloseTo(1.61, 1);
    // Less than a tenth of it in black does not show it.
    const speck = () => field(10, 10, (x, y) => (x + y ? [0xee, 0xee, 0xee, 255] : [0, 0, 0, 255]));
    expect(icon('', img, speck).verdict).toBe('short');
    expect(icon('', img, () => null).verdict).toBe('exempt');
  });

  it('does not lie behind itself', () => {
    const boxes: Boxes = { '.i': [10, 10, 8, 8] };
    const { looking, one } = placed('<i class="i"></i>', '.i { background: #fff url(x.png) }', boxes, () => grey(0));
    expect(checkIcon(looking, one('.i'))).toMatchObject({ verdict: 'passes', measured: 21, basis: 'geometry' });
  });
});

describe('a picture that CSS puts before something', () => {
  const mark = (css: string, pictures: PictureSource) => {
    const page = pageOf('<a class="i" href="#">Text</a>', css);
    const looking = lookingAt(page.stylesFor().at(), undefined, pictures);
    return checkMark(looking, selectAll(page.tree, '.i')[0]!, 'before');
  };
  const light = field(4, 4, () => [0xee, 0xee, 0xee, 255]);

  it('is measured by its own colours, and not by that of a text that it does not have', () => {
    const css = '.i { color: #000 } .i::before { content: url("x.png") / "anchor" }';
    expect(mark(css, () => light)?.verdict).toBe('short');
    expect(mark(css, NO_PICTURES)?.verdict).toBe('unsure');
    expect(mark('.i::before { content: "›" }', NO_PICTURES)).toBeUndefined();
    expect(mark('', NO_PICTURES)).toBeUndefined();
  });
});
