import { cell, keepPage, openButton, saved } from './support';
import { type } from './sheet-support';
import { expect, test } from './warm';

test('a look keeps still for those who ask for less motion, and moves for all others', async ({ page }) => {
  await openButton(page);
  await type(page, 'transition-duration', 'default', '0.3s');
  await page.getByRole('button', { name: 'Less', exact: true }).click();
  await expect(page.getByText('with less motion')).toBeVisible();
  await expect(cell(page, 'transition-duration', 'default')).toHaveAttribute('data-place', 'full-motion');
  await type(page, 'transition-duration', 'default', '0s');
  await saved(page);
  await page.getByRole('button', { name: 'Full motion' }).click();
  await expect(cell(page, 'transition-duration', 'default')).toContainText('0.3s');

  await page.reload();
  await page.getByRole('button', { name: 'Less', exact: true }).click();
  await expect(cell(page, 'transition-duration', 'default')).toContainText('0s');
  await page.getByRole('link', { name: 'Take the CSS' }).click();
  await expect(page.getByText('Proven on this page.')).toBeVisible({ timeout: 60_000 });
  const css = page.locator('.cm-content').first();
  await expect(css).toContainText('@media (prefers-reduced-motion: reduce)');

  // What was handed over, in a page of its own in this browser.
  const text = await css.innerText();
  await page.goto('about:blank');
  await page.setContent(`<main><a class="btn" href="#">Board now</a></main><style>${text}</style>`);
  const button = page.getByRole('link', { name: 'Board now' });
  await expect(button).toHaveCSS('transition-duration', '0.3s');
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await expect(button).toHaveCSS('transition-duration', '0s');
});

test('pictures show what the site itself has for those who ask for less motion', async ({ page }) => {
  const css = `.btn { color: #fff; background: #036; padding: 9px 16px; border-radius: 2px }
    @media (prefers-reduced-motion: reduce) { .btn { border-radius: 9px } }`;
  await page.goto(await keepPage(page, '<main><a class="btn" href="#">Board now</a></main>', css));
  await page.getByRole('button', { name: /^Board now/ }).click();
  const picture = page.locator('[data-state="default"] iframe').contentFrame().locator('.btn');
  await expect(picture).toHaveCSS('border-radius', '2px');
  await page.getByRole('button', { name: 'Less', exact: true }).click();
  await expect(picture).toHaveCSS('border-radius', '9px');
  await expect(cell(page, 'border-radius', 'default')).toContainText('9px');
});
