import { expect, test } from '@playwright/test';
import { undoAll } from './sheet-support';

test('a newcomer gets from the front page to a corrected hover by what the screens say, without typing a colour', async ({
  page,
}) => {
  await page.goto('/');
  await expect(page.getByRole('note')).toContainText('Pick what is marked');
  await page.getByRole('link', { name: /Quillhaven Ferries: five islands/ }).click();
  await expect(page.getByRole('note')).toContainText('Red ones fail');
  await page
    .getByRole('button', { name: /^Main menu/ })
    .first()
    .click();
  const hint = page.getByRole('note');
  await expect(hint).toContainText('drag Lightness in the editor');
  // What falls short is in hand already: its frame is marked, and so is its figure in the editor.
  const editor = page.getByRole('complementary', { name: 'Editor' });
  await expect(editor.getByTestId('ratio')).toHaveText('2.92');
  await expect(editor).toContainText('too low');
  await editor.getByRole('slider', { name: 'Lightness' }).press('End');
  await expect(editor).toContainText('passes');
  await expect(page.locator('.frame[data-selected]')).not.toHaveAttribute('data-short', '');
  await undoAll(page);
  // What was read stays away.
  await hint.getByRole('button', { name: 'Got it' }).click();
  await expect(page.getByRole('note')).toHaveCount(0);
  await page.reload();
  await expect(page.locator('.cell').first()).toBeVisible();
  await expect(page.getByRole('note')).toHaveCount(0);
});
