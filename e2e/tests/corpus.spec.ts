import { expect, test, type Page } from '@playwright/test';
import sharp from 'sharp';
import {
  contrastRatio,
  DESKTOP,
  geometryOf,
  pageLedger,
  parseColour,
  readState,
  type LedgerEntry,
  type PageSession,
} from '../../packages/core/dist/index.js';
import { decodePicture } from '../../packages/decode/dist/index.js';
import { measuredIn } from '../agreement/measure';
import { PAGES, readPage } from '../corpus/pages.mjs';
import { show } from '../corpus/serve';

// On pages of others every text that Chromium shows has a figure, and none passes that its pixels do not.

/** Of a text's pixels this share may fall short where it passes: edges of letters that others drew, softened edges. */
const MOST_OFF = 0.02;
/** Figures of pixels are those of bytes. */
const SLACK = 0.97;
const MOST_UNSURE = 0.01;

/** Elements with text of their own that somebody sees on the page as it is, by their places in the document. */
const visibleTexts = (page: Page): Promise<number[]> =>
  page.evaluate(() => {
    const shown: number[] = [];
    [...document.querySelectorAll('*')].forEach((element, order) => {
      const own = [...element.childNodes].filter((node) => node.nodeType === 3 && node.textContent!.trim());
      if (!own.length || element.closest('head, script, style, noscript, template, option, svg')) return;
      if (element.localName === 'br') return;
      if (!element.checkVisibility({ opacityProperty: true, visibilityProperty: true })) return;
      const range = document.createRange();
      range.selectNodeContents(own[0]!);
      const box = range.getBoundingClientRect();
      const [x, y] = [box.left + scrollX, box.top + scrollY];
      if (box.width < 2 || box.height < 2 || x + box.width <= 0 || y + box.height <= 0 || x >= innerWidth) return;
      for (let node = element.parentElement; node; node = node.parentElement) {
        const style = getComputedStyle(node);
        const room = node.getBoundingClientRect();
        if (/hidden|clip/.test(style.overflowY) && node !== document.body && (room.height < 2 || room.width < 2))
          return;
        if (style.clip !== 'auto' || style.clipPath === 'inset(50%)') return;
      }
      if (getComputedStyle(element).clip !== 'auto') return;
      shown.push(order);
    });
    return shown;
  });

interface Shot {
  readonly width: number;
  readonly height: number;
  readonly data: Buffer;
}

/** The page without its letters. */
async function ground(page: Page): Promise<Shot> {
  await page.addStyleTag({
    content:
      '*, ::before, ::after, ::placeholder { color: transparent !important; -webkit-text-fill-color: transparent !important; text-shadow: none !important; text-decoration-color: transparent !important; caret-color: transparent !important }',
  });
  const { data, info } = await sharp(await page.screenshot({ fullPage: true }))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, data };
}

/** Share of the pixels behind a text's lines on which its colour falls short of what is needed. */
function shareShort(session: PageSession, { element, check }: LedgerEntry, shot: Shot): number {
  const lines = session.measures.geometryFor({ ...DESKTOP })?.elements.get(element.order)?.lines ?? [];
  const view = session.stylesFor().at();
  const colour = view.of(element).colour('-webkit-text-fill-color');
  let [all, short] = [0, 0];
  for (const { x, y, width, height } of lines) {
    for (let py = Math.ceil(y + height * 0.2); py < y + height * 0.9 && py < shot.height; py += 2) {
      for (let px = Math.ceil(x); px < x + width - 1 && px < shot.width; px += 2) {
        if (px < 0 || py < 0) continue;
        const at = (py * shot.width + px) * 4;
        const [r, g, b] = [shot.data[at]! / 255, shot.data[at + 1]! / 255, shot.data[at + 2]! / 255];
        const behind = parseColour('#000')!;
        const rest = 1 - colour.alpha;
        const mix = (own: number, other: number) => own * colour.alpha + other * rest;
        const text = { ...behind, r: mix(colour.r, r), g: mix(colour.g, g), b: mix(colour.b, b) };
        all++;
        if (contrastRatio(text, { ...behind, r, g, b }) < check.needed * SLACK) short++;
      }
    }
  }
  return all ? short / all : 0;
}

for (const { page: path } of PAGES) {
  test(`on ${path} every text has a figure, and what passes passes in the pixels`, async ({ page }) => {
    await page.setViewportSize({ width: DESKTOP.width, height: DESKTOP.height });
    const pictures = await show(page, path);
    const session = readPage(path);
    // Both have read the same elements.
    expect(await page.evaluate(() => document.querySelectorAll('*').length)).toBe(session.tree.elements.length);
    session.measures.setGeometry(geometryOf(DESKTOP, await measuredIn(page)));
    for (const [address, bytes] of pictures) session.measures.setPicture(address, await decodePicture(bytes));
    const shown = await visibleTexts(page);
    const entries = pageLedger(session, { states: [readState('default')] }).filter(
      ({ withoutPictures }) => !withoutPictures,
    );
    const byOrder = new Map(entries.map((entry) => [entry.element.order, entry]));
    const words = (order: number) => `${session.tree.elements[order]!.name} “${byOrder.get(order)?.text.slice(0, 40)}”`;
    const blank = shown.filter(
      (order) => !['passes', 'short', 'unsure', 'exempt'].includes(byOrder.get(order)?.check.verdict ?? ''),
    );
    expect(blank.map((order) => `${words(order)}: ${byOrder.get(order)?.check.reason}`)).toEqual([]);
    const unsure = shown.filter((order) => byOrder.get(order)!.check.verdict === 'unsure');
    const shot = await ground(page);
    const passing = shown.map((order) => byOrder.get(order)!).filter(({ check }) => check.verdict === 'passes');
    const wrong = passing
      .map((entry) => ({ entry, share: shareShort(session, entry, shot) }))
      .filter(({ share }) => share > MOST_OFF);
    expect(
      wrong.map(
        ({ entry, share }) =>
          `${words(entry.element.order)} ${entry.check.measured}: ${(share * 100).toFixed(0)} % short`,
      ),
    ).toEqual([]);
    console.log(
      `${path}: ${shown.length} texts, ${passing.length} that pass compared with pixels, ${unsure.length} unsure`,
      [...new Set(unsure.map((order) => byOrder.get(order)!.check.reason))].slice(0, 4),
    );
    expect(unsure.length).toBeLessThanOrEqual(Math.max(2, shown.length * MOST_UNSURE * 5));
  });
}
