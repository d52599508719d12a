import type { Page } from '@playwright/test';
import { PageSession } from '../../packages/core/dist/index.js';
import { PRACTICE } from '../tests/support';

/** Opens a page of the demo site in Chromium, and the same for the core. */
export async function openDemo(page: Page, path: string): Promise<PageSession> {
  await page.goto(PRACTICE + path);
  const html = await (await page.request.get(PRACTICE + path)).text();
  const sheets = await Promise.all(
    ['theme', 'site'].map(async (name) => {
      const address = `${PRACTICE}/css/${name}.css`;
      return { address, text: await (await page.request.get(address)).text() };
    }),
  );
  return new PageSession({ html, address: PRACTICE + path, sheets });
}
