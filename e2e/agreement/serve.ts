import type { Page } from '@playwright/test';
import { PageSession } from '../../packages/core/dist/index.js';

const ORIGIN = 'http://agreement.invalid';

export interface Source {
  readonly body: string;
  readonly sheets: readonly string[];
  /** Sheets that others import, served at /import-0.css and so on. */
  readonly imported?: readonly string[];
  readonly head?: string;
  /** Text before the root element; a doctype keeps the page out of quirks mode. */
  readonly doctype?: string;
  readonly htmlAttributes?: string;
}

/** Shows a page to Chromium and to the core from the same text; nothing leaves the machine. */
export async function serve(page: Page, source: Source): Promise<PageSession> {
  const links = source.sheets.map((_, i) => `<link rel="stylesheet" href="/sheet-${i}.css">`).join('');
  const html = `${source.doctype ?? '<!doctype html>'}<html ${source.htmlAttributes ?? 'lang="en"'}><head><meta charset="utf-8">${links}${source.head ?? ''}</head><body>${source.body}</body></html>`;
  await page.unrouteAll();
  await page.route('**/*', (route) => {
    const { pathname } = new URL(route.request().url());
    const sheet = /^\/(sheet|import)-(\d+)\.css$/.exec(pathname);
    const texts = sheet?.[1] === 'import' ? (source.imported ?? []) : source.sheets;
    if (sheet) return route.fulfill({ contentType: 'text/css; charset=utf-8', body: texts[Number(sheet[2])] ?? '' });
    if (pathname === '/') return route.fulfill({ contentType: 'text/html; charset=utf-8', body: html });
    return route.fulfill({ status: 404, body: '' });
  });
  await page.goto(`${ORIGIN}/`, { waitUntil: 'load' });
  return new PageSession({
    html,
    address: `${ORIGIN}/`,
    sheets: [
      ...source.sheets.map((text, i) => ({ address: `${ORIGIN}/sheet-${i}.css`, text })),
      ...(source.imported ?? []).map((text, i) => ({ address: `${ORIGIN}/import-${i}.css`, text })),
    ],
  });
}
