import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { KINDS } from '../component/kinds/index.js';
import { starterOf } from '../component/kinds/starters.js';
import { PageSession } from '../parts/page-session.js';
import { changePage, CHANGE_PLACES, sourceOf, topElements, withFreshIds, type ChangePlace } from './change.js';
import { locatorFor, selectAll } from '../css/selector/locator.js';
import { parseHtml } from '../tree/parse-html.js';
import { textOf } from '../tree/tree.js';

const PAGE =
  '<!DOCTYPE html><html><head><title>One</title></head><body><main id="m"><p>First</p><p class="x">Second</p></main><footer>End</footer></body></html>';
const locatorOf = (html: string, selector: string) => locatorFor(selectAll(parseHtml(html), selector)[0]!, selector);
const change = (selector: string, place: ChangePlace, html: string, css = '') =>
  changePage(PAGE, [{ locator: locatorOf(PAGE, selector), place, html, css }]);

describe('changes of a page', () => {
  it.each<[ChangePlace, string]>([
    ['before', '<p>First</p><b>new</b><p class="x">Second</p>'],
    ['after', '<p>First</p><p class="x">Second</p><b>new</b>'],
    ['first', '<p>First</p><p class="x"><b>new</b>Second</p>'],
    ['last', '<p>First</p><p class="x">Second<b>new</b></p>'],
    ['instead', '<p>First</p><b>new</b>'],
  ])('puts markup %s an element, and leaves the rest as it is written', (place, wanted) => {
    const { html, applied } = change('.x', place, '<b>new</b>');
    expect(applied).toEqual([true]);
    expect(html).toBe(PAGE.replace('<p>First</p><p class="x">Second</p>', wanted));
  });
  it('puts its CSS at the end of the head, once, unable to leave its element', () => {
    const css = '.n { color: red } /* </style> */';
    const one = { locator: locatorOf(PAGE, '.x'), place: 'after', html: '<b class="n">new</b>', css } as const;
    const { html } = changePage(PAGE, [one, one]);
    expect(html.match(/<style>/g)).toHaveLength(1);
    expect(selectAll(parseHtml(html), 'head > style')).toHaveLength(1);
    expect(selectAll(parseHtml(html), 'b.n')).toHaveLength(2);
  });
  it('says which place is gone, and never replaces the page itself', () => {
    const gone = { selector: '#nowhere', tag: 'aside', classes: ['z'], attributes: {}, text: 'zzz', ancestry: [] };
    expect(changePage(PAGE, [{ locator: gone, place: 'after', html: '<i></i>', css: '' }])).toEqual({
      html: PAGE,
      applied: [false],
    });
    expect(change('body', 'instead', '<i></i>').applied).toEqual([false]);
    expect(change('body', 'last', '<i></i>').html).toContain('</footer><i></i></body>');
  });
  it('changes nothing but the place: every other element keeps its text', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CHANGE_PLACES),
        fc.constantFrom('#m', 'p', '.x', 'footer'),
        fc.constantFrom('<b>new</b>', '<p>new', 'new', '<ul><li>new</ul>'),
        (place, selector, markup) => {
          const before = parseHtml(PAGE);
          const { html } = change(selector, place, markup);
          const after = parseHtml(html);
          const at = selectAll(before, selector)[0]!;
          const outside = before.elements.filter(
            (element) => element !== at && !element.children.length && element.parent !== at && element.name !== 'head',
          );
          const texts = new Set(after.elements.map(textOf));
          for (const element of outside) expect(texts).toContain(textOf(element));
        },
      ),
    );
  });
  it('gives the source of an element by its order', () => {
    const tree = parseHtml(PAGE);
    for (const element of tree.elements.slice(1)) {
      const source = sourceOf(PAGE, element.order)!;
      expect(source.startsWith(`<${element.name}`)).toBe(true);
      expect(source.endsWith(`</${element.name}>`)).toBe(true);
    }
    expect(topElements('<p>One</p> text <b>two</b>')).toEqual(['p', 'b']);
  });
});

describe('ids of new markup', () => {
  it('are none that the page has, and what refers to them follows', () => {
    expect(
      withFreshIds(
        '<label for="a">x</label><input id="a" aria-describedby="b c"><i id="b"></i>',
        '<p id="a"><p id="a-2">',
      ),
    ).toBe('<label for="a-3">x</label><input id="a-3" aria-describedby="b c"><i id="b"></i>');
  });
});

describe('starters put on a page', () => {
  it.each(KINDS.map((kind) => [kind.name, kind] as const))('%s is found there as what it is', (_name, kind) => {
    const starter = starterOf(kind.name)!;
    // With a menu of its own the page is no page to sign in on.
    const page = PAGE.replace('<footer>', '<nav><a href="#">One</a><a href="#">Two</a></nav><footer>');
    const { html } = changePage(page, [
      { locator: locatorOf(page, 'footer'), place: 'before', html: starter.html, css: starter.css },
    ]);
    const session = new PageSession({ html, address: 'https://page.invalid/', sheets: [] });
    const found = session.components().filter((item) => item.kind === kind.name);
    const root = /class="([\w-]+)/.exec(starter.html)![1]!;
    const roots = selectAll(session.tree, `.${root}`).map(({ order }) => order);
    expect(found.flatMap(({ elements }) => elements).some((order) => roots.includes(order))).toBe(true);
  });
});
