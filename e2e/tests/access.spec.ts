import { AxeBuilder } from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { cell, openButton, setColour } from './support';

/** Our own screens; what stands in preview frames is the owner's, flaws and all. */
async function violations(page: Page, within = 'html') {
  const { violations: found } = await new AxeBuilder({ page })
    .include(within)
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .exclude('iframe')
    .analyze();
  return found.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.target.join(' ')).join('; ')}`);
}

test('the screens pass the checks that they make of others', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Your sites' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.getByRole('button', { name: 'Bring a page' }).first().click();
  await expect(page.getByRole('dialog')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await openButton(page);
  await setColour(page, 'text', 'hover', '#ffffff');
  await page.getByRole('button', { name: /^Why / }).click();
  await expect(page.getByLabel('Why does my rule not show?')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.getByRole('link', { name: 'Survey' }).click();
  await expect(page.locator('[data-outline]').first()).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.goBack();
  await page.getByRole('link', { name: 'Take the CSS' }).click();
  await expect(page.locator('.cm-content')).toBeVisible();
  expect(await violations(page)).toEqual([]);
});

test('the editors and the preview pass them too', async ({ page }) => {
  await openButton(page);
  await page.getByRole('button', { name: 'All properties' }).click();
  const editor = page.getByRole('complementary', { name: 'Editor' });
  const open = (row: string) => cell(page, row, 'default').click();
  await open('padding');
  await expect(editor.locator('.box')).toBeVisible();
  expect(await violations(page, '.editor')).toEqual([]);
  await open('border-radius');
  await expect(editor.locator('.corners')).toBeVisible();
  expect(await violations(page, '.editor')).toEqual([]);
  for (const [row, add] of [
    ['box-shadow', 'Add a shadow'],
    ['background-image', 'Add a gradient'],
    ['transform', '+ Move'],
    ['transition-duration', 'Let it change slowly'],
  ] as const) {
    await open(row);
    await editor.getByRole('button', { name: add }).click();
    expect(await violations(page, '.editor')).toEqual([]);
  }
  await open('font-family');
  await expect(editor.getByRole('listbox').first()).toBeVisible();
  expect(await violations(page, '.editor')).toEqual([]);
  await page.getByRole('button', { name: 'Try it live' }).click();
  await expect(page.getByRole('dialog').locator('iframe')).toBeVisible();
  expect(await violations(page, '.preview')).toEqual([]);
  await page.getByRole('button', { name: 'Before and after' }).click();
  expect(await violations(page, '.preview')).toEqual([]);
});
