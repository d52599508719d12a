import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { fileURLToPath } from 'node:url';
import { DESKTOP, PRINTED_SHORTHANDS, VIEWPORTS } from '../../packages/core/dist/index.js';
import { type Agreement, comparePage, PSEUDO_ELEMENTS, type CompareOptions } from '../agreement/compare';
import { openDemo } from '../agreement/demo';
import { unexplained } from '../agreement/exceptions';
import { pageFromSelectors } from '../agreement/markup';
import { serve } from '../agreement/serve';

// The core against Chromium itself: every property that the core computes, on every element of real pages.

const require = createRequire(import.meta.url);
const fromPackage = (path: string) => readFileSync(require.resolve(path), 'utf8');
const body = (name: string) =>
  readFileSync(fileURLToPath(new URL(`../agreement/pages/${name}.html`, import.meta.url)), 'utf8');

/** Writes the figures to the log, and fails with each difference that has no written cause. */
function expectAgreement(name: string, agreement: Agreement): void {
  test.info().annotations.push({ type: 'agreement', description: `${name}: ${agreement.percent.toFixed(4)} %` });
  console.log(`${name}: ${agreement.report(20)}`);
  const left = unexplained(agreement.differences);
  expect(
    left
      .slice(0, 30)
      .map((item) => `${item.property} of ${item.where} (${item.state}): core ${item.core}, Chromium ${item.browser}`),
  ).toEqual([]);
}

test.describe('the core agrees with Chromium', () => {
  test.describe.configure({ timeout: 400_000 });

  for (const path of ['/', '/booking.html']) {
    test(`on the demo site, ${path}, in every state`, async ({ page }) => {
      const session = await openDemo(page, path);
      expectAgreement(path, await comparePage(page, session, { pseudo: PSEUDO_ELEMENTS }));
    });
  }

  test('on the demo site at phone width, with dark preferred and motion reduced', async ({ page }) => {
    const { width, height } = VIEWPORTS.narrow;
    await page.setViewportSize({ width, height });
    await page.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' });
    const session = await openDemo(page, '/');
    const environment = { ...DESKTOP, width, height, scheme: 'dark' as const, reducedMotion: true };
    expectAgreement('narrow', await comparePage(page, session, { environment, interactive: 'nothing' }));
  });

  const frameworks = [
    ['bootstrap', 'bootstrap/dist/css/bootstrap.css'],
    ['bulma', 'bulma/css/bulma.css'],
  ] as const;
  for (const [name, file] of frameworks) {
    const states: CompareOptions['states'] = {
      hover: ['hover'],
      focus: ['focus', 'focus-visible'],
      active: ['hover', 'active'],
    };
    test(`on ${name}'s documented markup, in every state`, async ({ page }) => {
      const session = await serve(page, { body: body(name), sheets: [fromPackage(file)] });
      expectAgreement(name, await comparePage(page, session, { states, pseudo: PSEUDO_ELEMENTS }));
    });

    test(`on a page made from ${name}'s own selectors`, async ({ page }) => {
      const css = fromPackage(file);
      const session = await serve(page, { body: pageFromSelectors([css], 2000), sheets: [css] });
      expect(session.tree.elements.length).toBeGreaterThan(1500);
      expectAgreement(`${name}, generated`, await comparePage(page, session, { interactive: 'nothing' }));
    });
  }

  test('on every element of HTML without any sheet of the site', async ({ page }) => {
    const session = await serve(page, { body: body('elements'), sheets: [] });
    expectAgreement('elements', await comparePage(page, session));
  });

  // Each rule says something that a browser overrules for some elements.
  const overruled = {
    'boxes set by force':
      '* { padding: 7px; border: 3px dotted red; border-radius: 4px; display: inline; line-height: 40px; background: blue; width: 100px; color: green; white-space: pre-wrap; overflow: auto; text-align: right; font-size: 20px; vertical-align: top; min-width: 10px }',
    'parts of tables': '* { display: table-cell }',
    floats: '* { display: inline-flex; float: left; position: relative; overflow: hidden visible; text-align: center }',
    'inheritance by force':
      '* { box-sizing: inherit; display: inherit; color: inherit; padding: inherit; border: inherit; background: inherit; line-height: inherit; text-align: inherit; white-space: inherit; appearance: none } html { padding: 3px; border: 1px solid; color: red; box-sizing: border-box; line-height: 1.4 }',
    'right to left':
      'html { direction: rtl } * { margin-inline-start: 3px; padding-inline: 1px 2px; border-inline-start: 1px solid red; border-start-start-radius: 4px; inset-inline-end: 5px; position: relative }',
    'vertical writing':
      'body { writing-mode: vertical-rl } * { margin-block-start: 3px; inline-size: 20px; border-block-end: 2px solid }',
    'colours of the system':
      '* { color: LinkText; background: Canvas; border: 1px solid GrayText; color-scheme: dark; outline: 1px solid AccentColor }',
  };
  for (const [name, css] of Object.entries(overruled)) {
    test(`on every element of HTML with ${name}`, async ({ page }) => {
      const session = await serve(page, { body: body('elements'), sheets: [css] });
      expectAgreement(name, await comparePage(page, session, { interactive: 'nothing' }));
    });
  }

  test('on what newer CSS has, in every state', async ({ page }) => {
    const css = readFileSync(fileURLToPath(new URL('../agreement/pages/modern.css', import.meta.url)), 'utf8');
    const session = await serve(page, { body: body('modern'), sheets: [css] });
    expectAgreement('newer CSS', await comparePage(page, session, { pseudo: { before: '*', after: '*' } }));
  });

  test('on shorthands as they are printed', async ({ page }) => {
    // Those whose parts layout has a say in are compared part by part elsewhere.
    const laidOut = ['margin', 'padding', 'inset', 'gap', 'flex', 'columns'];
    const properties = PRINTED_SHORTHANDS.filter((name) => !laidOut.includes(name));
    const session = await serve(page, { body: body('bootstrap'), sheets: [fromPackage(frameworks[0][1])] });
    expectAgreement('shorthands', await comparePage(page, session, { properties, interactive: 'nothing' }));
  });

  test('with imported sheets, each in a layer or under a condition', async ({ page }) => {
    const main = `@layer base, top; @import "/import-0.css" layer(top) screen; @import url(/import-1.css) layer(base) supports(display: grid) (min-width: 100px);
      @import "/import-2.css" (max-width: 10px); @import "/import-3.css" layer; @import "/import-4.css" supports(display: nope); .a { padding: 1px } @import "/import-2.css";`;
    const imported = [
      '.a { color: green; margin: 1px } .a { background: url(x.png) }',
      '@import "/import-5.css"; .a { color: red; margin: 2px } @layer inner { .a { opacity: .5 } }',
      '.a { color: blue !important }',
      '.a { color: purple; letter-spacing: 1px }',
      '.a { display: none }',
      '.a { word-spacing: 3px; margin: 9px !important }',
    ];
    const session = await serve(page, { body: '<p class="a">a</p>', sheets: [main], imported });
    expectAgreement('imports', await comparePage(page, session, { interactive: 'nothing' }));
  });

  test('in quirks mode', async ({ page }) => {
    const css =
      'P { color: ff0000; WIDTH: 100; margin: 5 10 } .UPPER { color: blue } table { border-color: 00f } td { font-size: 12 } body { font: bold 20px/2 serif; color: teal }';
    const session = await serve(page, {
      doctype: '',
      body: `<p class="upper">x</p><table><tr><td>x</table>${body('elements')}`,
      sheets: [css],
    });
    expect(session.tree.quirks).toBe(true);
    expectAgreement('quirks', await comparePage(page, session, { interactive: 'nothing' }));
  });
});
