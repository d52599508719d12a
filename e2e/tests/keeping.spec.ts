import { expect, test, type Page } from '@playwright/test';
import { cell, openButton, saved, setColour } from './support';

/** Waits until a save has been answered, so that what follows is not about one still on its way. */
const answered = (page: Page) =>
  page.waitForResponse((response) => response.url().endsWith('/look') && response.request().method() === 'PUT');

test('undo, redo, arrow keys and clearing by keyboard', async ({ page }) => {
  await openButton(page);
  await setColour(page, 'text', 'hover', '#ffffff');
  await expect(cell(page, 'text', 'hover')).toBeFocused();
  // Pressed follows hover, so it changes with it.
  await expect(cell(page, 'text', 'pressed')).toContainText('#ffffff');
  await page.keyboard.press('Control+z');
  await expect(cell(page, 'text', 'hover')).toContainText('#14323a');
  await page.keyboard.press('Control+Shift+z');
  await expect(cell(page, 'text', 'hover')).toContainText('#ffffff');
  await page.keyboard.press('Delete');
  await expect(cell(page, 'text', 'hover')).toContainText('#14323a');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowLeft');
  await expect(cell(page, 'background', 'default')).toBeFocused();
  await expect(page.getByRole('heading', { name: 'Background, default' })).toBeVisible();
  await page.keyboard.press('Enter');
  await page.keyboard.type('blu');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('“blu” is not a CSS colour');
  await expect(cell(page, 'background', 'default')).toContainText('#0b5563');
  await page.keyboard.press('Escape');
  await expect(cell(page, 'background', 'default')).toBeFocused();
});

test('a track moved by keyboard changes the frames and the figures, as one step', async ({ page }) => {
  await openButton(page);
  await cell(page, 'text', 'hover').click();
  const lightness = page.getByRole('slider', { name: 'Lightness' });
  await lightness.focus();
  await page.keyboard.press('End');
  await expect(page.locator('[data-check="hover"]')).toHaveText('✓ 8.42');
  const frame = page.locator('[data-state="hover"] iframe').contentFrame();
  await expect(frame.locator('.btn')).toHaveCSS('color', 'rgb(255, 255, 255)');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(frame.locator('.btn')).toHaveCSS('color', 'rgb(20, 50, 58)');
});

test('undo goes on after a reload, step by step and by name, back to before any change', async ({ page }) => {
  await openButton(page);
  for (const value of ['#ffffff', '#ffeedd']) {
    const kept = answered(page);
    await setColour(page, 'text', 'hover', value);
    expect((await kept).status()).toBe(200);
  }
  await saved(page);
  await page.reload();
  await expect(cell(page, 'text', 'hover')).toContainText('#ffeedd');
  await page.getByRole('button', { name: 'History', exact: true }).click();
  const steps = page.getByTestId('history').getByRole('listitem');
  await expect(steps).toContainText([
    'As it was opened',
    'Button, text, hover: #ffeedd',
    'Button, text, hover: #ffffff',
    'Before any change',
  ]);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(cell(page, 'text', 'hover')).toContainText('#ffffff');
  await saved(page);
  // What was undone is a step of its own in what is kept, and can be gone back over once more.
  await page.reload();
  await page.getByRole('button', { name: 'History', exact: true }).click();
  await expect(steps.nth(1)).toContainText('Undo: Button, text, hover: #ffeedd');
  await steps.filter({ hasText: 'Before any change' }).getByRole('button').click();
  await expect(cell(page, 'text', 'hover')).toContainText('#14323a');
  await saved(page);
});

test('two windows: nothing is overwritten, and both can be kept', async ({ page, context }) => {
  await openButton(page);
  await saved(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.locator('[data-check="default"]')).toContainText('8.42');

  const first = answered(page);
  await setColour(page, 'text', 'hover', '#ffeedd');
  expect((await first).status()).toBe(200);
  const second = answered(other);
  await setColour(other, 'text', 'hover', '#ddeeff');
  expect((await second).status()).toBe(409);
  await expect(other.getByText('A newer version was saved in another window')).toBeVisible();
  await other.getByRole('button', { name: 'Keep both apart' }).click();
  await expect(other.getByRole('group', { name: 'Versions' }).getByRole('button')).toHaveText(['A', 'B']);
  await expect(cell(other, 'text', 'hover')).toContainText('#ddeeff');
  await other.getByRole('group', { name: 'Versions' }).getByRole('button', { name: 'A' }).click();
  await expect(cell(other, 'text', 'hover')).toContainText('#ffeedd');
});

test('two windows: the newer one can be loaded', async ({ page, context }) => {
  await openButton(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.locator('[data-check="default"]')).toContainText('8.42');
  const first = answered(page);
  await setColour(page, 'text', 'hover', '#ffeedd');
  await first;
  await setColour(other, 'text', 'hover', '#ddeeff');
  await other.getByRole('button', { name: 'Take the newer one' }).click();
  await expect(cell(other, 'text', 'hover')).toContainText('#ffeedd');
  const third = answered(other);
  await setColour(other, 'text', 'hover', '#c0ffee');
  expect((await third).status()).toBe(200);
});

test('a lost connection keeps the edits, says so, and sends them when it is back', async ({ page, context }) => {
  await openButton(page);
  await saved(page);
  // With the first move of the pointer comes what reads typed CSS.
  await cell(page, 'text', 'default').hover();
  await page.waitForLoadState('networkidle');
  await context.setOffline(true);
  await setColour(page, 'text', 'hover', '#ffeedd');
  await expect(page.getByText('Not saved yet: no answer')).toBeVisible();
  await context.setOffline(false);
  await saved(page);
  await page.reload();
  await expect(cell(page, 'text', 'hover')).toContainText('#ffeedd');
});

test('an answer that was lost is no conflict', async ({ page }) => {
  await openButton(page);
  await saved(page);
  let lost = 0;
  await page.route('**/look', async (route) => {
    if (route.request().method() !== 'PUT' || lost++) return route.continue();
    // The server carries the save out, and its answer never arrives.
    await route.fetch();
    await route.abort('connectionreset');
  });
  await setColour(page, 'text', 'hover', '#ffeedd');
  await expect.poll(() => lost).toBeGreaterThan(1);
  await saved(page);
  await expect(page.getByText('A newer version was saved')).toBeHidden();
});

test('an edit made after an answer was lost is no conflict with it', async ({ page }) => {
  await openButton(page);
  await saved(page);
  let lost = 0;
  let away = true;
  await page.route('**/look', async (route) => {
    if (route.request().method() !== 'PUT' || !away) return route.continue();
    // The first is carried out without an answer; then nothing gets through until more is edited.
    if (!lost++) await route.fetch();
    return route.abort('connectionreset');
  });
  await setColour(page, 'text', 'hover', '#ffeedd');
  await expect.poll(() => lost).toBeGreaterThan(0);
  await setColour(page, 'text', 'focus', '#ddeeff');
  await expect(page.getByText('Not saved yet: no answer')).toBeVisible();
  away = false;
  await saved(page);
  await expect(page.getByText('A newer version was saved')).toBeHidden();
  await page.reload();
  await expect(cell(page, 'text', 'hover')).toContainText('#ffeedd');
  await expect(cell(page, 'text', 'focus')).toContainText('#ddeeff');
});

test('a window closed before its save was answered loses nothing', async ({ page }) => {
  await openButton(page);
  await saved(page);
  await page.route('**/look', (route) => route.abort('connectionreset'));
  await setColour(page, 'text', 'hover', '#ffeedd');
  await expect(page.getByText('Not saved yet: no answer')).toBeVisible();
  await page.unroute('**/look');
  await page.reload();
  await expect(cell(page, 'text', 'hover')).toContainText('#ffeedd');
  await saved(page);
});

test('a piece that comes late takes neither the focus nor what is typed, and fails in its own place', async ({
  page,
}) => {
  let fate: 'late' | 'lost' | 'there' = 'late';
  await page.route(/TakeAlong-.*\.js/, async (route) => {
    if (fate === 'lost') return route.abort('connectionreset');
    if (fate === 'late') await new Promise((resolve) => setTimeout(resolve, 1500));
    return route.continue();
  });
  await openButton(page);
  await cell(page, 'text', 'hover').click();
  await page.keyboard.press('Enter');
  // What is offered beside a text colour is drawn with the first value, and it is not there yet.
  await page.keyboard.type('#ffe', { delay: 20 });
  await expect(cell(page, 'text', 'hover')).toContainText('#ffe');
  await expect(page.getByRole('textbox', { name: 'Colour' })).toBeFocused();
  await page.keyboard.type('edd');
  await page.keyboard.press('Enter');
  await expect(cell(page, 'text', 'hover')).toContainText('#ffeedd');
  await saved(page);

  fate = 'lost';
  await page.reload();
  await cell(page, 'text', 'hover').click();
  const failed = page.getByRole('alert').filter({ hasText: 'A piece of Retoque could not be loaded' });
  await expect(failed).toBeVisible();
  await expect(cell(page, 'text', 'hover')).toContainText('#ffeedd');
  fate = 'there';
  await failed.getByRole('button', { name: 'Try again' }).click();
  await expect(failed).toHaveCount(0);
});
