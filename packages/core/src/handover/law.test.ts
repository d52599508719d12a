import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { fileURLToPath } from 'node:url';
import { changeLook, EMPTY_LOOK, statesOf, type Look } from '../look/model.js';
import { ComponentSession } from '../session/component-session.js';
import type { PageSession } from '../parts/page-session.js';
import { looksFor } from '../testing/looks.js';
import { DEMO_PAGES, demoPage, pageOf } from '../testing/page.js';
import { stateWords } from './state-selector.js';

// The law: resolving a look in the core gives the same values as resolving the CSS that it hands over, for every part,
// member, state, width, scheme and page. That Chromium gives them too is tested end to end, for every kind.

const PAGE_ID = 'this-page';

/** What the proof says went wrong, in words. */
function failuresOf(bench: ComponentSession, look: Look): { compared: number; failures: string[] } {
  const { proof } = bench.handover(look);
  return {
    compared: proof.compared,
    failures: proof.failures.map(
      ({ part, states, where, property, wanted, got }) =>
        `${part} ${stateWords(states)} from ${where.from} ${where.scheme} ${property}: ${wanted}, got ${got}`,
    ),
  };
}

const holds = (page: PageSession, runs: number, kinds?: readonly string[]) => {
  const found = page.components().filter((item) => !kinds || kinds.includes(item.kind));
  expect(found.length).toBeGreaterThan(0);
  let compared = 0;
  for (const item of found) {
    const bench = new ComponentSession(page, item.kind, item.locator, { pageId: PAGE_ID });
    fc.assert(
      fc.property(looksFor(bench, bench.sheet(EMPTY_LOOK).parts, PAGE_ID), (look) => {
        const result = failuresOf(bench, look);
        compared += result.compared;
        expect(result.failures).toEqual([]);
      }),
      { numRuns: runs },
    );
  }
  expect(compared).toBeGreaterThan(0);
};

const SELECTORS = [
  '.card',
  '.card h3',
  '.card p',
  '.card a',
  '.grid .card',
  '.card .more',
  'h3',
  'a',
  '#two',
  '.card:first-child h3',
];
const STATES = ['', ':hover', ':focus-visible', ':active', ':focus', ':hover:active', ':focus-within'];
const DECLARATIONS = [
  'color: red',
  'color: var(--c)',
  'background-color: blue',
  'background: #eee',
  'padding: 3px',
  'padding-left: 2px !important',
  'font-size: 1.2em',
  'opacity: .9',
  'color: inherit',
  'text-decoration: underline',
];
const rule = fc
  .record({
    selector: fc.constantFrom(...SELECTORS),
    state: fc.constantFrom(...STATES),
    hovered: fc.boolean(),
    body: fc.uniqueArray(fc.constantFrom(...DECLARATIONS), { minLength: 1, maxLength: 3 }),
    media: fc.option(
      fc.constantFrom(
        ...[
          '(max-width: 700px)',
          '(min-width: 900px)',
          '(prefers-color-scheme: dark)',
          '(prefers-reduced-motion: reduce)',
        ],
      ),
      {
        nil: undefined,
      },
    ),
  })
  .map(({ selector, state, hovered, body, media }) => {
    const inner = `${hovered ? '.card:hover ' : ''}${selector}${state} { ${body.join('; ')} }`;
    return media ? `@media ${media} { ${inner} }` : inner;
  });
const CARDS = `<main class="grid"><article class="card"><h3>One</h3><p style="opacity:.7">Text</p><a class="more" href="#1">More</a></article>
  <article class="card" id="two"><h3>Two</h3><p>Text</p><a class="more" href="#2">More</a></article>
  <article class="card"><h3>Three</h3><p>Text</p><a class="more" href="#3">More</a></article></main>`;

describe('the law of looks', () => {
  it('holds for generated looks over generated pages', () => {
    fc.assert(
      fc.property(fc.array(rule, { maxLength: 10 }), fc.infiniteStream(fc.nat()), fc.integer(), (rules, _, seed) => {
        const page = pageOf(CARDS, `:root { --c: #333 } ${rules.join('\n')}`);
        const [found] = page.components().filter((item) => item.kind === 'card');
        const bench = new ComponentSession(page, 'card', found!.locator, { pageId: PAGE_ID });
        const [look] = fc.sample(looksFor(bench, bench.sheet(EMPTY_LOOK).parts, PAGE_ID), { numRuns: 1, seed });
        expect(failuresOf(bench, look!).failures).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });

  it.each(DEMO_PAGES.filter((file) => file !== 'index.html'))('holds for every component of the demo’s %s', (file) => {
    holds(demoPage(file), 2);
  });

  it('holds on a page made with a sheet that a package ships', () => {
    const require = createRequire(import.meta.url);
    const css = readFileSync(require.resolve('bootstrap/dist/css/bootstrap.css'), 'utf8');
    const body = readFileSync(
      fileURLToPath(new URL('../../../../e2e/agreement/pages/bootstrap.html', import.meta.url)),
      'utf8',
    );
    holds(pageOf(body, css), 1, ['card', 'pagination', 'breadcrumb', 'link-list']);
  });
});

describe('components that overlap', () => {
  const css =
    '.btn { color: #fff; background: #046; border: 0; padding: 4px } .btn:hover { background: #068 } .cookies { background: #123 }';
  const page = () =>
    pageOf(
      '<p><a class="btn" href="#">Book</a></p><section class="cookies" aria-label="Cookies"><button class="btn accept">Yes</button></section>',
      css,
    );
  const session = (kind: string, before?: string) => {
    const source = page();
    const found = source.components().find((item) => item.kind === kind)!;
    return new ComponentSession(source, kind, found.locator, before === undefined ? {} : { before });
  };
  const set = (part: string, states: Parameters<typeof statesOf>[1], value: string) => ({
    part,
    property: 'background-color',
    when: { states: statesOf(part, states) },
    value,
  });

  it('are resolved wide reach first, contained last', () => {
    const wide = changeLook(EMPTY_LOOK, [set('button', [], 'red'), set('button', ['hover'], 'maroon')]);
    const before = session('button').css(wide);
    const notice = session('cookie-notice', before);
    const untouched = notice.sheet(EMPTY_LOOK, { unfolded: ['accept'], whole: ['accept'] });
    const cells = (sheet: typeof untouched) =>
      sheet.rows
        .find((row) => row.part === 'accept' && row.row.key === 'background')!
        .cells.map((cell) => cell.computed);
    expect(cells(untouched).slice(0, 2)).toEqual(['rgb(255, 0, 0)', 'rgb(128, 0, 0)']);
    // The state comes before the reach: the wide hover stays where only the contained default is set.
    const look = changeLook(EMPTY_LOOK, [set('accept', [], 'lime')]);
    expect(cells(notice.sheet(look, { unfolded: ['accept'], whole: ['accept'] })).slice(0, 2)).toEqual([
      'rgb(0, 255, 0)',
      'rgb(128, 0, 0)',
    ]);
    expect(notice.handover(look).proof.failures).toEqual([]);
    expect(notice.sheet(look).conflicts).toEqual(['Accept, background-color, default']);
    expect(session('cookie-notice').sheet(look).conflicts).toEqual([]);
  });
});

describe('the order of conditions', () => {
  const bench = () => {
    const page = pageOf('<a class="btn" href="#1">One</a> <a class="btn" href="#2">Two</a>', '.btn { color: black }');
    const [found] = page.components().filter((item) => item.kind === 'button');
    return new ComponentSession(page, 'button', found!.locator, { pageId: PAGE_ID });
  };
  const setting = (value: string, more: object, states: Parameters<typeof statesOf>[1] = [], exception?: string) => ({
    part: 'button',
    property: 'color',
    value,
    ...(exception ? { exception } : {}),
    when: { states: statesOf('button', states), ...more },
  });

  it('is state, then exception, page, viewport, scheme', () => {
    const one = bench();
    const exceptions = [{ id: 'x', name: 'Two', part: 'button', members: ['[href="#2"]'] }];
    const steps = [
      setting('rgb(1, 0, 0)', {}),
      setting('rgb(2, 0, 0)', { scheme: 'dark' }),
      setting('rgb(3, 0, 0)', { viewport: 'medium' }),
      setting('rgb(4, 0, 0)', { viewport: 'narrow' }),
      setting('rgb(5, 0, 0)', { page: PAGE_ID }),
      setting('rgb(6, 0, 0)', {}, [], 'x'),
      setting('rgb(7, 0, 0)', {}, ['hover']),
    ] as const;
    // However they are put in, the later of the list wins where all of them hold.
    for (let i = 1; i <= steps.length; i++) {
      const look = { ...changeLook(EMPTY_LOOK, [...steps.slice(0, i)].reverse() as never), exceptions };
      const sheet = one.sheet(look, {
        environment: {
          width: 390,
          height: 844,
          scheme: 'dark',
          resolution: 1,
          reducedMotion: false,
          moreContrast: false,
          forcedColours: false,
          touch: false,
        },
        place: { exception: 'x', page: PAGE_ID, viewport: 'narrow', scheme: 'dark' },
      });
      const cells = sheet.rows.find((row) => row.row.key === 'text')!.cells;
      const hover = cells.find((cell) => cell.column === 'hover')!;
      expect(hover.computed).toBe(`rgb(${i}, 0, 0)`);
      expect(failuresOf(one, look as Look).failures).toEqual([]);
    }
  });

  it('puts what one page alone has into a sheet of its own', () => {
    const { css, pageCss, proof } = bench().handover(
      changeLook(EMPTY_LOOK, [setting('red', {}), setting('blue', { page: PAGE_ID })] as never),
    );
    expect(css).toContain('red');
    expect(css).not.toContain('blue');
    expect(pageCss).toContain('blue');
    expect(proof.failures).toEqual([]);
  });

  it('says which widths a viewport means', () => {
    const { css } = bench().handover(changeLook(EMPTY_LOOK, [setting('red', { viewport: 'narrow' })] as never));
    expect(css).toContain('@media (width < 600px)');
  });
});
