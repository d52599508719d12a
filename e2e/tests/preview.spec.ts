import type { Locator } from '@playwright/test';
import { expect, test } from './warm';
import { HOME, openKind } from './sheet-support';
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

test('frames show widths, a chosen ground, missing pictures and what is hidden, and point at the sheet', async ({
  page,
}) => {
  await openKind(page, HOME, /^Main menu/);
  const view = page.getByRole('button', { name: /^View/ });
  const frames = page.locator('.frame');
  const inFrame = (frame: Locator) => frame.locator('iframe').contentFrame();
  await view.click();
  await page.getByRole('button', { name: 'Widths', exact: true }).click();
  await expect(frames).toHaveCount(3);
  for (const width of ['wide', 'medium', 'narrow']) {
    await expect(page.locator(`.frame[data-width=${width}]`)).toBeVisible();
  }
  // Another width has a figure of its own, and takes edits too.
  await expect(page.locator('.frame[data-width=narrow] .figure')).toContainText(
    /\d\.\d\d|unsure|not required|not shown/,
  );
  await page.getByRole('button', { name: '#808080' }).click();
  const menu = inFrame(page.locator('.frame[data-width=wide]'));
  await expect
    .poll(() => menu.locator('html').evaluate((root) => getComputedStyle(root).backgroundColor))
    .toBe('rgb(128, 128, 128)');
  await page.getByRole('button', { name: 'As usual' }).click();
  await expect(frames).not.toHaveCount(3);

  await page.getByLabel(/^Pictures missing/).check();
  const first = inFrame(frames.first());
  await expect(first.locator('img[src]')).toHaveCount(0);
  // Nor does one load that a look puts there.
  const loads = await first.locator('body').evaluate(async (body) => {
    const picture = body.ownerDocument.createElement('img');
    picture.src = 'data:image/gif;base64,R0lGODlhAQABAAAAACH5BAEKAAEALAAAAAABAAEAAAICTAEAOw==';
    return picture.decode().then(
      () => true,
      () => false,
    );
  });
  expect(loads).toBe(false);
  await page.getByLabel(/^Pictures missing/).uncheck();
  await page.keyboard.press('Escape');

  // The bar is in hand, and the sub-menu is shown open besides.
  await page.locator('[data-part=bar] .fold').click();
  await page.locator('[data-part=bar] [data-cell="background/default"]').click();
  const panel = inFrame(frames.first()).locator('nav li ul').first();
  await expect.poll(() => panel.evaluate((node) => node.checkVisibility({ visibilityProperty: true }))).toBe(false);
  await view.click();
  await page.getByLabel('Shown open').selectOption({ label: 'Sub-menu panel' });
  await expect.poll(() => panel.evaluate((node) => node.checkVisibility({ visibilityProperty: true }))).toBe(true);
  await page.keyboard.press('Escape');

  // A cell outlines its part in the frames; a click on something in a frame takes it in hand.
  await page.locator('[data-part=bar] [data-cell="background/default"]').hover();
  await expect(frames.first().locator('.outline')).toBeVisible();
  await expect(frames.first()).toHaveAttribute('data-pointed', '');
  const link = await inFrame(frames.first()).locator('nav a[href]').first().boundingBox();
  await page.mouse.move(link!.x + link!.width / 2, link!.y + link!.height / 2);
  await expect(page.locator('[data-part=link] .part')).toHaveAttribute('data-pointed', '');
  await page.mouse.click(link!.x + link!.width / 2, link!.y + link!.height / 2);
  await expect(page.locator('[data-part=link] .part')).toHaveAttribute('data-current', '');
});
