import { expect, type Page } from '@playwright/test';

export const PRACTICE = process.env.PRACTICE_URL ?? 'http://127.0.0.1:4311';

/** What tells the server that a request comes from its own pages, where a test makes it itself. */
export const OWN = { 'sec-fetch-site': 'same-origin' };

/** Pastes a page into a new site and opens its survey. */
export async function pastePage(page: Page, html: string, css: string, name = 'Pasted'): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: 'Bring a page' }).first().click();
  await page.getByRole('tab', { name: 'Paste' }).click();
  await page.getByLabel('Name of the page').fill(name);
  await page.getByLabel('HTML', { exact: true }).fill(html);
  await page.getByLabel('CSS, if it is not in the HTML').fill(css);
  await page.getByRole('dialog').getByRole('combobox').selectOption('new');
  await page.getByLabel('Name of the new site').fill(`Site ${Date.now()}`);
  await page.getByRole('button', { name: 'Bring the page' }).click();
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
}

export const BUTTON_PAGE =
  '<!doctype html><title>Quay</title><main><a class="btn" href="#">Board now</a><p>Some words.</p></main>';
export const BUTTON_CSS =
  '.btn { display: inline-block; padding: 12px 20px; background: #0b5563; color: #fff; border: 2px solid #0b5563 } .btn:hover { color: #14323a }';

/** A page of a new site, kept without going through the dialog; gives the path of its survey. */
export async function keepPage(page: Page, html: string, css: string, name = 'Kept'): Promise<string> {
  const data = { site: { name: `Site ${Date.now()} ${Math.random()}` }, name, html, css };
  const answer = await page.request.post('/api/pages/from-paste', { data, headers: OWN });
  expect(answer.ok()).toBe(true);
  const { siteId, id } = (await answer.json()) as { siteId: string; id: string };
  return `/sites/${siteId}/pages/${id}`;
}

/** A page with one button, opened on the Style screen. */
export async function openButton(page: Page): Promise<void> {
  await page.goto(await keepPage(page, BUTTON_PAGE, BUTTON_CSS));
  await page.getByRole('button', { name: /^Board now/ }).click();
  await expect(page.locator('[data-check="default"]')).toContainText('8.42');
}

export const cell = (page: Page, row: string, column: string) => page.locator(`[data-cell="${row}/${column}"]`);

export async function setColour(page: Page, row: string, column: string, value: string): Promise<void> {
  await cell(page, row, column).click();
  await page.keyboard.press('Enter');
  await page.keyboard.type(value);
  await page.keyboard.press('Enter');
  await expect(cell(page, row, column)).toContainText(value);
}

export const saved = (page: Page) => expect(page.locator('[data-save]')).toHaveAttribute('data-save', 'saved');
