import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, expect, type BrowserContext, type Page } from '@playwright/test';
import sharp from 'sharp';

/** Browsers conceal what visited links compute to, so colours are read from pixels, in a browser that keeps a history. */
export async function withHistory<T>(use: (context: BrowserContext) => Promise<T>): Promise<T> {
  const profile = mkdtempSync(join(tmpdir(), 'retoque-history-'));
  const context = await chromium.launchPersistentContext(profile, {
    executablePath: process.env.RETOQUE_CHROMIUM ?? '/usr/bin/chromium',
    args: process.getuid?.() === 0 ? ['--no-sandbox'] : [],
    viewport: { width: 1280, height: 800 },
  });
  try {
    return await use(context);
  } finally {
    await context.close();
    rmSync(profile, { recursive: true, force: true });
  }
}

type Channels = readonly [number, number, number];

async function pixel(page: Page): Promise<Channels> {
  const data = await sharp(await page.screenshot({ clip: { x: 40, y: 40, width: 2, height: 2 } }))
    .removeAlpha()
    .raw()
    .toBuffer();
  return [data[0]!, data[1]!, data[2]!];
}

/** What covers the window, whatever the page's layers are. */
const COVER =
  'content: "" !important; color: inherit !important; pointer-events: none !important; display: block !important; visibility: visible !important; position: fixed !important; inset: 0 !important; width: auto !important; height: auto !important; max-width: none !important; max-height: none !important; min-width: 0 !important; min-height: 0 !important; margin: 0 !important; border: 0 !important; border-radius: 0 !important; box-shadow: none !important; background-image: none !important; background-clip: border-box !important;';
const FLAT =
  '*:not(#_#_#_), *:not(#_#_#_)::before, *:not(#_#_#_)::after { pointer-events: none !important; position: static !important; z-index: auto !important; transform: none !important; translate: none !important; rotate: none !important; scale: none !important; filter: none !important; backdrop-filter: none !important; opacity: 1 !important; clip: auto !important; clip-path: none !important; mask: none !important; mix-blend-mode: normal !important; isolation: auto !important; will-change: auto !important; contain: none !important; perspective: none !important; transition: none !important; animation: none !important }';

/** Has the browser remember links of a page's own site as visited. */
export async function visit(page: Page, hrefs: readonly string[]): Promise<void> {
  await page.evaluate((addresses) => {
    const own = location.href;
    for (const address of addresses) {
      history.pushState(null, '', address);
      history.pushState(null, '', own);
    }
    const sheet = new CSSStyleSheet();
    sheet.replaceSync(
      'a.retoque-seen { position: fixed !important; inset: 0; z-index: 2147483647; background: rgb(0, 0, 255) !important } a.retoque-seen:visited { background: rgb(255, 0, 0) !important }',
    );
    document.adoptedStyleSheets.push(sheet);
    const link = document.createElement('a');
    link.className = 'retoque-seen';
    link.href = addresses.at(-1)!;
    document.documentElement.append(link);
  }, hrefs);
  // The browser looks its history up by and by.
  await expect.poll(async () => (await pixel(page)).join(), { intervals: [50, 100, 200] }).toBe('255,0,0');
  await page.evaluate(() => {
    document.querySelector('.retoque-seen')!.remove();
    document.adoptedStyleSheets.pop();
  });
}

/** What no page paints, to see that the cover is there. */
const SIGN: Channels = [1, 254, 3];

/**
 * A colour of an element as it is painted over white; undefined where it cannot be seen: the element is not shown, or
 * makes no boxes before and after itself (a picture, a field), which are what covers the window.
 */
export async function paintedColour(
  page: Page,
  order: number,
  property: 'color' | 'background-color',
): Promise<Channels | undefined> {
  if ((await covered(page, order, `rgb(${SIGN})`))?.join() !== SIGN.join()) return undefined;
  return covered(page, order, property === 'color' ? 'currentcolor' : 'inherit');
}

/** The window's colour once an element covers it with one of its own; undefined where the element is not shown. */
async function covered(page: Page, order: number, colour: string): Promise<Channels | undefined> {
  const isShown = await page.evaluate(
    ([at, cover, flat, from]) => {
      const element = document.querySelectorAll('*')[at]!;
      if (!element.checkVisibility({ contentVisibilityAuto: true })) return false;
      element.setAttribute('data-retoque-probe', '');
      const sheet = new CSSStyleSheet();
      const probe = ':is([data-retoque-probe]):not(#_#_#_#_)';
      sheet.replaceSync(
        `${flat} ${probe}::before { ${cover} z-index: 2147483646 !important; background-color: #fff !important } ${probe}::after { ${cover} z-index: 2147483647 !important; background-color: ${from} !important }`,
      );
      document.adoptedStyleSheets.push(sheet);
      return true;
    },
    [order, COVER, FLAT, colour] as const,
  );
  if (!isShown) return undefined;
  const painted = await pixel(page);
  await page.evaluate((at) => {
    document.adoptedStyleSheets.pop();
    document.querySelectorAll('*')[at]!.removeAttribute('data-retoque-probe');
  }, order);
  return painted;
}
