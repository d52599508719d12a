import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { isDeepStrictEqual } from 'node:util';
import { AT_REST, forceStates } from '../css/selector/forced.js';
import { bitsOf, closeBits } from '../css/selector/states.js';
import { asLastSheet, type BareRule } from '../handover/index.js';
import { LookedPages } from './looked-pages.js';
import { DESKTOP, VIEWPORTS } from '../css/conditions/environment.js';
import { changeLook, EMPTY_LOOK, statesOf, type Look, type Setting } from '../look/model.js';
import { demoPage, pageOf } from '../testing/page.js';
import { ComponentSession } from '../session/component-session.js';
import type { PageSession } from '../parts/page-session.js';

const viewports = [
  { name: 'wide', environment: { ...DESKTOP, ...VIEWPORTS.wide } },
  { name: 'narrow', environment: { ...DESKTOP, ...VIEWPORTS.narrow } },
];
const request = { viewports };

const componentOf = (page: PageSession, kind: string) => {
  const found = page.components().find((item) => item.kind === kind)!;
  return new ComponentSession(page, found.kind, found.locator);
};

/** Values of several sorts: colours alone, and such as move and hide things. */
const VALUES: readonly (readonly [property: string, values: readonly string[]])[] = [
  ['color', ['#fff', '#14323a', 'rgb(0 0 0 / 60%)', 'currentcolor', 'var(--ink, teal)']],
  ['background-color', ['#0b5563', 'transparent', '#ffd', 'rgb(255 255 255 / 50%)', 'currentcolor']],
  ['border-top-color', ['red', 'currentcolor']],
  ['border-top-width', ['0', '3px']],
  ['border-top-style', ['solid', 'none']],
  ['outline-style', ['solid', 'none']],
  ['outline-color', ['gold', 'currentcolor']],
  ['font-size', ['12px', '26px', '1.5em']],
  ['font-weight', ['400', '700']],
  ['opacity', ['1', '0.4', '0']],
  ['display', ['block', 'none', 'inline-flex']],
  ['visibility', ['visible', 'hidden']],
  ['box-shadow', ['0 0 0 3px currentcolor', 'none']],
  ['text-decoration-line', ['underline', 'none']],
];

const STATES = [[], ['hover'], ['focus', 'focus-visible'], ['active'], ['current'], ['current', 'hover']] as const;

/** Edits of the parts of a component, each setting or clearing a cell. */
const edits = (parts: readonly string[]) =>
  fc.array(
    fc
      .record({
        part: fc.constantFrom(...parts),
        states: fc.constantFrom(...STATES),
        value: fc.constantFrom(...VALUES).chain(([property, values]) =>
          fc.record({
            property: fc.constant(property),
            value: fc.option(fc.constantFrom(...values), { nil: undefined }),
          }),
        ),
        viewport: fc.constantFrom(undefined, undefined, 'narrow' as const),
      })
      .map(({ part, states, value, viewport }): Omit<Setting, 'value'> & { value: string | undefined } => ({
        part,
        property: value.property,
        when: { states: statesOf(part, states), ...(viewport ? { viewport } : {}) },
        value: value.value,
      })),
    { minLength: 1, maxLength: 6 },
  );

const CSS = `.top { color: #fff; background: #123; position: absolute } .top a { color: #fff; padding: 8px; display: block }
.top a:hover { background: #357; color: #eee } .top a:hover b { color: gold } .top a[aria-current] { font-weight: 700; background: #246 }
.top a:focus-visible { outline: 2px solid gold } .top a::before { content: "›"; color: inherit } @media (max-width: 500px) { .top a { padding: 4px } }`;
const BODY = `<header class="top"><nav aria-label="Main"><ul><li><a href="#1" aria-current="page">One <b>now</b></a></li><li><a href="#2">Two <b>later</b></a><ul><li><a href="#3">Three</a></li></ul></li></ul></nav></header>`;

const SELECTORS = [
  'b',
  'a b',
  'li',
  'ul',
  'nav',
  'header nav',
  '.top',
  '.top a',
  'nav a:hover',
  'a:focus-visible b',
  'a::before',
  'a[aria-current]',
  'header:hover',
  'li a',
];
const bareRules = fc.array(
  fc
    .record({
      selector: fc.constantFrom(...SELECTORS),
      important: fc.boolean(),
      said: fc
        .constantFrom(...VALUES)
        .chain(([property, values]) =>
          fc.record({ property: fc.constant(property), value: fc.constantFrom(...values) }),
        ),
    })
    .map(({ selector, important, said: { property, value } }): BareRule => ({
      states: closeBits(
        bitsOf(['hover', 'focus', 'focus-visible'].filter((name) => selector.includes(`:${name}`)) as never),
      ),
      selector,
      css: `${selector} { ${property}: ${value}${important ? ' !important' : ''} }`,
      media: '',
      declarations: [{ property, value, important } as BareRule['declarations'][number]],
    })),
  { maxLength: 8 },
);

/** Thousands of figures are compared at once; only where they differ it is said how. */
function expectSame(found: unknown, wanted: unknown): void {
  if (!isDeepStrictEqual(found, wanted)) expect(found).toEqual(wanted);
}

describe('a page under a look', () => {
  it('has the values that its rules give it as a sheet behind all others', () => {
    const PARTS = ['one', 'two', 'three'];
    const { pages, tree } = pageOf(BODY, CSS);
    const states = [
      AT_REST,
      ...tree.elements
        .filter(({ name }) => /^(a|header)$/.test(name))
        .map((element) => forceStates([[element, closeBits(bitsOf(['hover', 'focus', 'focus-visible']))]])),
    ];
    const valuesOf = (under: typeof pages) =>
      states.flatMap((forced) => {
        const view = under.at().stylesFor(DESKTOP).at(forced);
        return tree.elements.flatMap((element) =>
          [undefined, 'before'].map((pseudo) =>
            VALUES.map(([property]) => view.of(element, pseudo).text(property)).join(' | '),
          ),
        );
      });
    const said = fc.tuple(bareRules, bareRules, bareRules);
    fc.assert(
      fc.property(fc.array(said, { minLength: 1, maxLength: 4 }), (looks) => {
        const looked = new LookedPages(pages, PARTS);
        for (const [i, rules] of looks.entries()) {
          const look = changeLook(
            EMPTY_LOOK,
            PARTS.map((part) => ({ part, property: 'color', when: { states: [] }, value: `rgb(${i} 0 0)` })),
          );
          const { pages: under } = looked.under(look, DESKTOP, undefined, (part) => rules[PARTS.indexOf(part)]!);
          const css = rules.flat().map((rule) => rule.css);
          expectSame(valuesOf(under), valuesOf(pages.extended([asLastSheet(css.join('\n'))])));
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('a page under a look that was made from the page under another', () => {
  it('comes to the same checks and the same sheet as one that was made in full, edit after edit', () => {
    const kept = componentOf(pageOf(BODY, CSS), 'menu');
    const parts = kept.parts.map(({ part }) => part.name);
    fc.assert(
      fc.property(edits(parts), (steps) => {
        let look: Look = EMPTY_LOOK;
        for (const step of steps) {
          look = changeLook(look, [step]);
          const fresh = componentOf(pageOf(BODY, CSS), 'menu');
          expectSame(kept.ledger(look, request), fresh.ledger(look, request));
          const sheet = { unfolded: parts, environment: viewports[0]!.environment };
          expectSame(kept.sheet(look, sheet).rows, fresh.sheet(look, sheet).rows);
        }
      }),
      { numRuns: 25 },
    );
  });

  it('does so on the demo site, where a picture lies behind and menus open', () => {
    for (const kind of ['menu', 'cookie-notice']) {
      const kept = componentOf(demoPage(), kind);
      const parts = kept.parts.map(({ part }) => part.name);
      let look: Look = EMPTY_LOOK;
      kept.ledger(look, request);
      fc.assert(
        fc.property(edits(parts), (steps) => {
          for (const step of steps) look = changeLook(look, [step]);
          expectSame(kept.ledger(look, request), componentOf(demoPage(), kind).ledger(look, request));
        }),
        { numRuns: 3 },
      );
    }
  });

  it('hands out the very checks that an edit does not touch', () => {
    const session = componentOf(pageOf(BODY, CSS), 'menu');
    const hover = (value: string) =>
      changeLook(EMPTY_LOOK, [
        { part: 'link', property: 'color', when: { states: statesOf('link', ['hover']) }, value },
      ]);
    session.ledger(EMPTY_LOOK, request);
    const before = session.ledger(hover('#ffffff'), request);
    const after = session.ledger(hover('#fedcba'), request);
    const same = after.filter((check) => before.includes(check));
    expect(same.length).toBeGreaterThan(after.length / 2);
    expect(same.some(({ part, column }) => part === 'link' && column === 'hover')).toBe(false);
    // And what came back is what it was.
    expect(session.ledger(hover('#ffffff'), request)).toEqual(before);
  });
});
