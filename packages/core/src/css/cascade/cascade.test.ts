import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { selectAll } from '../selector/locator.js';
import { pageOf } from '../../testing/page.js';
import { DESKTOP, type Environment } from '../conditions/environment.js';
import { forceStates } from '../selector/forced.js';
import { ACTIVE, FOCUS, FOCUS_VISIBLE, HOVER, type StateBits } from '../selector/states.js';

const BODY = '<div class="outer"><p id="p" class="a b"><a href="#" class="l">x <b>y</b></a></p></div>';

function read(
  css: string,
  selector: string,
  property: string,
  options: { body?: string; environment?: Environment; states?: StateBits } = {},
) {
  const page = pageOf(options.body ?? BODY, css);
  const [element] = selectAll(page.tree, selector);
  const forced = forceStates(options.states ? [[element!, options.states]] : []);
  return page
    .stylesFor(options.environment ?? DESKTOP)
    .at(forced)
    .of(element!)
    .text(property);
}

const RED = 'rgb(255, 0, 0)';
const GREEN = 'rgb(0, 128, 0)';
const BLUE = 'rgb(0, 0, 255)';

// Source: CSS Cascading and Inheritance 5, section 6 (sorting order) and 6.4 (layers), with its examples.
describe('the cascade', () => {
  it.each([
    ['specificity before order', '#p { color: green } p.a.b { color: red }', GREEN],
    ['order between equals', '.a { color: red } .b { color: green }', GREEN],
    ['importance before specificity', 'p { color: green !important } #p { color: red }', GREEN],
    ['unlayered before layered', 'p { color: green } @layer x { #p { color: red } }', GREEN],
    ['the later layer', '@layer one, two; @layer two { p { color: green } } @layer one { #p { color: red } }', GREEN],
    [
      'the earlier layer among important',
      '@layer one { p { color: green !important } } @layer two { #p { color: red !important } }',
      GREEN,
    ],
    [
      'layered important before unlayered',
      '@layer one { p { color: green !important } } #p { color: red !important }',
      GREEN,
    ],
    ['a layer before the layers in it', '@layer a { p { color: green } @layer b { #p { color: red } } }', GREEN],
    ['invalid values dropped', 'p { color: green; color: reddish }', GREEN],
    ['invalid rules dropped', 'p { color: green } p, p:nonsense { color: red }', GREEN],
    [
      'revert-layer to the layer below',
      '@layer a { p { color: green } } @layer b { p { color: red } p { color: revert-layer } }',
      GREEN,
    ],
    ['nesting', 'div { & p { color: green } p & { color: red } }', GREEN],
    ['nesting without &', '.outer { .a { color: green } }', GREEN],
    [
      'media that holds',
      '@media (min-width: 1280px) { p { color: green } } @media (width < 1280px) { p { color: red } }',
      GREEN,
    ],
    ['supports', '@supports (display: grid) and (not (display: nonsense)) { p { color: green } }', GREEN],
    ['malformed rules around', '@media { } p { color: green; : ; } @ ; p { color', GREEN],
  ])('%s', (_, css, expected) => expect(read(css, '#p', 'color')).toBe(expected));

  it('lets a style attribute win over any selector and lose to what is important', () => {
    const body = '<p id="p" style="color: green; background: red">x</p>';
    expect(read('#p#p { color: red }', '#p', 'color', { body })).toBe(GREEN);
    expect(read('p { background-color: green !important }', '#p', 'background-color', { body })).toBe(GREEN);
  });

  it('gives the same for any order of layer statements that name the same order', () => {
    const layers = ['a', 'b', 'c'];
    fc.assert(
      fc.property(fc.shuffledSubarray(layers, { minLength: 3 }), (blocks) => {
        const css = `@layer a, b, c; ${blocks.map((name) => `@layer ${name} { p { color: ${name === 'c' ? 'green' : 'red'} } }`).join(' ')}`;
        expect(read(css, '#p', 'color')).toBe(GREEN);
      }),
    );
  });

  it('a rule as weighty as the winner and later than it does win, and earlier does not', () => {
    const selector = fc.constantFrom('p', '.a', '.a.b', '#p', 'div p', '.outer .a', 'body #p.a');
    fc.assert(
      fc.property(fc.array(selector, { minLength: 1, maxLength: 6 }), selector, (others, equal) => {
        const css = others.map((text) => `${text} { color: red }`).join('\n');
        // Said thrice, a selector outweighs what is lighter; nothing of the list is as heavy as three ids.
        const heavy = `#p#p#p:is(${equal})`;
        const wins = `${heavy} { color: green }`;
        const loses = `${heavy} { color: red }`;
        expect(read(`${css}\n${loses}\n${wins}`, '#p', 'color')).toBe(GREEN);
        expect(read(`${wins}\n${css}\n${loses}`, '#p', 'color')).toBe('rgb(255, 0, 0)');
      }),
    );
  });
});

describe('inheritance and values', () => {
  it('inherits colours and gives links their own', () => {
    expect(read('.outer { color: green }', '#p', 'color')).toBe(GREEN);
    expect(read('.outer { color: green }', 'a', 'color')).toBe('rgb(0, 0, 238)');
    expect(read('a { color: inherit } #p { color: green }', 'b', 'color')).toBe(GREEN);
    expect(read('a { color: revert } a { font-weight: unset }', 'a', 'color')).toBe('rgb(0, 0, 238)');
  });

  it('follows currentcolor in borders', () => {
    expect(read('p { color: green; border: 1px solid }', '#p', 'border-top-color')).toBe(GREEN);
  });

  it.each([
    ['background: url(x.png) no-repeat, green', 'background-color', GREEN],
    ['background: url(x.png), url(y.png) center / cover no-repeat blue', 'background-size', 'auto, cover'],
    ['border: thick double blue', 'border-left-width', '5px'],
    ['border: 2px', 'border-left-width', '0px'],
    ['border-color: red green blue', 'border-left-color', GREEN],
    ['font: italic 600 1.5em/1.2 serif', 'font-size', '24px'],
    ['font: italic 600 1.5em/1.2 serif', 'font-weight', '600'],
    ['font-size: clamp(10px, 2vw, 20px)', 'font-size', '20px'],
    ['font-size: calc(1rem + 4px * 2)', 'font-size', '24px'],
  ])('%s', (declarations, property, expected) => expect(read(`p { ${declarations} }`, '#p', property)).toBe(expected));

  // Source: CSS Custom Properties for Cascading Variables 1, sections 2.2 (cycles) and 3 (fallbacks).
  it.each([
    ['a fallback', 'p { color: var(--missing, green) }', GREEN],
    ['a nested fallback', 'p { color: var(--m, var(--n, green)) }', GREEN],
    ['inheritance of the property', '.outer { --c: green } p { color: var(--c) }', GREEN],
    [
      'a cycle, which makes the value invalid',
      'body { color: green } p { --a: var(--b); --b: var(--a); color: var(--a) }',
      GREEN,
    ],
    ['an invalid result, which inherits', 'body { color: green } p { --c: 20px; color: var(--c) }', GREEN],
    ['a shorthand', 'p { --line: 3px solid green; border: var(--line) }', GREEN],
  ])('resolves var(): %s', (name, css, expected) =>
    expect(read(css, '#p', name === 'a shorthand' ? 'border-top-color' : 'color')).toBe(expected),
  );

  it('survives references that double each other', () => {
    const css = Array.from({ length: 40 }, (_, i) => `--v${i}: var(--v${i + 1})var(--v${i + 1});`).join('');
    expect(read(`p { ${css} --v40: x; color: var(--v0) }`, '#p', 'color')).toBe('rgb(0, 0, 0)');
  });
});

describe('forced states', () => {
  const css = `.l { color: red } .l:hover { color: green } .l:focus-visible { color: blue }
    .outer:hover p { background: green } .outer:focus-within { background: blue } a:active { color: green !important }`;
  it('apply to the element', () => {
    expect(read(css, 'a', 'color')).toBe(RED);
    expect(read(css, 'a', 'color', { states: HOVER })).toBe(GREEN);
    expect(read(css, 'a', 'color', { states: FOCUS })).toBe(RED);
    expect(read(css, 'a', 'color', { states: FOCUS_VISIBLE })).toBe(BLUE);
    expect(read(css, 'a', 'color', { states: HOVER | FOCUS_VISIBLE })).toBe(BLUE);
    expect(read(css, 'a', 'color', { states: ACTIVE })).toBe(GREEN);
  });

  it('spread to ancestors as a browser spreads them', () => {
    const page = pageOf(BODY, css);
    const [link] = selectAll(page.tree, 'a');
    const [outer] = selectAll(page.tree, '.outer');
    const [p] = selectAll(page.tree, 'p');
    const hovered = page.stylesFor().at(forceStates([[link!, HOVER]]));
    expect(hovered.of(p!).text('background-color')).toBe(GREEN);
    const focused = page.stylesFor().at(forceStates([[link!, FOCUS]]));
    expect(focused.of(outer!).text('background-color')).toBe(BLUE);
    expect(page.stylesFor().at().of(outer!).text('background-color')).toBe('rgba(0, 0, 0, 0)');
  });
});

describe('values that browsers drop', () => {
  it.each([
    ['color: red\\9', 'color'],
    ['margin-top: 1px \\9', 'margin-top'],
    ['width: 10px\\0', 'width'],
    ['color: red !ie', 'color'],
    ['display: -ms-flexbox', 'display'],
    ['cursor: hand', 'cursor'],
    ['filter: alpha(opacity=50)', 'filter'],
    ['filter: progid:DXImageTransform.Microsoft.Alpha(opacity=50)', 'filter'],
    ['width: -moz-available', 'width'],
    ['padding: -1px', 'padding-top'],
    ['margin: 1px 2px 3px 4px 5px', 'margin-top'],
    ['transition: 1s 2s 3s', 'transition-duration'],
  ])('%s', (declaration, property) => {
    expect(read(`p { ${declaration} }`, '#p', property)).toBe(read('', '#p', property));
  });
});

describe('robustness', () => {
  it('reads any text as a sheet without failing', () => {
    const fragment = fc.constantFrom(
      'a',
      '{',
      '}',
      '(',
      ')',
      ';',
      ':',
      '@media',
      '@layer',
      'x',
      '"',
      '/*',
      '*/',
      '&',
      ',',
      '>',
      ' ',
      '!important',
      'var(--x)',
      '\\',
      '#',
      '.b',
      '10px',
    );
    fc.assert(
      fc.property(fc.array(fragment, { maxLength: 60 }), (parts) => {
        read(`${parts.join('')}`, '#p', 'color');
      }),
      { numRuns: 400 },
    );
  });
});
