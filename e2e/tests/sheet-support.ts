import { expect, type Page } from '@playwright/test';
import { cell, saved } from './support';

/** Opens a component of a page of the demo site on the Style screen. */
export async function openKind(page: Page, pageName: RegExp, component: RegExp): Promise<void> {
  await page.goto('/');
  await page.getByRole('link', { name: pageName }).first().click();
  await page.getByRole('button', { name: component }).first().click();
  await expect(page.locator('.cell').first()).toBeVisible();
}
export const HOME = /Quillhaven Ferries: five islands/;
export const BOOKING = /Book a crossing: Quillhaven/;
export const ISLANDS = /The islands: Quillhaven/;

/** Types a value into a cell of the part in hand. */
export async function type(page: Page, row: string, column: string, value: string): Promise<void> {
  await cell(page, row, column).click();
  await page.keyboard.press('Enter');
  await page.keyboard.insertText(value);
  await page.keyboard.press('Enter');
  // The grammar is loaded with the first edit; the field is left once the value is taken.
  await expect(page.getByLabel('Editor').getByRole('textbox').first()).not.toBeFocused();
}
/** Takes back what a test has set, so that the next finds the site as it was. */
export async function undoAll(page: Page): Promise<void> {
  await saved(page);
  await page.getByRole('button', { name: 'History' }).click();
  await page.getByRole('button', { name: 'As it was opened' }).click();
  await page.keyboard.press('Escape');
  await saved(page);
}
