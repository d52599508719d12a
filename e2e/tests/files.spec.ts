import type { Page } from '@playwright/test';
import { expect, test } from './warm';
import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { cell, openButton, saved } from './support';

// Pictures and fonts, with real files out of packages, from the upload to the frames, the CSS and the files beside it.

const require = createRequire(import.meta.url);
const FONT = require.resolve('@fontsource-variable/lora/files/lora-latin-wght-normal.woff2');
/** A picture that a package ships. */
const PICTURE = join(dirname(require.resolve('pino/package.json')), 'pino-banner.png');

const editor = (page: Page) => page.getByRole('complementary', { name: 'Editor' });
const button = (page: Page) => page.locator('[data-state="default"] iframe').contentFrame().locator('.btn').first();

async function open(page: Page, row: string): Promise<void> {
  await openButton(page);
  await page.getByRole('button', { name: 'All properties' }).click();
  await cell(page, row, 'default').click();
}

test('a picture is uploaded, laid, weighed, made lighter, and handed over with its file', async ({ page }) => {
  await open(page, 'background-image');
  await editor(page).getByRole('button', { name: 'Add a picture' }).click();
  await editor(page)
    .locator('input[type=file]')
    .setInputFiles([
      { name: 'broken.png', mimeType: 'image/png', buffer: Buffer.from('no picture') },
      { name: 'quay.png', mimeType: 'image/png', buffer: await readFile(PICTURE) },
    ]);
  // What is refused is named beside the field, and the rest is taken.
  await expect(editor(page).getByRole('alert')).toContainText('broken.png: This is not a picture');
  await expect(button(page)).toHaveCSS('background-image', /\/api\/assets\/[0-9a-f]{64}/);
  await expect(button(page)).toHaveCSS('background-size', 'cover');
  await expect(cell(page, 'background-image', 'default')).toContainText('url("/retoque/quay.png")');
  // What lies over it is measured, as over any picture of the page.
  await expect(page.locator('[data-check="default"]').first()).toContainText(/\d\.\d\d/);
  await expect(page.getByText('it is not to hand')).toHaveCount(0);
  // The picture really arrives in the frame.
  await expect
    .poll(() =>
      button(page).evaluate(async (node) => {
        const source = /url\("([^"]+)"\)/.exec(getComputedStyle(node).backgroundImage)![1]!;
        const image = new Image();
        image.src = source;
        await image.decode();
        return image.naturalWidth;
      }),
    )
    .toBeGreaterThan(0);

  const layer = editor(page).getByRole('group', { name: 'Layer 1' });
  await layer.getByLabel('Size').selectOption('contain');
  await expect(button(page)).toHaveCSS('background-size', 'contain');
  await layer.getByRole('button', { name: 'bottom, right' }).click();
  await expect(button(page)).toHaveCSS('background-position', '100% 100%');
  await layer.getByRole('textbox', { name: 'Across' }).fill('10');
  await layer.getByRole('textbox', { name: 'Across' }).press('Enter');
  await expect(button(page)).toHaveCSS('background-position', '10% 100%');
  await layer.getByLabel('Repeated').selectOption('repeat-x');
  await expect(button(page)).toHaveCSS('background-repeat', 'repeat-x');
  await expect(layer.locator('figcaption')).toHaveText([/^Wide: \d+ × \d+/, /^Medium/, /^Narrow/]);
  await expect(layer.getByTestId('weight')).toContainText(/\d+ × \d+, \d+ kB/);

  await layer.getByRole('button', { name: 'Crop and weight' }).click();
  const weight = layer.getByTestId('recoded');
  await expect(weight).toContainText('→');
  await layer.getByLabel('Crop, width').fill('60');
  await layer.getByLabel('Pixels wide').fill('40');
  await expect(weight).toContainText(', 40 × ');
  await layer.getByRole('button', { name: 'Use this picture' }).click();
  await expect(cell(page, 'background-image', 'default')).toContainText('/retoque/quay.webp');

  // Left out below the wide screen: the narrower frames have none.
  await layer.getByRole('button', { name: /^Only wider than \d+ px$/ }).click();
  await page.getByRole('button', { name: 'Medium' }).click();
  await expect(button(page)).toHaveCSS('background-image', 'none');
  await saved(page);

  await page.getByRole('link', { name: 'Take the CSS' }).click();
  await expect(page.getByText('Proven on this page.')).toBeVisible();
  await expect(page.locator('.cm-content')).toContainText('url("/retoque/quay.webp")');
  const files = page.getByRole('region', { name: 'Files' });
  await expect(files.getByRole('listitem')).toHaveCount(1);
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    files.getByRole('link', { name: 'Download' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('quay.webp');
});

test('fonts are uploaded or taken from those that come along, shown in the part’s own words, and handed over', async ({
  page,
}) => {
  await open(page, 'font-family');
  await expect(editor(page).getByRole('listbox', { name: 'Open fonts that come along' })).toContainText('Board now');
  await editor(page)
    .locator('input[type=file]')
    .setInputFiles({ name: 'no.woff2', mimeType: 'font/woff2', buffer: Buffer.from('wOF2 but no more') });
  await expect(editor(page).getByRole('alert')).toContainText('no.woff2: This font is broken');
  await editor(page).locator('input[type=file]').setInputFiles(FONT);
  await expect(cell(page, 'font-family', 'default')).toContainText('Lora');
  const isLoaded = (family: string) =>
    button(page).evaluate(
      (node, name) =>
        [...node.ownerDocument.fonts].some((face) => face.family.includes(name) && face.status === 'loaded'),
      family,
    );
  await expect.poll(() => isLoaded('Lora')).toBe(true);
  // The axis of weight, by keyboard.
  const axis = editor(page).getByRole('slider', { name: 'Weight' });
  await axis.press('End');
  await expect(button(page)).toHaveCSS('font-weight', '700');

  await editor(page).getByRole('option').filter({ hasText: 'Work Sans' }).click();
  await expect(button(page)).toHaveCSS('font-family', /"?Work Sans"?, sans-serif/);
  await expect.poll(() => isLoaded('Work Sans')).toBe(true);
  await saved(page);

  await page.getByRole('link', { name: 'Take the CSS' }).click();
  await expect(page.getByText('Proven on this page.')).toBeVisible();
  await expect(page.locator('.cm-content')).toContainText('font-family: "Work Sans";');
  await expect(page.locator('.cm-content')).not.toContainText('Lora');
  await expect(page.getByRole('region', { name: 'Files' })).toContainText('/retoque/work-sans.woff2');
});
