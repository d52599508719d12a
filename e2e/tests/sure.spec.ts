import { expect, test, type Page } from '@playwright/test';
import { readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { fileURLToPath } from 'node:url';
import {
  ComponentSession,
  DESKTOP,
  EMPTY_LOOK,
  geometryOf,
  ORDER_ATTRIBUTE,
  pageLedger,
  pageReferences,
  readState,
  sheetReferences,
  VIEWPORTS,
  type PageSession,
  type ViewportName,
} from '../../packages/core/dist/index.js';
import { decodePicture, readData } from '../../packages/decode/dist/index.js';
import { openDemo } from '../agreement/demo';
import { measuredIn } from '../agreement/measure';
import { serve } from '../agreement/serve';
import { PRACTICE } from './support';

// How often nothing sure can be said of a real page once it is measured: rarely, and with the reason.

const require = createRequire(import.meta.url);
const STATES = ['default', 'hover', 'focus', 'active'].map(readState);
const MOST_UNSURE = 0.01;

/** The page as it is, and with all opened that its components hide at rest, as the application measures it. */
async function measure(page: Page, session: PageSession, viewport: ViewportName): Promise<void> {
  const size = VIEWPORTS[viewport];
  session.measures.setGeometry(geometryOf(size, await measuredIn(page)));
  for (const { kind, locator } of session.components()) {
    const component = new ComponentSession(session, kind, locator);
    for (const { key, seen } of component.openings(EMPTY_LOOK, { ...DESKTOP, ...size })) {
      if (session.measures.hasGeometry(size, key)) continue;
      const { stage, view } = seen;
      const html = session.frame({
        still: true,
        tree: stage.tree,
        forced: view.forced,
        assetAt: (address) => address,
        assetSource: PRACTICE,
      });
      await page.setContent(html);
      session.measures.setGeometry(geometryOf(size, await measuredIn(page, ORDER_ATTRIBUTE)), key);
    }
  }
}

/** The pictures that addresses in the page's sheets hold themselves, decoded as the server does at import. */
async function decodeHeld({ measures, source, tree }: PageSession): Promise<void> {
  const inSheets = source.sheets.flatMap(({ text, address }) => sheetReferences(text, address).data);
  for (const address of [...pageReferences(tree, source.address).data, ...inSheets]) {
    const file = await readData(address);
    if (file) measures.setPicture(address, await decodePicture(Buffer.from(file.bytes)));
  }
}

/** Shares of verdicts, and why something is unsure. */
function judged(session: PageSession, viewport: ViewportName) {
  const environment = { ...DESKTOP, ...VIEWPORTS[viewport] };
  const entries = pageLedger(session, { environment, states: STATES, demands: 'all' });
  const unsure = entries.filter(({ check }) => check.verdict === 'unsure');
  const reasons = new Map<string, number>();
  for (const { check, demand } of unsure) {
    const key = `${demand ?? 'text'}: ${check.reason}`;
    reasons.set(key, (reasons.get(key) ?? 0) + 1);
  }
  return { count: entries.length, unsure: unsure.length, reasons };
}

function report(name: string, all: readonly ReturnType<typeof judged>[]): void {
  const count = all.reduce((sum, one) => sum + one.count, 0);
  const unsure = all.reduce((sum, one) => sum + one.unsure, 0);
  const reasons = all.flatMap((one) => [...one.reasons].map(([reason, times]) => `${times} × ${reason}`));
  console.log(
    `${name}: ${unsure} of ${count} checks unsure (${((unsure / count) * 100).toFixed(2)} %)`,
    reasons.slice(0, 12),
  );
  expect(count).toBeGreaterThan(50);
  expect({ name, share: unsure / count < MOST_UNSURE, reasons }).toEqual({ name, share: true, reasons });
}

test('of the demo site next to nothing is unsure, at any width', async ({ page }) => {
  const folder = fileURLToPath(new URL('../../apps/practice-host/site/pictures/', import.meta.url));
  const pictures = await Promise.all(
    readdirSync(folder).map(async (name) => [name, await decodePicture(readFileSync(folder + name))] as const),
  );
  const all: ReturnType<typeof judged>[] = [];
  for (const path of ['/', '/booking.html', '/timetable.html', '/islands.html', '/contact.html', '/sign-in.html']) {
    for (const viewport of ['wide', 'narrow'] as const) {
      await page.setViewportSize(VIEWPORTS[viewport]);
      const session = await openDemo(page, path);
      for (const [name, field] of pictures) session.measures.setPicture(`${PRACTICE}/pictures/${name}`, field);
      await measure(page, session, viewport);
      all.push(judged(session, viewport));
    }
  }
  report('demo', all);
});

for (const [name, file] of [
  ['bootstrap', 'bootstrap/dist/css/bootstrap.css'],
  ['bulma', 'bulma/css/bulma.css'],
] as const) {
  test(`of ${name}'s documented markup next to nothing is unsure`, async ({ page }) => {
    const body = readFileSync(fileURLToPath(new URL(`../agreement/pages/${name}.html`, import.meta.url)), 'utf8');
    await page.setViewportSize(VIEWPORTS.wide);
    const session = await serve(page, { body, sheets: [readFileSync(require.resolve(file), 'utf8')] });
    await decodeHeld(session);
    await measure(page, session, 'wide');
    report(name, [judged(session, 'wide')]);
  });
}
