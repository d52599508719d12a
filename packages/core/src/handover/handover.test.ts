import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { contrastRatio } from '../colour/contrast.js';
import { parseColour } from '../colour/parse.js';
import { compileText } from '../css/selector/match.js';
import type { Atom } from '../css/selector/states.js';
import { changeLook, EMPTY_LOOK, statesOf, type Look } from '../look/model.js';
import { locatorFor, selectAll } from '../css/selector/locator.js';
import { ComponentSession } from '../session/component-session.js';
import { KINDS } from '../component/kinds/index.js';
import { DEMO_PAGES, demoPage, pageOf } from '../testing/page.js';

type Change = [property: string, atoms: Atom[], value: string];
const lookOf = (changes: readonly Change[], part = 'button'): Look =>
  changeLook(
    EMPTY_LOOK,
    changes.map(([property, atoms, value]) => ({ part, property, when: { states: statesOf(part, atoms) }, value })),
  );

function session(
  css: string,
  body = '<main id="m"><p class="w"><a class="btn go" href="#">Go <b>on</b></a></p></main>',
  selector = '.btn',
) {
  const page = pageOf(body, css);
  const [element] = selectAll(page.tree, selector);
  return new ComponentSession(page, 'button', locatorFor(element!, selector));
}

describe('selectors that count', () => {
  it('are explained where they are, and not where a name is enough', () => {
    const alike =
      '<main><p><a class="btn" href="#">Go</a></p><p><a class="btn" style="color: red" href="#">Stay</a></p></main>';
    // One of two has an inline style, so that it alone is restated in hover.
    const css = '.btn { color: #046 } .btn:hover { color: #9cd }';
    const counted = session(css, alike).handover(lookOf([['color', ['hover'], '#000']]));
    const plain = session(css).handover(lookOf([['color', ['hover'], '#000']]));
    const told = /nothing but the place on the page tells some of these elements from others/;
    expect(/nth-child/.test(counted.css)).toBe(told.test(counted.css));
    expect(plain.css).not.toMatch(told);
    const path = ':root > body:nth-child(2) > main:nth-child(1) > p:nth-child(2) > a:nth-child(1)';
    const byPath = session(css, alike, path).handover(lookOf([['color', [], '#000']]));
    expect(byPath.css).toMatch(told);
    expect(byPath.proof.failures).toEqual([]);
  });
});

describe('the CSS of a change', () => {
  it('sets one state and leaves the others to the site', () => {
    const { css, proof } = session('.btn { color: #fff; background: #046 } .btn:hover { background: #9cd }').handover(
      lookOf([['color', ['hover'], '#000']]),
    );
    expect(css).toMatch(/\.btn:where\(:hover\) \{\n {2}color: #000;\n\}/);
    expect(css).not.toContain('background');
    expect(proof).toMatchObject({ failures: [] });
    expect(proof.compared).toBeGreaterThan(0);
  });

  it("keeps the site's own hover when only the default is set", () => {
    const bench = session('.w .btn { color: red } .btn:hover { color: blue }');
    const { css, proof } = bench.handover(lookOf([['color', [], 'green']]));
    // The default outweighs the site's hover rule, so hover is said again.
    expect(css).toContain('as the site has it');
    expect(proof.failures).toEqual([]);
    const hover = bench.sheet(lookOf([['color', [], 'green']])).rows[0]!.cells[1]!;
    expect(hover).toMatchObject({ computed: 'rgb(0, 0, 255)', from: 'site' });
  });

  it('uses !important only against what is important or inline', () => {
    const plain = session('#m .w a.btn.go { color: red }').handover(lookOf([['color', [], 'green']]));
    expect(plain.css).not.toMatch(/green !important/);
    expect(plain.proof.failures).toEqual([]);
    const strong = session('.btn { color: red !important }').handover(lookOf([['color', [], 'green']]));
    expect(strong.css).toContain('color: green !important');
    expect(strong.proof.failures).toEqual([]);
    const inline = session('', '<a class="btn" href="#" style="color: red">x</a>').handover(
      lookOf([['color', ['hover'], 'green']]),
    );
    expect(inline.css).toContain('color: green !important');
    expect(inline.proof.failures).toEqual([]);
  });

  it('says what cannot be beaten', () => {
    const { plans, proof } = session('@layer base { .btn { color: red !important } }').handover(
      lookOf([['color', [], 'green']]),
    );
    expect(plans[0]!.unbeatable).toHaveLength(1);
    expect(proof.failures.length).toBeGreaterThan(0);
  });

  it('restates a value that differs by width under the widths where it holds', () => {
    const css =
      '.w .btn { color: red } .btn:hover { color: blue } @media (max-width: 600px) { .btn:hover { color: purple } }';
    const { css: out, proof } = session(css).handover(lookOf([['color', [], 'green']]));
    expect(out).toContain('@media (width < 601px)');
    expect(proof.failures).toEqual([]);
  });

  it('keeps elements apart that the site treats differently', () => {
    const body = '<p class="w"><a class="btn" href="#">1</a></p><p class="v"><a class="btn" href="#">2</a></p>';
    const css =
      '.w .btn:hover { color: red } .v .btn:hover { color: blue } #x.y, p .btn { color: black } body p .btn { color: grey }';
    const { proof } = session(css, body).handover(
      lookOf([
        ['color', [], 'green'],
        ['color', ['active'], 'lime'],
      ]),
    );
    expect(proof.failures).toEqual([]);
  });

  it('survives names and values that could end a comment', () => {
    const { css } = session('').handover(lookOf([['color', [], 'green']]), 'Go */ body { display: none } /*');
    expect(css.split('\n')[0]).toBe(
      "/* Go * / body { display: none } /*: put this after the site's other stylesheets. */",
    );
  });
});

describe('the law: a look resolved in the core is what its CSS resolves to', () => {
  const colour = fc.constantFrom('#112233', 'rebeccapurple', 'rgb(1 2 3 / 40%)', 'currentcolor', 'var(--c)', 'inherit');
  const property = fc.constantFrom('color', 'background-color', 'border-top-color');
  const atoms = fc.constantFrom<Atom[]>(
    [],
    ['hover'],
    ['focus'],
    ['focus', 'focus-visible'],
    ['active'],
    ['hover', 'focus'],
    ['hover', 'active'],
  );
  const reach = fc.constantFrom('.btn', 'a', 'a.btn.go', '#m .btn', '.w a', 'main .w .btn', 'p > a:first-child');
  const state = fc.constantFrom(
    '',
    ':hover',
    ':focus',
    ':focus-visible',
    ':active',
    ':hover:focus',
    ':not(:hover)',
    ':focus-within',
  );
  const wrap = fc.constantFrom(
    (rule: string) => rule,
    (rule: string) => `@media (max-width: 700px) { ${rule} }`,
    (rule: string) => `@media (min-width: 701px) { ${rule} }`,
    (rule: string) => `@layer low { ${rule} }`,
    (rule: string) => `.w:hover ${rule}`,
  );
  const rule = fc
    .tuple(reach, state, property, colour, fc.boolean(), wrap)
    .map(([selector, pseudo, name, value, important, around]) =>
      // Important declarations in a layer cannot be beaten at all; that is a case of its own above.
      around(
        `${selector}${pseudo} { ${name}: ${value}${important && !around('').startsWith('@layer') ? ' !important' : ''} }`,
      ),
    );
  const change = fc.tuple(property, atoms, fc.constantFrom('#123456', 'gold', 'rgb(9 8 7 / 50%)'));

  it('over generated sheets and looks', () => {
    const body =
      '<main id="m" style="--c: teal"><p class="w"><a class="btn go" href="#">Go</a></p><p><a class="btn" href="#" style="border-top-color: red">B</a></p></main>';
    fc.assert(
      fc.property(
        fc.array(rule, { maxLength: 7 }),
        fc.array(change, { minLength: 1, maxLength: 4 }),
        (rules, changes) => {
          const { proof, css } = session(rules.join('\n'), body).handover(lookOf(changes as Change[]));
          if (proof.failures.length) {
            const { element: _element, where, ...rest } = proof.failures[0]!;
            throw new Error(
              `${JSON.stringify({ ...rest, width: where.environment.width })}\n${rules.join('\n')}\n---\n${css}`,
            );
          }
        },
      ),
      { numRuns: 300 },
    );
  });
});

describe('the demo site', () => {
  it('is grouped as its sheets group it', () => {
    const found = demoPage()
      .components()
      .map(({ kind, selector, elements, reach }) => ({ kind, selector, n: elements.length, reach }));
    expect(found).toContainEqual({ kind: 'button', selector: 'a.btn.btn-fare', n: 1, reach: 1 });
    expect(found).toContainEqual({ kind: 'menu', selector: '.qh-head', n: 1, reach: 1 });
    expect(found).toContainEqual({ kind: 'card', selector: '.card', n: 3, reach: 3 });
    // Every selector reaches just what it stands for, single elements of other components apart.
    for (const file of DEMO_PAGES) {
      for (const item of demoPage(file).components()) {
        expect(() => compileText(item.selector)).not.toThrow();
        expect(item.reach).toBe(item.elements.length);
      }
    }
  });

  it('has every kind on it', () => {
    const kinds = new Set(
      DEMO_PAGES.flatMap((file) =>
        demoPage(file)
          .components()
          .map(({ kind }) => kind),
      ),
    );
    expect([...kinds].sort()).toEqual(KINDS.map(({ name }) => name).sort());
  });

  it('has the flaws that the job is about', () => {
    const page = demoPage();
    const verdicts = (selector: string, demand: string) => {
      const found = page.components().find((item) => item.selector === selector)!;
      const { checks } = new ComponentSession(page, found.kind, found.locator).sheet(EMPTY_LOOK);
      const own = checks.filter((check) => check.demand === demand);
      return Object.fromEntries(own.map((check) => [check.column, check.verdict]));
    };
    expect(verdicts('a.btn.btn-fare', 'label')).toMatchObject({
      default: 'passes',
      hover: 'short',
      focus: 'passes',
      pressed: 'short',
    });
    // A sub-menu is judged as it is when it is open.
    expect(verdicts('.qh-head', 'sub-link-text')).toMatchObject({ default: 'passes', hover: 'short' });
    expect(verdicts('.offer .offer-link', 'text')).toMatchObject({ default: 'unsure' });
    expect(verdicts('.cookies', 'accept-text')).toMatchObject({ default: 'passes', hover: 'passes' });
    expect(verdicts('.cookies', 'refuse-text')).toMatchObject({ default: 'short' });
    expect(verdicts('.card', 'heading-text')).toEqual({ default: 'passes', hover: 'short' });
  });

  it('tells where a track passes, for the cell and all that follow it', () => {
    const page = demoPage();
    const found = page.components().find((item) => item.selector === 'a.btn.btn-fare')!;
    const bench = new ComponentSession(page, 'button', found.locator);
    const [white, dark, broken] = bench.tryColours(EMPTY_LOOK, { part: 'button', row: 'text', column: 'hover' }, [
      '#fff',
      '#14323a',
      'nonsense',
    ]);
    expect(white).toMatchObject({ passes: true });
    expect(white!.lowest).toBeCloseTo(contrastRatio(parseColour('#fff')!, parseColour('#2a7f8e')!), 6);
    expect(dark).toMatchObject({ passes: false });
    expect(broken).toMatchObject({ passes: false, lowest: undefined });
  });
});
