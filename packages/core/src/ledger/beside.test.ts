import { describe, expect, it } from '@jest/globals';
import { DESKTOP } from '../css/conditions/environment.js';
import { changeLook, EMPTY_LOOK, type Look } from '../look/model.js';
import { ComponentSession } from '../session/component-session.js';
import { pageOf } from '../testing/page.js';
import { solve } from '../remedy/solve.js';
import { isDue } from './due.js';

const MENU =
  '<nav aria-label="Main"><ul><li><a href="#a">Fares</a></li><li><a href="#b">Quays</a></li><li><a href="#c">Boats</a></li></ul></nav><main><h1>Quay</h1></main>';
const CARDS = ['One', 'Two', 'Three']
  .map((name) => `<article class="card"><h2>${name}</h2><p>More of it</p><a href="#${name}">Read on</a></article>`)
  .join('');

const request = { viewports: [{ name: 'wide', environment: DESKTOP }], at: 'wide' };
function bench(body: string, css: string, kind: string) {
  const page = pageOf(body, css);
  const { locator } = page.components().find((own) => own.kind === kind)!;
  const session = new ComponentSession(page, kind, locator);
  const beside = (look: Look = EMPTY_LOOK) =>
    session.ledger(look, request).filter(({ approach, criterion }) => approach === 'others' && criterion === '1.4.3');
  return { session, beside };
}

// WCAG 2.2, 1.4.3: text that a site fades while the pointer is on another is as much text as at rest.
describe('a text while another of its sort is pointed at', () => {
  it('falls short where the site fades it then', () => {
    const { beside, session } = bench(MENU, 'nav a { color: #000 } nav:hover a:not(:hover) { opacity: .3 }', 'menu');
    expect(beside()).toMatchObject([{ part: 'link', verdict: 'short', label: 'Link while another is pointed at' }]);
    // No value of a part can mend it, and that is said.
    const { unmet } = solve(session, EMPTY_LOOK, { of: 'component' }, request);
    const why = unmet.find(({ check }) => check.approach === 'others')?.why;
    expect(why).toContain('while another is pointed at');
  });

  it('passes where it is still read, and is not asked where nothing changes', () => {
    const dim = (css: string) => bench(MENU, `nav a { color: #000 } ${css}`, 'menu').beside();
    expect(dim('nav:hover a:not(:hover) { opacity: .8 }')).toMatchObject([{ verdict: 'passes' }]);
    expect(dim('a:hover { opacity: .3 }')).toEqual([]);
    expect(dim('nav:hover a:not(:hover) { text-decoration: none }')).toEqual([]);
    // By what holds the others, too.
    expect(dim('li:has(~ li:hover), li:hover ~ li { opacity: .3 }')).toMatchObject([{ verdict: 'short' }]);
  });

  it('is not asked of what is closed then', () => {
    const sub = (name: string) =>
      `<li><a href="#${name}">${name}</a><ul><li><a href="#${name}1">${name} one</a></li></ul></li>`;
    const body = `<nav aria-label="Main"><ul>${sub('Fares')}${sub('Boats')}</ul></nav><main><h1>Quay</h1></main>`;
    const css =
      'nav a { color: #000 } li ul { opacity: 0; visibility: hidden } li:hover > ul { opacity: 1; visibility: visible }';
    const { beside, session } = bench(body, css, 'menu');
    expect(session.parts.map(({ part }) => part.name)).toContain('sub-link');
    expect(beside()).toEqual([]);
  });

  it('is asked of what stands in cards, under the look', () => {
    const css = '.card { color: #000; border: 1px solid #999; padding: 9px } .card:hover ~ .card { color: #777 }';
    const { beside } = bench(`<main><h1>Quay</h1>${CARDS}</main>`, css, 'card');
    const before = beside();
    expect(before.some(({ verdict }) => verdict === 'short')).toBe(true);
    const look = changeLook(EMPTY_LOOK, [
      { part: 'card', property: 'background-color', value: '#000', when: { states: [] } },
      { part: 'body', property: 'color', value: '#fff', when: { states: [] } },
      { part: 'heading', property: 'color', value: '#fff', when: { states: [] } },
    ]);
    expect(
      beside(look)
        .filter(({ part }) => part === 'body')
        .every((check) => !isDue(check)),
    ).toBe(true);
  });
});
