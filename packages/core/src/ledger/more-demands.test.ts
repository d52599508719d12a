import { describe, expect, it } from '@jest/globals';
import { DESKTOP } from '../css/conditions/environment.js';
import { EMPTY_LOOK } from '../look/model.js';
import { geometryOf } from '../page/geometry.js';
import { fieldOf } from '../picture/field.js';
import { pageOf } from '../testing/page.js';
import { ComponentSession } from '../session/component-session.js';

const viewports = [{ name: 'wide', environment: DESKTOP }];
const LOOK =
  'text-decoration: none; display: inline-block; padding: 8px 16px; border-radius: 4px; color: #fff; background: #0b5563';

/** The checks of the first component of a kind; boxes by class, where the test gives them. */
function ledger(
  css: string,
  body: string,
  kind = 'button',
  boxes?: (order: number) => readonly [number, number, number, number],
) {
  const page = pageOf(body, css);
  const found = page.components().find((item) => item.kind === kind)!;
  if (boxes) {
    page.measures.setGeometry(
      geometryOf(
        DESKTOP,
        page.tree.elements.map(({ order }) => ({ order, box: boxes(order), lines: [boxes(order)] })),
      ),
    );
  }
  const checks = new ComponentSession(page, found.kind, found.locator).ledger(EMPTY_LOOK, { viewports });
  return (criterion: string, column?: string) =>
    checks.filter((check) => check.criterion === criterion && (column === undefined || check.column === column));
}
const BUTTON = '<p><a class="b" href="#">Board</a></p>';

// WCAG 2.2, the criteria by their numbers; what has a word in place of a number is advice, by common practice.
describe('what is asked beside contrast', () => {
  it('advises where a control is in the colour of what lies behind it and so is not seen to be one', () => {
    const on = (css: string) =>
      ledger(
        `.zone { background: #2e7d32 } .b { ${LOOK}; background: #2e7d32; ${css} }`,
        `<div class="zone">${BUTTON}</div>`,
      )('distinct', 'default').find(({ demand }) => demand.endsWith('lost'));
    expect(on('')).toMatchObject({ verdict: 'short', measured: 1, reason: expect.stringContaining('no edge') });
    for (const seen of ['background: #fff', 'border: 2px solid #fff', 'box-shadow: 0 0 4px #000'])
      expect(on(seen)).toBeUndefined();
  });

  it('2.4.7: a ring that is cut off by what holds the control is not seen, and one within it is offered', () => {
    const body = '<div class="tight"><a class="b" href="#">Board</a></div>';
    const css = (ring: string, held = 'overflow: hidden') =>
      `.b { ${LOOK} } .b:focus-visible { ${ring} } .tight { ${held} }`;
    // Whatever holds the link is as large as the link itself.
    const tight = (text: string) => ledger(text, body, 'button', () => [20, 20, 120, 40]);
    const outline = 'outline: 2px solid #0b5563; outline-offset: 2px';
    expect(tight(css(outline))('2.4.7', 'focus')[0]).toMatchObject({
      verdict: 'short',
      reason: expect.stringContaining('cuts off') as unknown,
    });
    expect(tight(css(outline, ''))('2.4.7', 'focus')[0]).toMatchObject({ verdict: 'passes' });
    expect(tight(css('color: #ffd54a', 'overflow: hidden'))('2.4.7', 'focus')[0]).toMatchObject({ verdict: 'short' });
    expect(tight(css('outline: 2px solid #fff; outline-offset: -4px'))('2.4.7', 'focus')[0]).toMatchObject({
      verdict: 'passes',
    });
    // A change of the ground shows it as well as any ring.
    expect(tight(css(`${outline}; background: #8a1c1c`))('2.4.7', 'focus')[0]).toMatchObject({ verdict: 'passes' });
  });

  it('2.4.7 and 2.4.13: the focus is seen, and its ring is thick and clear enough', () => {
    const none = ledger(`.b { ${LOOK} } .b:focus-visible { outline: none }`, BUTTON);
    expect(none('2.4.7', 'focus')[0]).toMatchObject({ verdict: 'short' });
    const ring = (css: string) => ledger(`.b { ${LOOK} } .b:focus-visible { ${css} }`, BUTTON);
    expect(ring('outline: 2px solid #0b5563; outline-offset: 2px')('2.4.13', 'focus')[0]).toMatchObject({
      verdict: 'passes',
    });
    expect(ring('outline: 1px solid #0b5563; outline-offset: 2px')('2.4.13', 'focus')[0]!.reason).toMatch(/1 px thick/);
    expect(ring('outline: 2px solid #eee; outline-offset: 2px')('2.4.13', 'focus')[0]).toMatchObject({
      verdict: 'short',
    });
    // A ring that touches the control is told from it as well.
    expect(ring('outline: 2px solid #0b5563; outline-offset: 0')('1.4.11', 'focus')[0]).toMatchObject({
      verdict: 'short',
    });
    // Technique C40: of two colours far apart one is always seen.
    const two = ring('outline: 2px solid #fff; outline-offset: 0; box-shadow: 0 0 0 4px #000');
    expect(two('1.4.11', 'focus')[0]).toMatchObject({ verdict: 'passes' });
    expect(ledger(`.b { ${LOOK} }`, BUTTON)('2.4.7', 'focus')[0]!.reason).toMatch(/own ring/);
    // What nobody sees shows no focus: a ring that was there before, a transparent one, one in the page's own colour.
    const seen = (css: string, always = '') =>
      ledger(`.b { ${LOOK}; ${always} } .b:focus-visible { ${css} }`, BUTTON)('2.4.7', 'focus')[0]!.verdict;
    expect(seen('outline: 2px solid #0b5563')).toBe('passes');
    expect(seen('outline: 2px solid #0b5563', 'outline: 2px solid #0b5563')).toBe('short');
    expect(seen('outline: 3px solid #0b5563', 'outline: 2px solid #0b5563')).toBe('passes');
    expect(seen('outline: 2px solid transparent')).toBe('short');
    expect(seen('outline: 2px solid #fff; outline-offset: 2px')).toBe('short');
    expect(seen('outline: none; box-shadow: 0 0 0 3px #fff')).toBe('short');
    expect(seen('outline: none; box-shadow: 0 0 0 3px #fff, 0 0 0 6px #000')).toBe('passes');
    expect(seen('outline: none; box-shadow: 0 0 6px #0b5563')).toBe('passes');
    expect(seen('outline: 2px solid #fff; outline-offset: -4px')).toBe('passes');
    expect(seen('outline: none; text-decoration: underline')).toBe('passes');
  });

  it('2.5.8 and 2.5.5: targets are large, or have room around them', () => {
    const body = '<div><button class="b">a</button><button class="c">b</button></div>';
    const css = `.b, .c { all: unset; ${LOOK} }`;
    const at = (left: number, size: number) =>
      ledger(css, body, 'button', (order) =>
        order === 5 ? [10, 10, size, size] : order === 6 ? [left, 10, size, size] : [0, 0, 600, 200],
      );
    expect(at(40, 24)('2.5.8')[0]).toMatchObject({ verdict: 'passes', measured: 24 });
    expect(at(40, 24)('2.5.5')[0]).toMatchObject({ verdict: 'short' });
    expect(at(100, 16)('2.5.8')[0]!.reason).toMatch(/room around/);
    expect(at(28, 16)('2.5.8')[0]).toMatchObject({ verdict: 'short' });
    expect(ledger(css, body)('2.5.8')[0]).toMatchObject({ verdict: 'unsure' });
  });

  it('1.4.1: a link in text is told from it by more than its hue', () => {
    const link = (css: string) =>
      ledger(
        `p { color: #333 } a { color: #205080; ${css} }`,
        '<p>Boats leave <a href="#">from the quay</a> at ten.</p>',
        'link',
      )('1.4.1')[0];
    expect(link('text-decoration: none')).toMatchObject({ verdict: 'short' });
    expect(link('')).toMatchObject({ verdict: 'passes', reason: 'It is underlined.' });
    expect(link('text-decoration: none; font-weight: 700')).toMatchObject({ verdict: 'passes' });
    // What is kept in place unseen until the pointer comes is no mark.
    const bare = (css: string) => link(`text-decoration: none; ${css}`)!.verdict;
    expect(link('text-decoration-color: transparent')).toMatchObject({ verdict: 'short' });
    expect(bare('border-bottom: 1px solid transparent')).toBe('short');
    expect(bare('border-bottom: 1px solid #fff')).toBe('short');
    expect(bare('border-bottom: 1px solid')).toBe('passes');
    expect(bare('background: #fff')).toBe('short');
    expect(bare('background: #dde8f0')).toBe('passes');
  });

  it('1.4.13: what the pointer opens, the keyboard opens too', () => {
    const menu = (opens: string) =>
      ledger(
        `ul ul { display: none } ${opens} { display: block }`,
        '<nav class="main-menu"><ul><li><a href="#">A</a><ul><li><a href="#">A1</a></li></ul></li><li><a href="#">B</a></li></ul></nav>',
        'menu',
      )('1.4.13')[0];
    expect(menu('li:hover > ul')).toMatchObject({ verdict: 'short' });
    expect(menu('li:hover > ul, li:focus-within > ul')).toMatchObject({ verdict: 'passes' });
  });

  it('2.2.2 and 2.3.3: what moves by itself can be stopped, and keeps still on request', () => {
    const frames = '@keyframes run { to { transform: translateX(-50%) } }';
    const moving = `${frames} .b { ${LOOK}; animation: run 9s linear infinite }`;
    expect(ledger(moving, BUTTON)('2.2.2')[0]).toMatchObject({ verdict: 'short' });
    expect(ledger(`${frames} .b { ${LOOK}; animation: run 1s }`, BUTTON)('2.2.2')[0]).toMatchObject({
      verdict: 'passes',
      measured: 1000,
    });
    // What a control of the site does its script alone knows; a bus stop is none.
    const beside = (control: string) => ledger(moving, `<p><a class="b" href="#">Board</a>${control}</p>`)('2.2.2')[0];
    expect(beside('<button class="halt">Pause the news</button>')).toMatchObject({ verdict: 'unsure' });
    expect(beside('<button class="display-4">Bus stops and displays</button>')).toMatchObject({ verdict: 'short' });
    const lift = `.b { ${LOOK}; transition: transform .2s } .b:hover { transform: translateY(-4px) }`;
    expect(ledger(lift, BUTTON)('2.3.3', 'hover')[0]).toMatchObject({ verdict: 'short' });
    const still = `${lift} @media (prefers-reduced-motion: reduce) { .b { transition: none } }`;
    expect(ledger(still, BUTTON)('2.3.3', 'hover')[0]).toMatchObject({ verdict: 'passes' });
  });

  it('2.5.8: a link is exempt within words, not between the bars of a list', () => {
    const small = (body: string) =>
      ledger('a { color: #0b5563 }', body, 'link', (order) => [order * 4, 0, 12, 12])('2.5.8', 'default')[0];
    expect(small('<p>Go <a class="b" href="#">on board</a> at nine.</p>')).toMatchObject({ verdict: 'exempt' });
    expect(
      small('<p><a class="b" href="#">a</a> | <a class="b" href="#c">c</a> · <a class="b" href="#d">d</a></p>'),
    ).toMatchObject({ verdict: 'short' });
  });

  it('advice: states are told apart, also by those who see colours otherwise', () => {
    const told = (hover: string) => ledger(`.b { ${LOOK} } .b:hover { ${hover} }`, BUTTON)('distinct', 'hover')[0];
    expect(told('background: #0c5664')).toMatchObject({ verdict: 'short' });
    expect(told('background: #2a7f8e')).toMatchObject({ verdict: 'passes' });
    expect(told('text-decoration: underline')!.reason).toMatch(/text decoration line/);
    // Red and green of one lightness: plain to most, alike without green cones.
    const confused = ledger(`.b { ${LOOK}; background: #a04a38 } .b:hover { background: #68702f }`, BUTTON)(
      'distinct',
      'hover',
    )[0]!;
    expect(confused.measured!).toBeLessThan(12);
  });

  it('advice: nothing of the old state stays on', () => {
    const left = (css: string) => ledger(css, BUTTON)('leftover', 'hover')[0];
    expect(left(`.b { ${LOOK}; border: 2px solid #0b5563 } .b:hover { background: #f2c14e }`)!.reason).toMatch(
      /border keeps/,
    );
    expect(left(`.b { ${LOOK}; box-shadow: 0 4px 9px #0b5563 } .b:hover { background: #f2c14e }`)!.reason).toMatch(
      /shadow keeps/,
    );
    expect(left(`.b { ${LOOK} } .b:hover { background: #f2c14e; color: #000 }`)).toMatchObject({ verdict: 'passes' });
    const child = ledger(
      `.b { ${LOOK} } .b i { color: #fff } .b:hover { background: #f2c14e; color: #000 }`,
      '<p><a class="b" href="#">Board <i>now</i></a></p>',
    )('leftover', 'hover')[0];
    expect(child!.reason).toMatch(/“now” inside keeps/);
  });

  it('advice: pictures are no heavier, and no larger, than their place needs', () => {
    const page = pageOf(
      '<div class="cookies"><p>Cookies?</p><button class="accept">Yes</button></div>',
      '.cookies { background: url(p.jpg) }',
    );
    const found = page.components().find(({ kind }) => kind === 'cookie-notice')!;
    const weighed = (bytes: number, width: number) => {
      page.measures.setWeight('https://page.invalid/p.jpg', bytes);
      page.measures.setPicture(
        'https://page.invalid/p.jpg',
        fieldOf(1, 1, new Uint8ClampedArray(4), { width, height: width }),
      );
      page.measures.setGeometry(
        geometryOf(
          DESKTOP,
          page.tree.elements.map(({ order }) => ({ order, box: [0, 0, 300, 200], lines: [] })),
        ),
      );
      const checks = new ComponentSession(page, found.kind, found.locator).ledger(EMPTY_LOOK, { viewports });
      return checks.find(({ criterion }) => criterion === 'weight')!;
    };
    expect(weighed(50_000, 600)).toMatchObject({ verdict: 'passes', measured: 50 });
    expect(weighed(450_000, 600)).toMatchObject({ verdict: 'short' });
    expect(weighed(50_000, 4000).reason).toMatch(/4000 × 4000 pixels for a place of 300 × 200/);
  });

  it('advice: opposite choices are told apart by more than colour', () => {
    const notice = (refuse: string) =>
      ledger(
        `.cookies { background: #fff } button { ${LOOK} } .refuse { ${refuse} }`,
        '<div class="cookies"><p>Cookies?</p><button class="accept">Yes</button><button class="refuse">No</button></div>',
        'cookie-notice',
      )('distinct').find(({ demand }) => demand.endsWith('sibling'));
    expect(notice('background: #0f5f6e')).toMatchObject({ verdict: 'short' });
    expect(notice('border: 2px solid; background: none; color: #0b5563')).toMatchObject({ verdict: 'passes' });
  });
});
