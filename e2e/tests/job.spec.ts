import { expect, test } from '@playwright/test';
import { readFile } from 'node:fs/promises';

const practice = process.env.PRACTICE_URL ?? 'http://127.0.0.1:4311';

test('the whole job: a page in, a corrected hover out', async ({ page, context }) => {
  const name = `Ferry ${Date.now()}`;
  await page.goto('/');
  await page.getByRole('button', { name: 'Bring a page' }).first().click();
  await page.getByLabel('Address of the page').fill(`${practice}/`);
  await page.getByRole('combobox').last().selectOption('new');
  await page.getByLabel('Name of the new site').fill(name);
  await page.getByRole('button', { name: 'Bring the page' }).click();

  await page.getByRole('button', { name: /^Book a crossing.*1 button/ }).click();
  const hover = page.locator('[data-check="hover"]');
  await expect(hover).toContainText('2.92');
  await page.locator('[data-cell="text/hover"]').click();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Colour', { exact: true })).toBeFocused();
  await page.keyboard.type('#ffffff');
  await page.keyboard.press('Enter');
  await expect(hover).toHaveText('✓ 4.64');
  await expect(page.locator('[data-save="saved"]')).toBeVisible();

  await page.reload();
  await expect(hover).toHaveText('✓ 4.64');
  await expect(page.locator('[data-cell="text/hover"]')).toContainText('#ffffff');

  await page.getByRole('link', { name: 'Take the CSS' }).click();
  await expect(page.getByText('Proven on this page.')).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: /Download/ }).click();
  const css = await readFile(await (await download).path(), 'utf8');
  expect(css).toContain(':where(:hover)');

  // The real page in the real browser, hovered with the mouse.
  const real = await context.newPage();
  await real.goto(`${practice}/`);
  await real.addStyleTag({ content: css });
  const button = real.locator('a.btn.btn-fare');
  await expect(button).toHaveCSS('color', 'rgb(255, 255, 255)');
  await button.hover();
  await expect(button).toHaveCSS('color', 'rgb(255, 255, 255)');
  await expect(button).toHaveCSS('background-color', 'rgb(42, 127, 142)');
});
