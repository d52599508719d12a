import { asOneStep } from '../one-step';
import { expect, test } from '@playwright/test';
import {
  DESKTOP,
  pageLedger,
  PageSession,
  pageRemedies,
  readState,
  type LedgerEntry,
} from '../../packages/core/dist/index.js';
import { PAGES, readPage } from '../corpus/pages.mjs';
import { ground, linesOf, measureShown, shortInPixels, visibleTexts, withoutLetters } from '../corpus/pixels';
import { show } from '../corpus/serve';
import { putOn } from '../proof/live';

// What a suggested fix is said to mend passes in the pixels of the page that has its CSS.

/** Of a page's components that fail somewhere these many are mended; REMEDIES=1000 for all. */
const MOST_COMPONENTS = Number(process.env.REMEDIES ?? 2);
/** Pages that take long are left to who asks for all. */
const pages = process.env.REMEDIES ? PAGES : PAGES.filter((_page, i) => i % 4 === 0);
const AT_REST_STATE = { states: [readState('default')] };
const viewports = [{ name: 'wide', environment: DESKTOP }];

const textsOf = (session: PageSession): Map<number, LedgerEntry> =>
  new Map(
    pageLedger(session, AT_REST_STATE)
      .filter(({ withoutPictures }) => !withoutPictures)
      .map((entry) => [entry.element.order, entry]),
  );

for (const { page: path } of pages) {
  test(`what is mended on ${path} passes in the pixels`, async ({ page }) =>
    asOneStep(async () => {
      test.setTimeout(180_000 + MOST_COMPONENTS * 2_000);
      await page.setViewportSize({ width: DESKTOP.width, height: DESKTOP.height });
      const pictures = await show(page, path);
      const session = readPage(path);
      await measureShown(session, page, pictures);
      const before = textsOf(session);
      const shown = await visibleTexts(page);
      const short = new Set(shown.filter((order) => before.get(order)?.check.verdict === 'short'));
      const failing = [...session.components(), ...session.rest()]
        .filter(({ kind }) => kind !== 'scrollbar')
        .filter(({ elements }) => elements.some((root) => hasAny(session, root, short)))
        .slice(0, MOST_COMPONENTS)
        .map(({ elements }) => session.tree.elements[elements[0]!]!);
      test.skip(!failing.length, 'All texts of its components have enough contrast.');
      const ways = pageRemedies(session, { viewports, within: failing });
      const css = ways.map(({ together }) => together.css).join('\n');

      await putOn(page, css);
      const sheet = { address: `${session.source.address}?mended`, text: css };
      const mended = new PageSession({ ...session.source, more: [sheet] });
      await measureShown(mended, page, pictures);
      const after = textsOf(mended);
      const seen = await visibleTexts(page);
      await withoutLetters(page);
      const shot = await ground(page);
      const passing = seen
        .map((order) => after.get(order)!)
        .filter(({ element, check }) => check.verdict === 'passes' && linesOf(mended, element).length);
      const texts = passing.filter(({ element }) => short.has(element.order)).length;
      const unmet = ways.reduce((sum, { together }) => sum + together.unmet.length, 0);
      console.log(
        `${path}: ${texts} texts mended, ${passing.length} that pass compared with pixels, ${unmet} not mended`,
      );
      expect(texts + unmet).toBeGreaterThan(0);
      expect(shortInPixels(mended, passing, shot)).toEqual([]);
      // Nothing that passed is worse for it.
      const spoilt = [...after].filter(
        ([order, { check }]) => check.verdict === 'short' && before.get(order)?.check.verdict === 'passes',
      );
      expect(spoilt.map(([, { text, check }]) => `${text.slice(0, 40)} ${check.measured}`)).toEqual([]);
    }));
}

/** Whether an element is one of these, or holds one. */
function hasAny(session: PageSession, root: number, orders: ReadonlySet<number>): boolean {
  const element = session.tree.elements[root]!;
  return orders.has(root) || element.children.some((child) => hasAny(session, child.order, orders));
}
