import { cell, keepPage, saved, setColour } from './support';
import { expect, test } from './warm';

// Texts that only look like buttons become real ones, and keep their look, its exceptions and its history.

const PAGE = `<!doctype html><html lang="en"><title>Boats</title><main><h1>Boats</h1><div class="row">
  <p class="go">Hire a rowing boat</p><p class="go">Call us</p><p class="go">Ask</p></div></main></html>`;
// The site names the element, and has links look otherwise.
const CSS = `.row p.go { display: inline-block; margin: 8px; padding: 8px 16px; background: #14506a; color: #fff; cursor: pointer }
  .row p.go:hover { background: #0b3a4f } a { color: #c00 } a:hover { color: red } a:active { color: red }`;

test('texts turned into links keep their look, exceptions and history', async ({ page }) => {
  await page.goto(await keepPage(page, PAGE, CSS));
  await page.getByRole('button', { name: /^Hire a rowing boat/ }).click();
  await setColour(page, 'text', 'default', '#ffeedd');
  await page.getByRole('button', { name: 'Exception' }).click();
  await page.getByLabel(/Call us/).check();
  await page.getByRole('button', { name: 'Add exception' }).click();
  await setColour(page, 'text', 'hover', '#ddeeff');
  await saved(page);

  await page.getByRole('button', { name: 'Make it a link' }).click();
  await expect(page.getByText('They are real links now')).toBeVisible();
  await expect(page.getByTestId('imposter')).toHaveCount(0);
  await expect(page.getByRole('heading', { name: 'Hire a rowing boat', level: 1 })).toBeVisible();
  await expect(page.getByTestId('made-here')).toContainText('Text on your site, and a real control here');
  await expect(cell(page, 'text', 'default')).toContainText('#ffeedd');
  const frame = (state: string) => page.locator(`.frames [data-state="${state}"] iframe`).first().contentFrame();
  await expect(frame('default').locator('a.go').first()).toHaveCSS('color', 'rgb(255, 238, 221)');
  // The exception is in hand, so its member is what is hovered.
  await expect(frame('hover').locator('a.go').nth(1)).toHaveCSS('background-color', 'rgb(11, 58, 79)');
  await expect(cell(page, 'text', 'pressed')).not.toContainText('#ff0000');
  await expect(cell(page, 'background', 'pressed')).toContainText('#0b3a4f');

  // The exception is still that of the same one.
  await page.getByLabel('Members', { exact: true }).selectOption({ label: 'Call us' });
  await expect(cell(page, 'text', 'hover')).toContainText('#ddeeff');
  await page.getByRole('button', { name: 'History' }).click();
  await expect(page.getByText(/Exception “Call us”/)).toBeVisible();
  await page.keyboard.press('Escape');
  await page.reload();
  await expect(cell(page, 'text', 'default')).toContainText('#ffeedd');

  // All of them become text again, with the look that they had.
  await page.getByRole('button', { name: 'Back to text' }).click();
  await expect(page.getByTestId('imposter')).toBeVisible();
  await page
    .getByRole('status')
    .filter({ hasText: 'is as on your site' })
    .getByRole('button', { name: 'Undo' })
    .click();
  await expect(page.getByTestId('imposter')).toHaveCount(0);
  await expect(cell(page, 'text', 'default')).toContainText('#ffeedd');

  await page.getByRole('link', { name: 'Take the CSS' }).click();
  await expect(page.getByText('Proven on this page.')).toBeVisible({ timeout: 60_000 });
});
