import { describe, expect, it } from '@jest/globals';
import { checkText } from '../check/text.js';
import { DESKTOP } from '../css/conditions/environment.js';
import { AT_REST, forceStates } from '../css/selector/forced.js';
import { selectAll } from '../css/selector/locator.js';
import { FOCUS } from '../css/selector/states.js';
import { EMPTY_LOOK } from '../look/model.js';
import { buildFrame } from '../page/frame.js';
import { geometryOf } from '../page/geometry.js';
import { ComponentSession } from '../session/component-session.js';
import { lookingAt, pageOf } from '../testing/page.js';
import { openingBySheets } from './openings.js';

/** The classes and states that show an element, as HTML of the elements that they are on. */
function openedBy(body: string, css: string, selector = '.words'): readonly string[] | undefined {
  const page = pageOf(body, css);
  const [element] = selectAll(page.tree, selector);
  const changes = openingBySheets(page.pages, DESKTOP, element!, []);
  return changes?.map(({ order, name, value }) => `${page.tree.elements[order]!.name} ${name.trim()}=${value ?? ''}`);
}

const PANEL = '<div class="panel"><p class="words">Wind over force eight</p></div>';

describe('what is hidden until something happens', () => {
  it.each([
    ['a class on itself', PANEL, '.panel { display: none } .panel.zz-up { display: block }', 'div class=panel zz-up'],
    ['a class on the page', PANEL, '.panel { visibility: hidden } .qq .panel { visibility: visible }', 'body class=qq'],
    [
      'an address',
      '<div class="panel" id="w"><p class="words">W</p></div>',
      '.panel { display: none } .panel:target { display: block }',
      'div target=',
    ],
    [
      'a box that is ticked',
      `<input type="checkbox" class="sw">${PANEL}`,
      '.panel { max-height: 0; overflow: hidden } .sw:checked ~ .panel { max-height: 20em }',
      'input checked=',
    ],
    ['an attribute', PANEL, '.panel { opacity: 0 } .panel[data-up="1"] { opacity: 1 }', 'div data-up=1'],
    [
      'a class that is not there',
      '<div class="panel gone"><p class="words">W</p></div>',
      '.panel { color: #222 } .gone { display: none }',
      'div class=panel',
    ],
    ['what a rule that hides leaves out', PANEL, '.panel:not(.in) { opacity: 0 }', 'div class=panel in'],
    [
      'a popover',
      '<div popover class="panel"><p class="words">W</p></div>',
      '.panel { color: #222 }',
      'div popover-open=',
    ],
  ])('is opened by %s', (_how, body, css, expected) => {
    expect(openedBy(body, css)).toEqual([expected]);
  });

  it('is opened from the outside in', () => {
    const css = '.panel { display: none } .panel.up { display: block } .words { opacity: 0 } .words.lit { opacity: 1 }';
    expect(openedBy(PANEL, css)).toEqual(['div class=panel up', 'p class=words lit']);
  });

  it('is opened by no rule that is about something else', () => {
    const css =
      '.panel { display: none } .other { display: block } .card.up { display: block } .panel.up { color: red }';
    expect(openedBy(PANEL, css)).toBeUndefined();
  });

  it('is opened by no class of another page', () => {
    const css = '.panel { display: none } body.sign-in div { display: grid }';
    expect(openedBy(PANEL, css)).toBeUndefined();
  });

  it('is opened as a script does that a control names', () => {
    const body = '<a href="#w">Weather</a><div class="panel" id="w"><p class="words">W</p></div>';
    expect(openedBy(body, '.panel { display: none }')).toEqual(['div style=display: block']);
    expect(openedBy(body.replace('#w', '#'), '.panel { display: none }')).toBeUndefined();
  });

  it('stands open in a still frame', () => {
    const page = pageOf('<div id="w">W</div>', '#w { display: none } #w:target { display: block }');
    const [element] = selectAll(page.tree, '#w');
    const stage = page.pages.at(openingBySheets(page.pages, DESKTOP, element!, [])!);
    const { source } = page;
    const html = buildFrame({
      tree: stage.tree,
      address: source.address,
      sheets: source.sheets,
      still: true,
      assetAt: () => undefined,
      assetSource: '',
    });
    expect(html).toMatch(/<div id="w"[^>]* data-rq-target=""/);
    expect(html).toContain('#w[data-rq-target] { display: block }');
  });

  it('is measured opened, in every state', () => {
    const css = `.bar { background: #fff } .bar a { color: #999 } .bar { display: none } .bar.qx { display: block }`;
    const page = pageOf('<nav class="bar"><a href="#1">Ports</a><a href="#2">Fares</a></nav>', css);
    const menu = page.components().find(({ kind }) => kind === 'menu');
    const checks = new ComponentSession(page, menu!.kind, menu!.locator).ledger(EMPTY_LOOK, {
      viewports: [{ name: 'wide', environment: DESKTOP }],
    });
    const links = checks.filter(({ criterion, part }) => criterion === '1.4.3' && part === 'link');
    expect(links.length).toBeGreaterThan(1);
    // #999 on white is 2.849; WCAG 2.2, the formula of contrast ratio.
    for (const check of links) expect(check).toMatchObject({ verdict: 'short', measured: expect.closeTo(2.849, 2) });
  });
});

// WCAG 2.2, 1.4.3 exempts what is not visible to anyone, disabled controls and logotypes, and nothing else that is hidden.
describe('a text that is not seen', () => {
  const verdict = (css: string, body = PANEL) => {
    const page = pageOf(body, `body { background: #fff } ${css}`);
    const [element] = selectAll(page.tree, '.words');
    return checkText(lookingAt(page.stylesFor().at(AT_REST)), element!).verdict;
  };
  it.each([
    '.panel { display: none }',
    '.panel { visibility: hidden }',
    '.panel { opacity: 0 }',
    '.panel { height: 0; overflow: hidden }',
    '.panel { max-height: 0; overflow: hidden }',
    '.panel { clip-path: circle(0 at 50% 50%) }',
    '.panel { transform: scale(0) }',
    '.panel { position: absolute; clip-path: inset(100%) }'.replace('position: absolute; ', ''),
    '.words { text-indent: -9999px }',
    '.words { font-size: 0 }',
  ])('is not measured, and neither passes nor is exempt: %s', (css) => expect(verdict(css)).toBe('unseen'));

  it.each([
    '.panel { height: 0; overflow: visible }',
    '.panel { height: 0; padding-bottom: 50%; overflow: hidden }',
    '.panel { height: 0; flex-grow: 1; overflow: hidden }',
    '.panel { max-height: 20em; overflow: hidden }',
    '.words { text-indent: -1em }',
    '.panel { clip-path: circle(50%) }',
  ])('is none of these: %s', (css) => expect(verdict(css)).toBe('passes'));

  it('is exempt where it is for screen readers only', () => {
    expect(verdict('.words { position: absolute; width: 1px; height: 1px; overflow: hidden }')).toBe('exempt');
  });

  it('is that of a control which a class switches off and the sheets keep from being pressed', () => {
    const off = (css: string) => verdict(css, '<a class="words is-disabled" href="#">Sold out</a>');
    expect(off('a { color: #bbb }')).toBe('short');
    expect(off('a { color: #bbb } .is-disabled { pointer-events: none }')).toBe('exempt');
  });

  it('is a placeholder that is made transparent for a label in its place', () => {
    const page = pageOf('<input class="words" placeholder="Name">', '.words::placeholder { color: transparent }');
    const [element] = selectAll(page.tree, '.words');
    const looking = lookingAt(page.stylesFor().at(AT_REST));
    expect(checkText(looking, element!, 'AA', 'placeholder').verdict).toBe('unseen');
    expect(checkText(looking, element!).verdict).not.toBe('unseen');
  });
});

describe('what a state brings into the page', () => {
  const CSS = '.skip { position: absolute; top: -60px; color: #999; background: #fff } .skip:focus { top: 0 }';
  const page = pageOf('<a class="skip" href="#c">Skip</a>', CSS);
  const [link] = selectAll(page.tree, '.skip');
  page.measures.setGeometry(
    geometryOf(
      DESKTOP,
      page.tree.elements.map(({ order }) => {
        const box = order === link!.order ? ([0, -60, 80, 20] as const) : ([0, 0, 1280, 800] as const);
        return { order, box, lines: [box] };
      }),
    ),
  );
  const verdict = (bits: number) => {
    const view = page.stylesFor().at(forceStates([[link!, bits]]));
    return checkText(page.measures.looking(view), link!);
  };

  it('is not measured where it is away, and is where it is there', () => {
    expect(verdict(0)).toMatchObject({ verdict: 'unseen' });
    expect(verdict(FOCUS)).toMatchObject({ verdict: 'short', measured: expect.closeTo(2.849, 2), basis: 'ancestors' });
  });
});
