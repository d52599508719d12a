import { expect, test } from '@playwright/test';
import { openButton, setColour } from './support';

test('the look is tried with pointer and keyboard, in slow motion, and wiped over the site as it is', async ({
  page,
}) => {
  await openButton(page);
  await setColour(page, 'text', 'hover', '#ffffff');
  await page.getByRole('button', { name: 'Try it live' }).click();
  const dialog = page.getByRole('dialog', { name: 'Preview: Board now' });
  const live = dialog.locator('iframe').contentFrame();
  const button = live.getByRole('link', { name: 'Board now' });
  await expect(button).toHaveCSS('color', 'rgb(255, 255, 255)');
  await button.hover();
  await expect(button).toHaveCSS('color', 'rgb(255, 255, 255)');
  // Without the look the site's own hover would show; a click goes nowhere.
  await button.click();
  await expect(button).toBeVisible();
  await dialog.getByLabel('Slow motion').check();
  await expect(dialog.getByLabel('Slow motion')).toBeChecked();

  await dialog.getByRole('button', { name: 'Before and after' }).click();
  await dialog.getByLabel('State').selectOption('hover');
  const frames = dialog.locator('iframe');
  await expect(frames).toHaveCount(2);
  const colour = (at: number) => frames.nth(at).contentFrame().locator('.btn');
  await expect(colour(0)).toHaveCSS('color', 'rgb(255, 255, 255)');
  await expect(colour(1)).toHaveCSS('color', 'rgb(20, 50, 58)');
  const wipe = dialog.getByRole('slider');
  await wipe.press('End');
  await expect(wipe).toHaveValue('100');
  await dialog.getByRole('button', { name: 'Side by side' }).click();
  await expect(frames).toHaveCount(2);
  await expect(colour(0)).toHaveCSS('color', 'rgb(20, 50, 58)');
  await expect(colour(1)).toHaveCSS('color', 'rgb(255, 255, 255)');
  await dialog.getByRole('button', { name: 'Close' }).click();
  await expect(dialog).toBeHidden();
});

test('a change is slowed down in slow motion', async ({ page }) => {
  await openButton(page);
  const cell = page.locator('[data-cell="transition-duration/default"]');
  await cell.click();
  await page.getByRole('button', { name: 'Let it change slowly' }).click();
  await setColour(page, 'background', 'hover', '#ffffff');
  await page.getByRole('button', { name: 'Try it live' }).click();
  const dialog = page.getByRole('dialog', { name: /^Preview/ });
  await dialog.getByLabel('Slow motion').check();
  const button = dialog.locator('iframe').contentFrame().getByRole('link', { name: 'Board now' });
  await expect(button).toHaveCSS('transition-duration', '0.25s');
  await button.hover();
  await expect
    .poll(() => button.evaluate((element) => element.getAnimations().map((animation) => animation.playbackRate)))
    .toContain(0.2);
});
