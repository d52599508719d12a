import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { selectAll } from '../selector/locator.js';
import { demoPage, pageOf } from '../../testing/page.js';
import { forceStates } from '../selector/forced.js';
import { HOVER } from '../selector/states.js';
import { checkRule, explain, idleRulesFor, leftBehind, nearMisses } from './index.js';

const GREEN = 'rgb(0, 128, 0)';

function explainFirst(css: string, body: string, selector: string, property = 'color', bits = 0) {
  const page = pageOf(body, css);
  const [element] = selectAll(page.tree, selector);
  const view = page.stylesFor().at(bits ? forceStates([[element!, bits]]) : undefined);
  return { page, element: element!, explanation: explain(view.of(element!), property) };
}

describe('why a value is what it is', () => {
  it('names every declaration in the running, strongest first, and why each lost', () => {
    const css = `@layer old { #p { color: gray } }
      p { color: red }
      .a { color: blue; color: navy }
      .a:hover { color: green }
      #p.a { color: teal }
      p { color: olive !important }`;
    const { explanation } = explainFirst(css, '<p id="p" class="a" style="color: silver">x</p>', '#p');
    expect(explanation.contenders.map((item) => [item.value, item.lostBy])).toEqual([
      ['olive', undefined],
      ['silver', 'importance'],
      ['teal', 'importance'],
      ['navy', 'importance'],
      ['blue', 'importance'],
      ['red', 'importance'],
      ['gray', 'importance'],
    ]);
    expect(explanation.contenders[0]).toMatchObject({ selector: 'p', line: 6, wins: true, important: true });
    expect(explanation.toWin).toMatchObject({ specificity: [0, 0, 1], important: true });
  });

  it.each([
    ['specificity', 'p { color: red } .a { color: green }', 'specificity'],
    ['order', '.a { color: red } .a { color: green }', 'order'],
    ['layer', '@layer x { #p { color: red } } .a { color: green }', 'layer'],
    ['inline', '#p { color: red }', 'inline'],
  ])('tells losing by %s', (criterion, css, expected) => {
    const style = criterion === 'inline' ? ' style="color: green"' : '';
    const { explanation } = explainFirst(css, `<p id="p" class="a"${style}>x</p>`, '#p');
    expect(explanation.contenders[1]).toMatchObject({ value: 'red', lostBy: expected });
    expect(explanation.computed).toBe(GREEN);
  });

  it('says where an undeclared value comes from', () => {
    expect(explainFirst('div { color: green }', '<div><p>x</p></div>', 'p').explanation.otherwise).toBe('inherited');
    expect(explainFirst('', '<p>x</p>', 'p', 'opacity').explanation.otherwise).toBe('initial');
  });

  it('a rule that has what it takes to win does win, and one with less does not', () => {
    const selector = fc.constantFrom('p', '.a', '.a.b', '#p', 'div p', 'body .a', '#p.a');
    const rule = fc.tuple(selector, fc.boolean());
    fc.assert(
      fc.property(fc.array(rule, { minLength: 1, maxLength: 6 }), (rules) => {
        const css = rules
          .map(([text, important]) => `${text} { color: red${important ? ' !important' : ''} }`)
          .join('\n');
        const body = '<div><p id="p" class="a b">x</p></div>';
        const { explanation } = explainFirst(css, body, '#p');
        const { specificity, important } = explanation.toWin;
        const build = (ids: number, classes: number, types: number) =>
          `${'html '.repeat(Math.min(1, types))}${types > 1 ? 'body ' : ''}${types > 2 ? 'div ' : ''}p${'#p'.repeat(ids)}${'.a'.repeat(classes)}`;
        // One type is the p itself.
        const [ids, classes, types] = specificity!;
        const suffix = important ? ' !important' : '';
        const enough = `${css}\n${build(ids, classes, Math.max(0, types - 1))} { color: green${suffix} }`;
        expect(explainFirst(enough, body, '#p').explanation.computed).toBe(GREEN);
        if (classes > 0) {
          const less = `${css}\n:where(p)${'#p'.repeat(ids)}${'.a'.repeat(classes - 1)} { color: green${suffix} }`;
          expect(explainFirst(less, body, '#p').explanation.computed).not.toBe(GREEN);
        }
      }),
      { numRuns: 150 },
    );
  });
});

describe('selectors that match nothing', () => {
  const body =
    '<nav class="menu-main" id="top"><ul><li class="item first"><a class="link" href="#">x</a></li></ul></nav>';
  it.each([
    ['.menu-mian a', '.menu-main a', /no element has the class/i],
    ['.menu a:hover', '.menu-main a:hover', /there is “menu-main”/],
    ['.top a', '#top a', /is an id/],
    ['#link', '.link', /is a class/],
    ['.nav .link', 'nav .link', /without the dot/],
    ['.item .first', '.item.first', /space/],
    ['.item.link', '.item .link', /looked for inside/],
    ['.Item a', '.item a', /there is “item”/],
    ['nav > a', 'nav a', /deeper/],
    ['.menu .lnk', '.menu-main .link', /there is “menu-main”.*there is “link”/],
  ])('%s could be %s', (selector, expected, hint) => {
    const [miss] = nearMisses(pageOf(body, '').tree, selector);
    expect(miss).toMatchObject({ selector: expected, matches: 1 });
    expect(miss!.hint).toMatch(hint);
  });

  it('are left alone where nothing is near, or where they do match', () => {
    const { tree } = pageOf(body, '');
    expect(nearMisses(tree, '.entirely-other')).toEqual([]);
    expect(nearMisses(tree, '.link')).toEqual([]);
  });
});

describe('rules for what a script puts on', () => {
  const idleOf = (css: string, body: string, selector: string) => {
    const page = pageOf(body, css);
    const [element] = selectAll(page.tree, selector);
    return idleRulesFor(page.tree, page.sheets, element!, ['color']).map((idle) => idle.selector);
  };

  it('are not said to reach nothing, whatever the class is called', () => {
    const body = '<nav class="bar barely"><a class="go gone" href="#">Go</a></nav>';
    for (const selector of ['.bar.barel .go', '.bar .go.goes', 'a.gon', 'nav.bare > .go:hover', '.go.x1.x2'])
      expect([selector, idleOf(`${selector} { color: red }`, body, '.go')]).toEqual([selector, []]);
  });

  it('are told from slips: a class that stands alone, or beside one that is elsewhere', () => {
    const body = '<nav class="menu-main"><a class="go" href="#">Go</a></nav>';
    expect(idleOf('.menu .go { color: red }', body, '.go')).toEqual(['.menu .go']);
    expect(idleOf('.goo { color: red }', body, '.go')).toEqual(['.goo']);
    expect(idleOf('nav .goo { color: red }', body, '.go')).toEqual(['nav .goo']);
  });
});

describe('the planted cases of the demo site', () => {
  const page = demoPage();
  const [link] = selectAll(page.tree, '.qh-head nav li li a');
  const hovered = page.stylesFor().at(forceStates([[link!, HOVER]]));

  it('the menu’s hover loses by weight to a longer selector', () => {
    const { contenders } = explain(hovered.of(link!), 'color');
    expect(contenders[0]).toMatchObject({ selector: '.qh-head nav li li a:hover', sheet: 'theme.css', wins: true });
    expect(contenders.find((item) => item.selector === 'nav li li a:hover')).toMatchObject({
      sheet: 'site.css',
      lostBy: 'specificity',
    });
  });

  it('a rule for a class that does not exist is found, with the class that does', () => {
    const idle = idleRulesFor(page.tree, page.sheets, link!, ['color']);
    expect(idle).toHaveLength(1);
    expect(idle[0]).toMatchObject({ selector: '.menu a:hover', sheet: 'site.css' });
    expect(idle[0]!.misses[0]!.selector).toBe('.menu-main a:hover');
  });

  it('the breadcrumb’s rule is spelt for another page', () => {
    const booking = demoPage('booking.html');
    const [crumb] = selectAll(booking.tree, '.crumbs a');
    expect(idleRulesFor(booking.tree, booking.sheets, crumb!, ['color'])[0]!.misses[0]!.selector).toBe('.crumbs a');
  });

  it('a card’s text colour leaves its heading and link behind', () => {
    const [card] = selectAll(page.tree, '.card');
    const items = leftBehind(page.stylesFor().at(forceStates([[card!, HOVER]])), card!);
    expect(items.map((item) => item.selector)).toEqual(['.card-overlay', '.card h3', '.card:hover .more']);
  });

  it.each([
    ['.menu a:hover', 'nothing', /there is “menu-main”/],
    ['nav li li a:hover', 'loses', /\(0,2,4\)/],
    ['.qh-head nav.x li li a:hover', 'nothing', /./],
    ['.qh-head nav li li a:hover', 'wins', /comes after/],
    ['.btn:hover', 'elsewhere', /not this one/],
    ['a:hoover', 'unreadable', /drop this rule/],
  ])('asked about %s it answers: %s', (selector, outcome, sentence) => {
    const answer = checkRule(page.tree, link!, explain(hovered.of(link!), 'color'), selector);
    expect(answer.outcome).toBe(outcome);
    expect(answer.sentence).toMatch(sentence);
  });
});
