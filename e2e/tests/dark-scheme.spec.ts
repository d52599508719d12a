import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { OWN, PRACTICE } from './support';
import { expect, test } from './warm';

/** What another tool says of the contrast of a page's texts as they stand in Chromium. */
async function tooLow(live: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page: live }).withRules(['color-contrast']).analyze();
  return violations.flatMap(({ nodes }) => nodes.map(({ target }) => target.join(' '))).sort();
}

test('a dark scheme is made for a site, looked at, kept, handed over, and read on the live page', async ({
  page,
  context,
}) => {
  const data = { site: { name: `Dark ${Date.now()}` }, address: `${PRACTICE}/` };
  const answer = await page.request.post('/api/pages/from-address', { data, headers: OWN });
  expect(answer.ok()).toBe(true);
  const { id, siteId } = (await answer.json()) as { id: string; siteId: string };
  await page.goto(`/sites/${siteId}/pages/${id}/palette`);
  await page
    .getByRole('radio', { name: 'Dark scheme' })
    .or(page.getByRole('button', { name: 'Dark scheme' }))
    .click();
  await page.getByRole('button', { name: 'Make a dark scheme' }).click();
  const aside = page.getByRole('complementary', { name: 'Dark scheme' });
  await expect(aside.getByRole('list', { name: 'Components that change' }).getByRole('checkbox').first()).toBeChecked();
  await page.emulateMedia({ colorScheme: 'dark' });
  const frame = page.locator('iframe[title="The page"]').contentFrame();
  await expect(frame.locator('body')).toHaveCSS('background-color', 'rgb(20, 20, 20)');
  await aside.getByRole('button', { name: /^Keep in \d+ components$/ }).click();
  await expect(page.getByText(/^Dark scheme in \d+ components$/)).toBeVisible();
  await expect(aside).toContainText(/values in \d+ components hold for dark screens alone/);

  await page.getByRole('link', { name: 'Hand over' }).click();
  await expect(page.getByText(/^Proven on/)).toBeVisible();
  const downloaded = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Download retoque.css' }).click();
  const css = readFileSync(await (await downloaded).path(), 'utf8');

  const live = await context.newPage();
  await live.goto(`${PRACTICE}/`);
  await live.emulateMedia({ colorScheme: 'light' });
  const before = await tooLow(live);
  await live.addStyleTag({ content: `${css} * { transition: none !important }` });
  expect(await tooLow(live)).toEqual(before);
  await expect(live.locator('body')).not.toHaveCSS('background-color', 'rgb(20, 20, 20)');
  await live.emulateMedia({ colorScheme: 'dark' });
  await expect(live.locator('body')).toHaveCSS('background-color', 'rgb(20, 20, 20)');
  const dark = await tooLow(live);
  expect(dark.filter((target) => !before.includes(target))).toEqual([]);
  await live.close();

  await page.goBack();
  await aside.getByRole('button', { name: 'Remove them' }).click();
  await expect(page.getByText('Dark scheme removed')).toBeVisible();
  await expect(aside).not.toContainText('hold for dark screens alone');
});
