import type { Page } from '@playwright/test';
import sharp from 'sharp';
import {
  AT_REST,
  contrastRatio,
  DESKTOP,
  geometryOf,
  parseColour,
  type LedgerEntry,
  type PageSession,
} from '../../packages/core/dist/index.js';
import { decodePicture } from '../../packages/decode/dist/index.js';
import { measuredIn } from '../agreement/measure';

/** Of a text's pixels this share may fall short where it passes: edges of letters that others drew, softened edges. */
export const MOST_OFF = 0.02;
/** Figures of pixels are those of bytes. */
const SLACK = 0.97;

/** Elements with text of their own that somebody sees on the page as it is, by their places in the document. */
export const visibleTexts = (page: Page): Promise<number[]> =>
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

export interface Shot {
  /** Where it begins on the page, in CSS pixels. */
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly data: Buffer;
}

/** Takes the letters off the page, and what would still move. */
export const withoutLetters = (page: Page) =>
  page.evaluate(() => {
    const sheet = new CSSStyleSheet();
    sheet.replaceSync(
      '*, ::before, ::after, ::placeholder { color: transparent !important; -webkit-text-fill-color: transparent !important; text-shadow: none !important; text-decoration-color: transparent !important; caret-color: transparent !important; transition: none !important }',
    );
    document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
  });

/** The page, or a piece of it, as it is painted. */
export async function ground(
  page: Page,
  clip?: { x: number; y: number; width: number; height: number },
): Promise<Shot> {
  const { data, info } = await sharp(await page.screenshot({ fullPage: true, ...(clip ? { clip } : {}) }))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { x: clip?.x ?? 0, y: clip?.y ?? 0, width: info.width, height: info.height, data };
}

export const linesOf = (session: PageSession, element: LedgerEntry['element']) =>
  session.measures.geometryFor({ ...DESKTOP })?.elements.get(element.order)?.lines ?? [];

/** Share of the pixels behind a text's lines on which its colour falls short of what is needed. */
export function shareShort(
  session: PageSession,
  { element, check }: LedgerEntry,
  shot: Shot,
  forced = AT_REST,
): number {
  const lines = linesOf(session, element);
  const view = session.stylesFor().at(forced);
  const colour = view.of(element).colour('-webkit-text-fill-color');
  let [all, short] = [0, 0];
  for (const { x, y, width, height } of lines) {
    for (let py = Math.ceil(y + height * 0.2); py < y + height * 0.9 && py < shot.y + shot.height; py += 2) {
      for (let px = Math.ceil(x); px < x + width - 1 && px < shot.x + shot.width; px += 2) {
        if (px < shot.x || py < shot.y) continue;
        const at = ((py - shot.y) * shot.width + px - shot.x) * 4;
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

/** Texts that are said to pass and of whose pixels too many fall short. */
export const shortInPixels = (session: PageSession, entries: readonly LedgerEntry[], shot: Shot): string[] =>
  entries
    .map((entry) => ({ entry, share: shareShort(session, entry, shot) }))
    .filter(({ share }) => share > MOST_OFF)
    .map(
      ({ entry: { element, text, check }, share }) =>
        `${element.name} “${text.slice(0, 40)}” ${check.measured}: ${(share * 100).toFixed(0)} % short`,
    );

/** Gives a page what it is measured with: where things stand in the browser now, and its pictures. */
export async function measureShown(
  session: PageSession,
  page: Page,
  pictures: ReadonlyMap<string, Buffer>,
): Promise<void> {
  session.measures.setGeometry(geometryOf(DESKTOP, await measuredIn(page)));
  for (const [address, bytes] of pictures) session.measures.setPicture(address, await decodePicture(bytes));
}
