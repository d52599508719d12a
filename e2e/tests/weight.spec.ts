import { expect, test } from '@playwright/test';
import { gzipSync } from 'node:zlib';
import { HOME, openKind } from './sheet-support';

const MOST_BYTES = 300_000;

test('the Style screen opens with less than 300 kB of compressed JavaScript, workers aside', async ({
  page: first,
  context,
}) => {
  await openKind(first, HOME, /^Main menu/);
  // In a tab of its own: a body that the first visit still waits for is gone once the page is left.
  const page = await context.newPage();
  const scripts: Promise<Buffer>[] = [];
  page.on('response', (response) => {
    if (response.request().resourceType() === 'script' && !/worker/.test(response.url())) scripts.push(response.body());
  });
  await page.goto(first.url());
  await expect(page.locator('.cell').first()).toBeVisible();
  await expect(page.locator('.frame .figure b').first()).toBeVisible();
  // Until nothing more is asked for; frames that come and go would keep the network busy in Playwright's eyes.
  let before = -1;
  const isQuiet = () => before === (before = scripts.length);
  await expect.poll(isQuiet, { intervals: [1500] }).toBe(true);
  const sizes = (await Promise.all(scripts)).map((body) => gzipSync(body).length);
  expect(sizes.length).toBeGreaterThan(3);
  expect(sizes.reduce((sum, size) => sum + size, 0)).toBeLessThan(MOST_BYTES);
});
