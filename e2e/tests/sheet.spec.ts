import type { Page } from '@playwright/test';
import { expect, test } from './warm';
import { cell, saved } from './support';
import { BOOKING, HOME, ISLANDS, openKind, type, undoAll } from './sheet-support';

// The full state sheet, used as an owner would: parts, conditions, exceptions, ranges, the clipboard and the history.

const place = (page: Page) => page.getByTestId('editing-place');

test('values are set under a width, on a page, for a member, and each cell says what it follows', async ({ page }) => {
  await openKind(page, HOME, /^Main menu/);
  await expect(cell(page, 'text', 'hover')).toHaveAttribute('data-head', '');
  await type(page, 'text', 'hover', 'fff');
  await expect(cell(page, 'text', 'hover')).toContainText('#fff');
  await expect(page.locator('[data-demand="sub-link-text"] [data-check="hover"]')).toHaveText('✓ 4.64');
  await expect(place(page)).toHaveText('Editing every page, every width');

  // A narrower width follows the wider one until it is set.
  await page.getByRole('button', { name: 'Narrow', exact: true }).click();
  await expect(place(page)).toHaveText('Editing every page, up to 599 pixels');
  await expect(cell(page, 'text', 'hover')).toHaveAttribute('data-place', 'wider');
  await type(page, 'text', 'hover', 'gold');
  await expect(cell(page, 'text', 'hover')).toHaveAttribute('data-own', '');
  await page.getByRole('button', { name: 'Wide', exact: true }).click();
  await expect(cell(page, 'text', 'hover')).toContainText('#fff');

  await page.getByRole('button', { name: 'This page' }).click();
  await expect(cell(page, 'text', 'hover')).toHaveAttribute('data-place', 'every-page');
  await type(page, 'text', 'hover', '#e0ffff');
  await page.getByRole('button', { name: 'Every page' }).click();

  // One member of six differs.
  await page.getByRole('button', { name: 'Exception' }).click();
  await page.getByLabel(/Night boat/).check();
  await page.getByRole('button', { name: 'Add exception' }).click();
  await expect(place(page)).toContainText('only Night boat');
  await expect(cell(page, 'text', 'hover')).toHaveAttribute('data-place', 'all-members');
  await type(page, 'text', 'hover', 'rgb(1 2 3)');
  await expect(page.locator('[data-demand="sub-link-text"] [data-check="hover"]')).toContainText('of 4.5');
  await saved(page);

  await page.reload();
  await expect(cell(page, 'text', 'hover')).toContainText('#fff');
  await page.getByRole('link', { name: 'Take the CSS' }).click();
  await expect(page.getByText('Proven on this page.')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('heading', { name: 'For every page' })).toBeVisible();
  await expect(page.getByRole('heading', { name: /alone, after the other/ })).toBeVisible();
  await expect(page.locator('.cm-content').first()).toContainText('@media (width < 600px)');
  await expect(page.locator('.cm-content').first()).toContainText('#night-boat');
  await page.goBack();

  // The exception goes with its settings; what is left is cleared by hand.
  await page.getByRole('button', { name: 'Exception' }).click();
  await page.getByRole('button', { name: /Remove the exception Night boat/ }).click();
  await page.keyboard.press('Escape');
  for (const width of ['Narrow', 'Wide']) {
    await page.getByRole('button', { name: width, exact: true }).click();
    await cell(page, 'text', 'hover').click();
    await page.keyboard.press('Delete');
  }
  await page.getByRole('button', { name: 'This page' }).click();
  await cell(page, 'text', 'hover').click();
  await page.keyboard.press('Delete');
  await expect(cell(page, 'text', 'hover')).not.toHaveAttribute('data-own', '');
  await saved(page);
});

test('cells are selected, filled, switched off, copied and pasted, and every step has a name', async ({ page }) => {
  await openKind(page, HOME, /^Cookie notice/);
  await type(page, 'text', 'default', '#9fc4c8');
  await page.keyboard.press('f');
  for (const column of ['default', 'hover', 'focus', 'pressed']) {
    await expect(cell(page, 'text', column)).toHaveAttribute('data-own', '');
  }
  await page.keyboard.press('Shift+ArrowRight');
  await expect(page.locator('.cell[aria-selected=true]')).toHaveCount(2);
  await page.keyboard.press('m');
  await expect(cell(page, 'text', 'hover')).toHaveAttribute('data-muted', '');
  await expect(page.locator('[data-demand="refuse-text"] [data-check="hover"]')).toContainText('3.29');
  await page.keyboard.press('m');
  await expect(cell(page, 'text', 'hover')).not.toHaveAttribute('data-muted', '');

  await page.keyboard.press('Control+C');
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe('#9fc4c8\t#9fc4c8');
  await page.evaluate(() => navigator.clipboard.writeText('color: 333;\u00a0padding: 2px 4px; colour: red'));
  await cell(page, 'text', 'focus').click();
  await page.keyboard.press('Control+V');
  await expect(cell(page, 'text', 'focus')).toContainText('#333');
  await expect(cell(page, 'padding', 'focus')).toContainText('2px 4px');
  await expect(page.getByText('There is no property called colour.')).toBeVisible();

  // Held, a key shows the site untouched.
  const picture = page.locator('[data-state="hover"] iframe').contentFrame();
  const refuse = picture.locator('[data-rq-hover]').last();
  await expect(refuse).toHaveCSS('color', 'rgb(159, 196, 200)');
  await page.keyboard.down('u');
  await expect(refuse).not.toHaveCSS('color', 'rgb(159, 196, 200)');
  await page.keyboard.up('u');
  await expect(refuse).toHaveCSS('color', 'rgb(159, 196, 200)');

  await page.getByRole('button', { name: 'History' }).click();
  const history = page.getByTestId('history').getByRole('listitem');
  await expect(history.first()).toContainText('Paste into Refuse, text, focus');
  await expect(history.nth(1)).toContainText('Switch on Refuse, text, default and 1 more');
  await history.filter({ hasText: 'Fill' }).getByRole('button').click();
  await expect(cell(page, 'padding', 'focus')).not.toContainText('2px 4px');
  await expect(history.first()).toContainText('undone');
  await page.keyboard.press('Escape');
  await undoAll(page);
});

test('commands and keys are found by typing', async ({ page }) => {
  await openKind(page, HOME, /^Cookie notice/);
  await cell(page, 'text', 'default').click();
  await page.keyboard.press('.');
  await page.getByLabel('Find a command').fill('unfold every');
  await page.keyboard.press('Enter');
  await expect(page.locator('.fold[aria-expanded=false]')).toHaveCount(0);
  await cell(page, 'text', 'default').first().click();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('Fill across states');
  await page.keyboard.press('Escape');
  await page.getByLabel('Find a property').fill('border-top-width');
  await expect(page.locator('.cell[data-cell^="border-top-width/"]').first()).toBeVisible();
  await expect(page.locator('.cell[data-cell^="text/"]')).toHaveCount(0);
  await page.getByLabel('Find a property').fill('smell');
  await expect(page.getByText('No property is called “smell”.')).toBeVisible();
});

test('a bad value is named and kept, and changes nothing', async ({ page }) => {
  await openKind(page, BOOKING, /^Book a crossing.*form/s);
  await cell(page, 'padding', 'default').click();
  const before = await cell(page, 'padding', 'default').textContent();
  await page.keyboard.press('Enter');
  await page.keyboard.insertText('12px wide');
  await expect(page.getByRole('alert')).toContainText('“12px wide” is not a value of padding. Try 12px 20px.');
  await expect(page.getByLabel('Value', { exact: true })).toHaveValue('12px wide');
  await expect(cell(page, 'padding', 'default')).toHaveText(before!);
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
});

test('a combined state is added as a column and can be set', async ({ page }) => {
  await openKind(page, BOOKING, /^Book a crossing.*form/s);
  await page.getByRole('button', { name: 'Add a state' }).click();
  await page.getByLabel('Focus', { exact: true }).check();
  await page.getByLabel('Invalid', { exact: true }).check();
  await page.getByRole('button', { name: 'Add “Focus + invalid”' }).click();
  const combined = 'focus-visible+invalid';
  await expect(page.getByRole('columnheader', { name: 'Focus + invalid' })).toBeVisible();
  await type(page, 'background', combined, '#ffe');
  await expect(cell(page, 'background', combined)).toContainText('#ffe');
  const frame = page.locator(`[data-state="${combined}"] iframe`).contentFrame();
  await expect(frame.locator('[data-rq-focus-visible][data-rq-user-invalid]')).toHaveCSS(
    'background-color',
    'rgb(255, 255, 238)',
  );
  await undoAll(page);
});

test('a text colour offers to take along what keeps its own', async ({ page }) => {
  await openKind(page, HOME, /^Cards/);
  await page.locator('[data-part=card] .fold').click();
  await page.locator('[data-part=card] [data-cell="text/hover"]').click();
  await page.keyboard.press('Enter');
  await page.keyboard.insertText('#f2c14e');
  await page.keyboard.press('Enter');
  const offer = page.getByTestId('take-along');
  await expect(offer).toContainText('.card h3');
  await offer.getByRole('button', { name: /Take .*heading.* along/ }).click();
  await page
    .locator('[data-part=heading] .fold[aria-expanded=false]')
    .click({ timeout: 3000 })
    .catch(() => undefined);
  await expect(page.locator('[data-part=heading] [data-cell="text/hover"]')).toContainText('#f2c14e');
  await undoAll(page);
});

test('a part is corrected by a selector or by pointing, with the number of elements it reaches', async ({ page }) => {
  await openKind(page, ISLANDS, /^Before you land/);
  const note = page.getByTestId('part-note');
  await note.getByRole('button', { name: 'Correct' }).click();
  const selector = note.getByRole('textbox');
  await selector.fill('.panel-hed');
  await expect(note.getByRole('alert')).toHaveText('That selector reaches nothing on this page.');
  await selector.fill('.panel-head >');
  await expect(note.getByRole('alert')).toBeVisible();
  await expect(note.getByRole('button', { name: 'Use it' })).toBeDisabled();
  await selector.fill('.questions summary');
  await expect(note.getByRole('status')).toHaveText('Reaches 3 elements.');
  await note.getByRole('button', { name: 'Use it' }).click();
  await expect(note).toContainText('3 elements');
  await page.keyboard.press('Control+Z');
  await expect(note).toContainText('1 element');

  await note.getByRole('button', { name: 'Correct' }).click();
  await note.getByRole('button', { name: 'Point at it on the page' }).click();
  await page.locator('iframe[title="The page to point at"]').contentFrame().locator('.panel-head h3').click();
  await expect(note.getByRole('textbox')).toHaveValue('.panel-head h3');
});

test('the widths of the site are set once for all, and never overwritten unseen', async ({ page }) => {
  await openKind(page, HOME, /^Cookie notice/);
  await page.getByRole('button', { name: 'Widths of this site' }).click();
  await page.getByLabel('Narrow, up to').fill('2000');
  await expect(page.getByRole('alert')).toHaveText('Narrow must end below medium.');
  await page.getByLabel('Narrow, up to').fill('480');
  await page.getByRole('button', { name: 'Use these widths' }).click();
  await page.getByRole('button', { name: 'Narrow', exact: true }).click();
  await expect(place(page)).toHaveText('Editing every page, up to 480 pixels');
  await page.getByRole('button', { name: 'Widths of this site' }).click();
  await page.getByLabel('Narrow, up to').fill('599');
  await page.getByRole('button', { name: 'Use these widths' }).click();
  await expect(place(page)).toHaveText('Editing every page, up to 599 pixels');
});

test('a component of several pages is one, found by typing', async ({ page }) => {
  await openKind(page, HOME, /^Main menu/);
  const rail = page.getByRole('navigation', { name: 'Components' });
  const shared = rail.getByRole('region', { name: '5 of 6 pages' });
  await expect(shared.getByRole('button', { name: /^Main menu/ })).toHaveAttribute('aria-current', 'true');
  await expect(rail.getByText(/^Looking at/)).toBeHidden({ timeout: 60_000 });
  const address = page.url();
  await page.getByLabel('Find a component').fill('cards .tile');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /^Cards, islands/, level: 1 })).toBeVisible();
  // Until every page was looked at again, the list does not know all the pages that the menu stands on.
  await expect(rail.getByText(/^Looking at/)).toBeHidden({ timeout: 60_000 });
  // The menu seen from another page is the same menu.
  await rail.getByRole('button', { name: /^Main menu/ }).click();
  await expect(page.getByRole('heading', { name: 'Main menu', level: 1 })).toBeVisible();
  expect(page.url().split('/').at(-1)).toBe(address.split('/').at(-1));
  expect(page.url()).not.toBe(address);
});
