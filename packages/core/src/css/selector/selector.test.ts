import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { parseHtml } from '../../tree/parse-html.js';
import { markStates } from '../../page/rewrite-sheet.js';
import { selectAll } from './locator.js';
import { compileText, InvalidSelectorError } from './match.js';
import { compareSpecificity, type Specificity } from './specificity.js';
import { closeBits, FOCUS, FOCUS_VISIBLE, LINK, VISITED } from './states.js';
import { stripStates } from './strip-states.js';
import { raiseTo, specificityOf } from './weight.js';

describe('specificity', () => {
  // Source: Selectors 4, section 17, the examples of the section.
  it.each<[string, Specificity]>([
    ['*', [0, 0, 0]],
    ['LI', [0, 0, 1]],
    ['UL LI', [0, 0, 2]],
    ['UL OL+LI', [0, 0, 3]],
    ['H1 + *[REL=up]', [0, 1, 1]],
    ['UL OL LI.red', [0, 1, 3]],
    ['LI.red.level', [0, 2, 1]],
    ['#x34y', [1, 0, 0]],
    ['#s12:not(FOO)', [1, 0, 1]],
    ['.foo :is(.bar, #baz)', [1, 1, 0]],
    [':is(em, #foo)', [1, 0, 0]],
    ['.qux:where(em, #foo#bar#baz)', [0, 1, 0]],
    [':nth-child(even of li, .item)', [0, 2, 0]],
    [':not(em, strong#foo)', [1, 0, 1]],
    ['a:hover::before', [0, 1, 2]],
  ])('%s is %j', (text, expected) => expect(compileText(text)[0]!.specificity).toEqual(expected));
});

describe('matching', () => {
  const tree = parseHtml(`<!doctype html><html lang="en-GB"><body>
    <ul id="list"><li class="a first">1</li><li class="b"><a href="#">two</a></li><li class="a">3</li><li>4</li></ul>
    <form><fieldset disabled><legend><input id="inlegend"></legend><input id="off"></fieldset>
      <input id="mail" type="email" value="nobody" required><input id="free" placeholder="x">
      <input id="pick" type="checkbox" checked><select id="s"><option>one<option selected>two</select>
      <button id="go">Go</button><button id="later" type="button">Later</button></form>
    <p id="fr" lang="fr-CH" dir="rtl"></p><a id="plain">no link</a><div id="empty"><!-- c --></div><svg><a id="svga" href="#"/></svg>
  </body></html>`);
  const ids = (selector: string) =>
    selectAll(tree, selector).map((element) => element.id ?? element.classes.join('.') ?? element.name);

  it.each([
    ['li:nth-child(2n+1)', ['a.first', 'a']],
    ['li:nth-child(2 of .a)', ['a']],
    ['li:nth-last-child(1)', ['']],
    ['li:not(.a, .b)', ['']],
    ['ul:has(> li > a[href])', ['list']],
    ['li:has(+ .b)', ['a.first']],
    ['.b ~ li:last-of-type', ['']],
    ['input:disabled', ['off']],
    ['#mail:invalid', ['mail']],
    ['form:invalid', ['']],
    ['input:placeholder-shown', ['free']],
    [':checked', ['pick', '']],
    ['button:default', ['go']],
    ['input:required', ['mail']],
    [':lang(fr)', ['fr']],
    ['p:dir(rtl)', ['fr']],
    ['a:any-link:not(svg a)', ['']],
    ['#plain:link', []],
    ['#empty:empty', ['empty']],
    ['[id^="f" i]', ['free', 'fr']],
    ['[type="EMAIL"]', ['mail']],
    [':is(:unknown-thing, #mail)', ['mail']],
    ['input:read-write#mail, #pick:read-only', ['mail', 'pick']],
  ])('%s', (selector, expected) => expect(ids(selector)).toEqual(expected));

  it.each([
    'a:unknown',
    'a:not(:unknown)',
    '::nonsense',
    'a >',
    '> a',
    'a:hover:',
    '.1',
    'a,,b',
    'a::before b',
    ':nth-child(of)',
  ])('refuses %s as a browser does', (selector) => expect(() => compileText(selector)).toThrow(InvalidSelectorError));

  it('never fails on arbitrary text but by saying so', () => {
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom(...'a.#:[]()>+~*, "=|hover-not') }), (text) => {
        try {
          compileText(text);
        } catch (error) {
          expect(error).toBeInstanceOf(InvalidSelectorError);
        }
      }),
      { numRuns: 2000 },
    );
  });
});

describe('states', () => {
  it('are closed: focus-visible brings focus, visited excludes link', () => {
    expect(closeBits(FOCUS_VISIBLE)).toBe(FOCUS_VISIBLE | FOCUS);
    expect(closeBits(LINK | VISITED)).toBe(VISITED);
  });

  it.each([
    ['.a:hover > b:focus', '.a > b'],
    [':hover', '*'],
    ['a:not(:hover)', 'a'],
    ['li:hover > a:first-child', 'li > a:first-child'],
    ['a:hover::before', 'a'],
  ])('%s reaches %s at rest', (text, expected) => expect(stripStates(text)).toBe(expected));
});

const simple = fc.constantFrom(
  'a',
  '.x',
  '#y',
  '[href]',
  ':hover',
  ':focus-visible',
  ':is(.p, #q:active)',
  ':not(:focus-within)',
  ':where(:hover)',
);
const selectorText = fc
  .array(fc.array(simple, { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 3 })
  .map((compounds) =>
    compounds
      .map(
        (parts) =>
          parts
            .filter((part) => part === 'a')
            .slice(0, 1)
            .join('') + parts.filter((part) => part !== 'a').join(''),
      )
      .join(' '),
  );

describe('rewriting selectors', () => {
  it('keeps the specificity when states become markers', () => {
    fc.assert(
      fc.property(selectorText, (text) => {
        const marked = markStates(`${text} { color: red }`).split(' {')[0]!;
        expect(marked).not.toMatch(/:(hover|focus|active)/);
        expect(specificityOf(marked)).toEqual(specificityOf(text));
      }),
    );
  });

  it('raises a selector to what is needed, and matches the same elements', () => {
    const tree = parseHtml('<body><a class="x" href="#">1</a><p class="x"><a id="y">2</a></p></body>');
    const needed = fc.tuple(fc.nat(2), fc.nat(5), fc.nat(4));
    fc.assert(
      fc.property(fc.constantFrom('a', '.x', 'p a', 'html a', ':root .x', 'a, .x', 'body'), needed, (text, weight) => {
        const raised = raiseTo(text, weight);
        expect(compareSpecificity(specificityOf(raised), weight)).toBeGreaterThanOrEqual(0);
        expect(selectAll(tree, raised)).toEqual(selectAll(tree, text));
      }),
    );
  });

  it('raises no further than it must', () => {
    expect(raiseTo('.btn', [0, 1, 0])).toBe('.btn');
    expect(raiseTo('.btn', [0, 1, 1])).toBe('html .btn');
    expect(raiseTo('.btn', [0, 2, 0])).toBe(':root .btn');
    expect(raiseTo('.btn', [0, 3, 1])).toBe(':root:root:root .btn');
    expect(specificityOf(raiseTo('.btn', [1, 1, 0]))[0]).toBe(1);
  });
});
