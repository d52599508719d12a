import { describe, expect, it } from '@jest/globals';
import { PROPERTIES } from '../css/property/table.js';
import { locatorFor, selectAll } from '../css/selector/locator.js';
import type { Atom } from '../css/selector/states.js';
import { EMPTY_LOOK } from '../look/model.js';
import { changePage } from '../page/change.js';
import { PageSession } from '../parts/page-session.js';
import { pageOf } from '../testing/page.js';
import { pathSelector } from '../tree/path.js';
import { ComponentSession } from './component-session.js';
import { turnIntoControls } from './turned-control.js';

/** The page with its texts turned, as it is kept: each change one after the other, their CSS at the end of the head. */
function turnedPage(page: PageSession, orders: readonly number[], tag: 'a' | 'button'): PageSession {
  const { controls, css } = turnIntoControls(page, orders, tag);
  const changes = controls.map(({ locator, html }, i) => ({
    ...{ locator, html, place: 'instead' as const },
    css: i === controls.length - 1 ? css : '',
  }));
  const changed = changePage(page.source.html, changes);
  expect(changed.applied.every(Boolean)).toBe(true);
  return new PageSession({ ...page.source, html: changed.html });
}

const ordersOf = (page: PageSession, selector: string) => selectAll(page.tree, selector).map(({ order }) => order);

/** Every value of an element in a state, but of the ring and the pointer, which controls have of their own. */
function valuesOf(page: PageSession, order: number, atoms: readonly Atom[]): Record<string, string> {
  const element = page.tree.elements[order]!;
  const session = new ComponentSession(page, 'button', locatorFor(element, pathSelector(element)));
  const style = session.styleIn(atoms, order);
  const names = [...PROPERTIES.keys()].filter((name) => !/^(outline|cursor)/.test(name));
  return Object.fromEntries(names.map((name) => [name, style.text(name)]));
}

const STATES: readonly (readonly Atom[])[] = [[], ['hover'], ['hover', 'active']];
const BODY =
  '<main><div class="row"><p class="go">Book</p><p class="go">Call</p><p class="go" id="ask">Ask</p></div></main>';
const GO = 'display: inline-block; padding: 8px 16px; background: #14506a; color: #fff; font: 600 16px sans-serif';
const SHEETS: Readonly<Record<string, string>> = {
  'its element named': `.row p.go { ${GO} } .row p.go:hover { background: #0b3a4f; border: 1px solid }`,
  'links of the site in the way': `.go { ${GO} } a { color: #c00 } a:hover { color: red; text-decoration: underline } a:active { color: #f0f }`,
  'links told with an ID and importance': `.go { ${GO} } main a:hover { color: red !important; font-weight: 400 }`,
  'buttons of the site in the way': `.go { ${GO} } button { border-radius: 9px; background: silver } button:active { opacity: .5 }`,
  'what comes down from around it': `.row { color: #345; font: italic 20px/1.5 serif; text-transform: uppercase } .go { padding: 4px } .row:hover { color: #000 }`,
  'one that differs': `.go { ${GO} } p#ask { background: #fff; color: #000 } p#ask:hover { color: #333 }`,
};

describe('texts turned into links and buttons', () => {
  const cases = Object.keys(SHEETS).flatMap((name) => (['a', 'button'] as const).map((tag) => [name, tag] as const));
  it.each(cases)('keep every value in every state: %s, %s', (name, tag) => {
    const page = pageOf(BODY, SHEETS[name]!);
    const orders = ordersOf(page, '.go');
    const turned = turnedPage(page, orders, tag);
    const controls = ordersOf(turned, `${tag}.go`);
    expect(controls).toHaveLength(orders.length);
    orders.forEach((order, i) => {
      for (const atoms of STATES) expect(valuesOf(turned, controls[i]!, atoms)).toEqual(valuesOf(page, order, atoms));
    });
  });

  it('keep the ring of a control in focus', () => {
    const page = pageOf(BODY, SHEETS['its element named']!);
    const turned = turnedPage(page, ordersOf(page, '.go'), 'button');
    const [order] = ordersOf(turned, '.go');
    const session = new ComponentSession(turned, 'button', locatorFor(turned.tree.elements[order!]!, 'button.go'));
    expect(session.styleIn(['focus-visible'], order).text('outline-style')).toBe('auto');
  });

  it('leave others of the same name alone', () => {
    const page = pageOf(
      `${BODY}<a class="go" href="/x">There</a>`,
      `${SHEETS['its element named']!} a.go { color: #060 }`,
    );
    const turned = turnedPage(page, ordersOf(page, 'p.go'), 'a');
    const [other, same] = [page, turned].map((own) => ordersOf(own, 'main + a')[0]!);
    for (const atoms of STATES) expect(valuesOf(turned, same!, atoms)).toEqual(valuesOf(page, other!, atoms));
  });

  it('keep the exceptions of their look, however those are told', () => {
    const page = pageOf(BODY, SHEETS['its element named']!);
    const when = { states: [] };
    const look = {
      ...EMPTY_LOOK,
      exceptions: [
        { id: 'x', name: 'Call', part: 'button', members: ['.row > p:nth-child(2)'] },
        { id: 'y', name: 'Ask', part: 'button', members: ['#ask'] },
      ],
      settings: [{ part: 'button', property: 'color', exception: 'x', when, value: 'rgb(1, 2, 3)' }],
    };
    const orders = ordersOf(page, 'p.go');
    const now = turnIntoControls(page, orders, 'a').retarget(look);
    expect(now.settings).toEqual(look.settings);
    const turned = turnedPage(page, orders, 'a');
    const text = (member: string) => selectAll(turned.tree, member).map((element) => element.attributes.get('id'));
    expect(now.exceptions.map(({ members }) => members.map(text))).toEqual([[[undefined]], [['ask']]]);
    expect(now.exceptions[1]).toEqual(look.exceptions[1]);
  });

  it('need no CSS where the site tells nothing apart', () => {
    const css = `.go, a.go { all: unset; unicode-bidi: isolate; color: #123 }`;
    const page = pageOf(BODY, css);
    expect(turnIntoControls(page, ordersOf(page, '.go').slice(0, 1), 'a').css).toBe('');
  });
});
