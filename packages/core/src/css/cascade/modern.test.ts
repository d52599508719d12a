import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { pageOf } from '../../testing/page.js';
import { selectAll } from '../selector/locator.js';
import { DESKTOP } from '../conditions/environment.js';
import { forceStates } from '../selector/forced.js';
import { ACTIVE, FOCUS, HOVER } from '../selector/states.js';
import { PageStyles } from './page-styles.js';

const GREEN = 'rgb(0, 128, 0)';
const RED = 'rgb(255, 0, 0)';

function read(css: string, body: string, selector: string, property = 'color'): string {
  const page = pageOf(body, css);
  return page.stylesFor().at().of(selectAll(page.tree, selector)[0]!).text(property);
}

// Source: CSS Cascading and Inheritance 6, section 2.5 (@scope) and 3.2 (proximity).
describe('@scope', () => {
  const card =
    '<section class="card" id="c"><p id="in">x</p><div class="slot"><p id="out">y</p></div></section><p id="off">z</p>';
  it.each([
    ['reaches what is inside', '@scope (.card) { p { color: green } }', '#in', GREEN],
    ['and nothing outside', '@scope (.card) { p { color: green } }', '#off', 'rgb(0, 0, 0)'],
    ['ends at its limit', '@scope (.card) to (.slot) { p { color: green } }', '#out', 'rgb(0, 0, 0)'],
    [
      'has its root in :scope and &',
      '@scope (.card) { :scope { color: green } } @scope (.nope) { & { color: red } }',
      '#c',
      GREEN,
    ],
    ['adds no weight of its own', '@scope (#c) { p { color: red } } p.p, #in { color: green }', '#in', GREEN],
  ])('%s', (_, css, selector, expected) => expect(read(css, card, selector)).toBe(expected));

  it('lets the nearer root win at equal weight, whatever the order', () => {
    const body = '<div class="light"><div class="dark"><div class="light"><p id="p">x</p></div></div></div>';
    const [light, dark] = ['@scope (.light) { p { color: green } }', '@scope (.dark) { p { color: red } }'];
    expect(read(light + dark, body, '#p')).toBe(GREEN);
    expect(read(dark + light, body, '#p')).toBe(GREEN);
  });
});

// Source: CSS Conditional 5, section 5 (container queries).
describe('@container', () => {
  const body = '<div class="box"><p id="p">x</p></div>';
  it('asks the nearest container whose size CSS fixes', () => {
    const css =
      '.box { container-type: inline-size; width: 300px } @container (width < 400px) { p { color: green } } @container (width >= 400px) { p { color: red } }';
    expect(read(css, body, '#p')).toBe(GREEN);
    expect(read(css.replace('width: 300px', 'width: 400px; padding: 10px; box-sizing: border-box'), body, '#p')).toBe(
      GREEN,
    );
  });

  it('goes by name', () => {
    const css =
      '.box { container: quay / inline-size; width: 300px } @container pier (width > 1px) { p { color: red } } @container quay (width > 1px) { p { font-weight: 700 } }';
    expect([read(css, body, '#p'), read(css, body, '#p', 'font-weight')]).toEqual(['rgb(0, 0, 0)', '700']);
  });

  it('is named as unknown where only layout knows the size, unless it is given', () => {
    const page = pageOf(body, '.box { container-type: inline-size } @container (width > 100px) { p { color: green } }');
    const [box] = selectAll(page.tree, '.box');
    const [p] = selectAll(page.tree, '#p');
    const styles = page.stylesFor();
    expect(styles.at().of(p!).text('color')).toBe('rgb(0, 0, 0)');
    expect([...styles.unknownConditions]).toEqual(['@container (width > 100px)']);
    const measured = new PageStyles(page.index, DESKTOP, { containers: new Map([[box!, { width: 200, height: 50 }]]) });
    expect(measured.at().of(p!).text('color')).toBe(GREEN);
    expect(measured.unknownConditions.size).toBe(0);
  });

  it('is what container units refer to', () => {
    const css =
      '.box { container-type: inline-size; width: 300px } p { width: 10cqw; height: 10cqh; min-width: 10cqmax }';
    expect(['width', 'height', 'min-width'].map((name) => read(css, body, '#p', name))).toEqual([
      '30px',
      '80px',
      '80px',
    ]);
    expect(read(css.replace('width: 300px', 'width: 50%'), body, '#p', 'width')).toBe('10cqw');
    expect(read(css.replace('.box', '.none'), body, '#p', 'width')).toBe('128px');
  });

  it('reads custom properties in style queries', () => {
    const css =
      '.box { --flag: on } @container style(--flag: on) { p { color: green } } @container style(--flag: off) { p { color: red } }';
    expect(read(css, body, '#p')).toBe(GREEN);
  });
});

// Source: CSS Properties and Values 1, sections 2 and 3.
describe('@property', () => {
  const rule = (syntax: string, inherits: boolean, initial: string) =>
    `@property --x { syntax: '${syntax}'; inherits: ${inherits}; initial-value: ${initial} }`;
  it.each([
    ['gives the initial value', rule('<color>', false, 'green'), '<p id="p">x</p>', 'p { color: var(--x) }', GREEN],
    [
      'does not inherit when told not to',
      rule('<color>', false, 'green'),
      '<div style="--x: red"><p id="p">x</p></div>',
      'p { color: var(--x) }',
      GREEN,
    ],
    [
      'drops what does not fit',
      rule('<color>', true, 'green'),
      '<p id="p">x</p>',
      'p { --x: 10px; color: var(--x) }',
      GREEN,
    ],
  ])('%s', (_, property, body, css, expected) => expect(read(property + css, body, '#p')).toBe(expected));

  it('computes lengths before they are inherited', () => {
    const css = `${rule('<length>', true, '1px')} div { font-size: 20px; --x: 2em } p { font-size: 10px; width: var(--x) }`;
    expect(read(css, '<div><p id="p">x</p></div>', '#p', 'width')).toBe('40px');
  });
});

describe('reverting', () => {
  // Source: CSS Cascading and Inheritance 5, section 7.3.
  it.each([
    ['revert goes back to the browser', 'a { color: red } a { color: revert }', 'rgb(0, 0, 238)'],
    [
      'revert-layer goes back a layer',
      '@layer one { a { color: green } } @layer two { a { color: red; color: revert-layer } }',
      GREEN,
    ],
    [
      'out of layers it goes back to them',
      '@layer one { a { color: green } } a { color: red } a { color: revert-layer }',
      GREEN,
    ],
    ['all: revert resets everything', 'a { color: red; font-weight: 700; all: revert }', 'rgb(0, 0, 238)'],
  ])('%s', (_, css, expected) => expect(read(css, '<a id="p" href="#">x</a>', '#p')).toBe(expected));
});

describe('attributes of HTML', () => {
  // Source: HTML, section 15.3; they stand below every rule of the author's.
  it.each([
    ['<font id="p" color="green">x</font>', '', 'color', GREEN],
    ['<font id="p" color="red">x</font>', '* { color: green }', 'color', GREEN],
    ['<font id="p" color="red">x</font>', '@layer x { font { color: green } }', 'color', GREEN],
    ['<table id="p" bgcolor="#abc"></table>', '', 'background-color', 'rgb(170, 187, 204)'],
    ['<table cellpadding="7"><tr><td id="p">x</table>', '', 'padding-left', '7px'],
    ['<p id="p" align="center">x</p>', '', 'text-align', '-webkit-center'],
    ['<div id="p" hidden>x</div>', '', 'display', 'none'],
    ['<svg id="p" fill="red"></svg>', '', 'fill', RED],
    ['<svg><path id="p" stroke-width="2"/></svg>', '', 'stroke-width', '2px'],
  ])('%s', (body, css, property, expected) => expect(read(css, body, '#p', property)).toBe(expected));
});

describe('states that spread', () => {
  it('reach a label’s control, and a control does not reach its label', () => {
    // Source: HTML, section 4.16.3, :hover and :active.
    const page = pageOf(
      '<label id="l" for="i"><b id="b">x</b></label><input id="i">',
      'input:hover { color: green } label:hover { color: green } input:active { opacity: .5 }',
    );
    const [label, bold, input] = ['#l', '#b', '#i'].map((selector) => selectAll(page.tree, selector)[0]!);
    const styles = page.stylesFor();
    const over = (element: typeof label, bits: number) => styles.at(forceStates([[element!, bits]]));
    expect(over(bold, HOVER).of(input!).text('color')).toBe(GREEN);
    expect(
      over(label, HOVER | ACTIVE)
        .of(input!)
        .text('opacity'),
    ).toBe('0.5');
    expect(over(input, HOVER).of(label!).text('color')).toBe('rgb(0, 0, 0)');
  });

  it('reach pseudo-elements', () => {
    const page = pageOf(
      '<a id="a" href="#">x</a>',
      'a::before { content: "→"; color: red } a:hover::before { color: green } a::-webkit-scrollbar-thumb:hover { color: green }',
    );
    const [link] = selectAll(page.tree, '#a');
    const at = (bits: number) => page.stylesFor().at(forceStates([[link!, bits]]));
    expect(at(0).of(link!, 'before').text('color')).toBe(RED);
    expect(at(HOVER).of(link!, 'before').text('color')).toBe(GREEN);
    expect(at(FOCUS).of(link!, '-webkit-scrollbar-thumb').text('color')).toBe('rgb(0, 0, 238)');
    expect(at(HOVER).of(link!, '-webkit-scrollbar-thumb').text('color')).toBe(GREEN);
  });
});

describe('laws', () => {
  const selector = fc.constantFrom('p', '.a', '.b', '#p', 'div p', 'body .a.b', ':where(#p)', 'p:not(.x)', '*');
  const declaration = fc.tuple(fc.constantFrom('red', 'green', 'blue', 'inherit', 'var(--c)'), fc.boolean());
  const rule = fc.record({ selector, declaration, layer: fc.constantFrom('', 'one', 'two', 'one.sub') });

  it('the winner is the last of those in the running', () => {
    fc.assert(
      fc.property(fc.array(rule, { maxLength: 12 }), fc.option(declaration, { nil: undefined }), (rules, inline) => {
        const text = ([value, important]: readonly [string, boolean]) =>
          `color: ${value}${important ? ' !important' : ''}`;
        const css = rules
          .map((item) => {
            const body = `${item.selector} { ${text(item.declaration)} }`;
            return item.layer ? `@layer ${item.layer} { ${body} }` : body;
          })
          .join('\n');
        const page = pageOf(`<div><p id="p" class="a b"${inline ? ` style="${text(inline)}"` : ''}>x</p></div>`, css);
        const style = page.stylesFor().at().of(selectAll(page.tree, '#p')[0]!);
        expect(style.winner('color')).toBe(style.running('color').at(-1));
      }),
      { numRuns: 300 },
    );
  });

  it('an index that is extended resolves like one that is built at once', () => {
    fc.assert(
      fc.property(fc.array(rule, { maxLength: 6 }), fc.array(rule, { maxLength: 6 }), (first, second) => {
        const css = (list: typeof first) =>
          list.map((item) => `${item.selector} { color: ${item.declaration[0]} }`).join('\n');
        const body = '<div><p id="p" class="a b">x</p></div>';
        const whole = pageOf(body, `${css(first)}\n${css(second)}`);
        const base = pageOf(body, css(first));
        const more = pageOf(body, css(second)).sheets.at(-1)!;
        const extended = new PageStyles(base.index.extended([more]), DESKTOP);
        expect(extended.at().of(selectAll(base.tree, '#p')[0]!).text('color')).toBe(
          whole.stylesFor().at().of(selectAll(whole.tree, '#p')[0]!).text('color'),
        );
      }),
      { numRuns: 100 },
    );
  });

  it('what is asked in one environment, state or order does not change another answer', () => {
    const css =
      '.a { color: red } .a:hover { color: green } @media (width < 600px) { .a { color: blue } } p { width: 10vw; border: 1.5px solid }';
    const page = pageOf('<p id="p" class="a">x</p>', css);
    const [p] = selectAll(page.tree, '#p');
    const narrow = { ...DESKTOP, width: 390 };
    const sharp = { ...DESKTOP, resolution: 2 };
    const ask: (() => string)[] = [
      () => page.stylesFor().at().of(p!).text('color'),
      () =>
        page
          .stylesFor()
          .at(forceStates([[p!, HOVER]]))
          .of(p!)
          .text('color'),
      () => page.stylesFor(narrow).at().of(p!).text('color'),
      () => page.stylesFor(narrow).at().of(p!).text('width'),
      () => page.stylesFor().at().of(p!).text('width'),
      () => page.stylesFor(sharp).at().of(p!).text('border-top-width'),
      () => page.stylesFor().at().of(p!).text('border-top-width'),
    ];
    const expected = [RED, GREEN, 'rgb(0, 0, 255)', '39px', '128px', '1.5px', '1px'];
    fc.assert(
      fc.property(
        fc.shuffledSubarray(
          ask.map((_, i) => i),
          { minLength: ask.length },
        ),
        (order) => {
          for (const i of order) expect(ask[i]!()).toBe(expected[i]);
        },
      ),
    );
  });
});
