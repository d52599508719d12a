import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { PageTree } from '../../tree/tree.js';
import { parseHtml } from '../../tree/parse-html.js';
import { demoPage } from '../../testing/page.js';
import { contextOf, forceStates } from '../selector/forced.js';
import { parseSheet } from '../sheet/parse-sheet.js';
import { reachOf } from './reach.js';
import { entryOf } from './rule-entry.js';
import { matches } from '../selector/match.js';
import { bitsOf } from '../selector/states.js';

const demo = demoPage().tree;
/** Without a doctype the case of classes and ids says nothing (Quirks Mode standard, section 3.1). */
const quirky = parseHtml(
  '<div class="Bar" id="Top"><p class="bar tab"><a class="TAB" href="#">One</a><svg><linearGradient class="tab"/></svg></p></div>',
);

const simple = (tree: PageTree) =>
  fc.constantFrom(
    ...new Set(
      tree.elements.flatMap(({ name, classes, id }) => [
        name,
        name.toUpperCase(),
        ...classes.map((own) => `.${own}`),
        ...(id ? [`#${id}`] : []),
      ]),
    ),
    '*',
    '[href]',
    '.none',
  );
const state = fc.constantFrom('', ':hover', ':focus-visible', ':not(:hover)', ':is(:active, .tab)', ':where(:focus)');
const compound = (tree: PageTree) => fc.tuple(simple(tree), state).map(([own, more]) => `${own}${more}`);
/** Selectors of up to three compounds that are about elements of a page. */
const selector = (tree: PageTree) =>
  fc
    .tuple(
      compound(tree),
      fc.array(fc.tuple(fc.constantFrom(' ', ' > ', ' + ', ' ~ '), compound(tree)), { maxLength: 2 }),
    )
    .map(([first, more]) => first + more.map((pair) => pair.join('')).join(''));

describe('what a selector may match on a page', () => {
  it.each([
    ['the demo site', demo],
    ['a page in quirks mode', quirky],
  ] as const)('is all that it matches in any forced state, on %s', (_, tree) => {
    expect(tree.quirks).toBe(tree === quirky);
    fc.assert(
      fc.property(
        selector(tree),
        fc.constantFrom(...tree.elements),
        fc.subarray(['hover', 'focus', 'focus-visible', 'active'] as const),
        (text, pointed, atoms) => {
          const [rule] = parseSheet('s.css', `${text} { color: red }`, { quirks: tree.quirks }).rules;
          const [compiled] = rule!.selectors;
          const reach = reachOf(tree, entryOf(tree.quirks, rule!, compiled!, -1, 0));
          const forced = forceStates([[pointed, bitsOf(atoms)]]);
          const found = tree.elements.filter((element) => matches(compiled!, element, contextOf(forced, tree.quirks)));
          expect(found.filter((element) => !reach.elements.has(element)).map(({ order }) => order)).toEqual([]);
          expect(reach.isMetIn(forced)).toBe(found.length > 0);
        },
      ),
      { numRuns: 400 },
    );
  });
});
