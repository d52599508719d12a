import { cell, openButton, saved, setColour } from './support';
import { expect, test } from './warm';

test('versions stand under each other with their figures, and going to another keeps what is open', async ({
  page,
}) => {
  await openButton(page);
  await setColour(page, 'text', 'default', '#ffeedd');
  await saved(page);
  await page.getByRole('button', { name: 'Add a version' }).click();
  await expect(page.getByRole('button', { name: 'B', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await setColour(page, 'text', 'default', '#3b8ea0');
  await expect(page.locator('[data-check="default"]')).toContainText('2.2');
  await saved(page);

  await page.getByRole('button', { name: 'Compare' }).click();
  const other = page.getByRole('region', { name: 'Version A' });
  await expect(other).toContainText(/state fails|states fail/);
  const pictured = other.locator('[data-state="default"] iframe').contentFrame();
  await expect(pictured.locator('.btn')).toHaveCSS('color', 'rgb(255, 238, 221)');
  await expect(other.locator('[data-state="default"] .figure')).toContainText('7.');
  const own = page.locator('.frames').first().locator('[data-state="default"] iframe').contentFrame();
  await expect(own.locator('.btn')).toHaveCSS('color', 'rgb(59, 142, 160)');

  // Where one is editing, and what is open, stays.
  await page.getByRole('button', { name: 'This page' }).click();
  await page.getByRole('button', { name: 'Medium' }).click();
  await cell(page, 'padding', 'focus').click();
  await other.getByRole('button', { name: 'Work on this one' }).click();
  await expect(page.getByRole('button', { name: 'A', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('button', { name: 'This page' })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('button', { name: 'Medium' })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('heading', { name: 'Padding, focus' })).toBeVisible();
  await expect(cell(page, 'text', 'default')).toContainText('#ffeedd');
  const rival = page.getByRole('region', { name: 'Version B' });
  await expect(rival.locator('[data-state="default"] iframe').contentFrame().locator('.btn')).toHaveCSS(
    'color',
    'rgb(59, 142, 160)',
  );
  // What is set now is set where it says.
  await setColour(page, 'text', 'hover', '#ffffff');
  await saved(page);
  await page.getByRole('button', { name: 'Every page' }).click();
  await expect(cell(page, 'text', 'hover')).toContainText('#14323a');
});

test('three values of one cell stand beside each other with their figures, and one is used', async ({ page }) => {
  await openButton(page);
  await cell(page, 'text', 'default').click();
  await page.getByRole('button', { name: 'Try side by side' }).click();
  const row = page.getByRole('region', { name: 'Values compared' });
  const value = row.getByLabel('Another value');
  await value.fill('#ffeedd');
  await value.press('Enter');
  await value.fill('no colour');
  await value.press('Enter');
  await expect(row.getByRole('alert')).toContainText('no colour');
  await value.fill('#3b8ea0');
  await value.press('Enter');
  await expect(row).toContainText('Three at once');
  const one = (text: string) => row.getByRole('group', { name: text });
  await expect(one('#ffffff')).toContainText('8.42');
  await expect(one('#ffeedd')).toContainText('7.');
  await expect(one('#3b8ea0')).toContainText('2.2');
  const shown = one('#3b8ea0').locator('iframe').contentFrame().locator('.btn');
  await expect(shown).toHaveCSS('color', 'rgb(59, 142, 160)');
  // Nothing is set by looking.
  await expect(page.locator('[data-save]')).not.toHaveAttribute('data-save', 'saving');
  await expect(cell(page, 'text', 'default')).toContainText('#fff');
  await one('#ffeedd').getByRole('button', { name: 'Use' }).click();
  await expect(row).toHaveCount(0);
  await expect(cell(page, 'text', 'default')).toContainText('#ffeedd');
  await saved(page);
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(cell(page, 'text', 'default')).toContainText('#fff');
});

test('a part of one version is taken into another, in one step', async ({ page }) => {
  await openButton(page);
  await setColour(page, 'background', 'default', '#8a1c1c');
  await setColour(page, 'background', 'hover', '#5c1010');
  await saved(page);
  await page.getByRole('button', { name: 'Add a version' }).click();
  await expect(page.getByRole('button', { name: 'B', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await setColour(page, 'background', 'default', '#202020');
  await setColour(page, 'background', 'hover', '#000000');
  await saved(page);
  await page.getByRole('button', { name: 'Compare' }).click();
  await page.getByRole('region', { name: 'Version A' }).getByRole('button', { name: 'Take parts of it…' }).click();
  await page.getByRole('list', { name: 'Parts that differ' }).getByRole('checkbox', { name: 'Button' }).check();
  await page.getByRole('button', { name: 'Take 1 part into this version' }).click();
  await expect(cell(page, 'background', 'default')).toContainText('#8a1c1c');
  await expect(cell(page, 'background', 'hover')).toContainText('#5c1010');
  await expect(page.getByRole('button', { name: 'Take parts of it…' })).toBeDisabled();
  // A notice of an earlier test may still offer to undo.
  await page.locator('button[aria-label="Undo"]').click();
  await expect(cell(page, 'background', 'hover')).toContainText('#000000');
  await saved(page);
});

test('a version gets another name, is discarded, and comes back as it was', async ({ page }) => {
  await openButton(page);
  await page.getByRole('button', { name: 'Rename or discard the version' }).click();
  await expect(page.getByRole('button', { name: 'Discard it' })).toBeDisabled();
  await page.getByLabel('Name of the version').fill('Quiet');
  await page.getByRole('button', { name: 'Rename it' }).click();
  await expect(page.getByRole('button', { name: 'Version Quiet' })).toBeVisible();

  await page.getByRole('button', { name: 'Add a version' }).click();
  await expect(page.getByRole('button', { name: 'A', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await setColour(page, 'text', 'default', '#ffeedd');
  await saved(page);
  await page.getByRole('button', { name: 'Rename or discard the version' }).click();
  await page.getByLabel('Name of the version').fill('Quiet');
  await page.getByRole('button', { name: 'Rename it' }).click();
  await expect(page.getByText('Another version is called “Quiet”')).toBeVisible();
  await page.getByRole('button', { name: 'Discard it' }).click();
  await expect(page.getByRole('button', { name: 'Version Quiet' })).toBeVisible();
  await expect(cell(page, 'text', 'default')).not.toContainText('#ffeedd');
  await page.locator('button[aria-label="Undo"], button:text-is("Undo")').last().click();
  await expect(page.getByRole('button', { name: 'A', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await expect(cell(page, 'text', 'default')).toContainText('#ffeedd');
});
