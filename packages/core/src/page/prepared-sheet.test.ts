import { describe, expect, it } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { fileURLToPath } from 'node:url';
import { AT_REST, forceStates } from '../css/selector/forced.js';
import { bitsOf, closeBits } from '../css/selector/states.js';
import type { PageSession } from '../parts/page-session.js';
import { pageOf } from '../testing/page.js';
import { markerOf, partMarkerOf } from './markers.js';
import { prepareSheet, unreached } from './prepared-sheet.js';
import { markStates, rewriteSheet } from './rewrite-sheet.js';

const read = (path: string) => readFileSync(fileURLToPath(new URL(path, import.meta.url)), 'utf8');
const require = createRequire(import.meta.url);
const shipped = (name: string) => readFileSync(require.resolve(name), 'utf8');
/** States that no page has, so that rules are read and nothing is marked. */
const NO_STATE = new Set(['no-such-state']);

const without = (css: string, page: PageSession) =>
  rewriteSheet(css, {
    address: 'https://page.invalid/',
    assetAt: (absolute) => absolute,
    sheetAt: () => undefined,
    markStates: NO_STATE,
    only: page.tree,
  });

const PROPERTIES = ['color', 'background-color', 'padding-left', 'border-top-width', 'opacity', 'display', 'font-size'];
const HOVERED = closeBits(bitsOf(['hover', 'focus']));

/** What a few properties of all elements come to, at rest and hovered and focused. */
function valuesOf(page: PageSession): string[] {
  const styles = page.stylesFor();
  return page.tree.elements.flatMap((element) =>
    [AT_REST, forceStates([[element, HOVERED]])].map((forced) =>
      PROPERTIES.map((property) => styles.at(forced).of(element).text(property)).join(' | '),
    ),
  );
}

describe('a long sheet in a still frame', () => {
  // The sheets and documented markup of two packages that were not made for this.
  it.each([
    ['bootstrap', 'bootstrap/dist/css/bootstrap.css', 'bootstrap.html'],
    ['bulma', 'bulma/css/bulma.css', 'bulma.html'],
  ])('of %s comes to the same without the rules that reach nothing', (_, file, markup) => {
    const css = shipped(file);
    const body = read(`../../../../e2e/agreement/pages/${markup}`);
    const whole = pageOf(body, css);
    const short = without(css, whole);
    expect(short.length).toBeLessThan(css.length * 0.95);
    expect(valuesOf(pageOf(body, short))).toEqual(valuesOf(whole));
  });

  const long = `/*${' '.repeat(20_000)}*/`;
  const page = pageOf('<p class="a">x</p><b id="c">y</b>', '');

  it.each([
    ['.a { color: red }', true],
    ['.gone { color: red }', false],
    ['.gone, .a { color: red }', true],
    ['.gone .a { color: red }', false],
    [':not(.gone) { color: red }', true],
    [':is(.gone, .a) { color: red }', true],
    ['#c:hover { color: red }', true],
    ['i { color: red }', false],
    ['P { color: red }', true],
    ['.gone { & .a, :not(&) { color: red } }', true],
    ['.\\61 { color: red }', true],
    ['*::before { content: "x" }', true],
  ])('%s stays: %s', (rule, stays) => {
    expect(without(long + rule, page).includes('{')).toBe(stays);
  });

  it('keeps rules of media and what is no rule of an element', () => {
    const css = `${long}@media print { .gone { color: red } .a { color: blue } } @font-face { font-family: F; src: url(f.woff) } @keyframes k { to { opacity: 0 } }`;
    const short = without(css, page);
    expect(short).not.toContain('.gone');
    for (const part of ['.a { color: blue }', '@font-face', '@keyframes k { to { opacity: 0 } }'])
      expect(short).toContain(part);
  });

  it('has states marked in nested rules, in @scope and behind pseudo-elements, whatever else is named so', () => {
    const marked = markStates(
      '.a { .b:hover { top: 0 } &:focus { top: 1px } } @scope (.c:hover) to (.hover) { i:active { top: 0 } } ' +
        '.d::before:hover { top: 0 } .e\\:hover { top: 0 } .f[title=":hover"] { top: 0 }',
    );
    const [hover, focus, active] = ['hover', 'focus', 'active'].map((name) => `[${markerOf(name)}]`);
    for (const part of [
      `.b${hover}`,
      `&${focus}`,
      `@scope (.c${hover}) to (.hover)`,
      `i${active}`,
      '.e\\:hover',
      '.f[title=":hover"]',
    ])
      expect(marked).toContain(part);
    expect(marked).toContain(`.d[${partMarkerOf('hover')}]::before`);
  });

  it('is all kept on a page in quirks mode, where names match in any case', () => {
    const prepared = prepareSheet(`${long}.GONE { color: red }`, NO_STATE);
    expect(unreached(prepared, page.tree)).toHaveLength(1);
    expect(unreached(prepared, { ...page.tree, quirks: true })).toEqual([]);
  });
});
