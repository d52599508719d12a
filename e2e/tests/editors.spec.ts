import type { Locator, Page } from '@playwright/test';
import { expect, test } from './warm';
import { printGradient, readGradient } from '@retoque/core';
import { readFile } from 'node:fs/promises';
import { BUTTON_CSS, BUTTON_PAGE, cell, openButton, saved } from './support';

// Each sort of value, set by pointer and by keyboard in the real interface, and found in the frames.

async function open(page: Page, row: string): Promise<void> {
  await openButton(page);
  await page.getByRole('button', { name: 'All properties' }).click();
  await cell(page, row, 'default').click();
}
const seen = (page: Page): Locator =>
  page.locator('[data-state="default"] iframe').contentFrame().locator('.btn').first();
const editor = (page: Page) => page.getByRole('complementary', { name: 'Editor' });

/** Drags from the middle of something by so many pixels. */
async function drag(page: Page, what: Locator, x: number, y: number): Promise<void> {
  await what.scrollIntoViewIfNeeded();
  const box = (await what.boundingBox())!;
  const [startX, startY] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(startX, startY);
  await page.mouse.down();
  await page.mouse.move(startX + x / 2, startY + y / 2);
  await page.mouse.move(startX + x, startY + y);
  await page.mouse.up();
}

test('a number is typed, summed, stepped and dragged', async ({ page }) => {
  await open(page, 'opacity');
  const value = editor(page).getByLabel('Value');
  await page.keyboard.press('Enter');
  await page.keyboard.insertText('0.2*4');
  await page.keyboard.press('Enter');
  await expect(seen(page)).toHaveCSS('opacity', '0.8');
  await value.press('ArrowDown');
  await expect(seen(page)).toHaveCSS('opacity', '0.75');
  await value.press('Shift+ArrowUp');
  await expect(seen(page)).toHaveCSS('opacity', '1');
  await editor(page).getByRole('slider', { name: 'Opacity' }).press('Home');
  await expect(seen(page)).toHaveCSS('opacity', '0');
  await drag(page, editor(page).locator('label.scrub'), 24, 0);
  await expect(seen(page)).not.toHaveCSS('opacity', '0');

  await cell(page, 'font-size', 'default').click();
  await page.keyboard.press('Enter');
  await page.keyboard.insertText('1rem + 4px');
  await page.keyboard.press('Enter');
  await expect(seen(page)).toHaveCSS('font-size', '20px');
});

test('size, its limits, proportion and gap stand with the box', async ({ page }) => {
  await open(page, 'padding');
  const sizes = editor(page).getByRole('group', { name: 'Size and its limits' });
  const set = async (label: string, at: number, value: string) => {
    const field = sizes.getByLabel(label).nth(at);
    await field.fill(value);
    await field.press('Enter');
  };
  await set('Width', 0, '240');
  await expect(seen(page)).toHaveCSS('width', '240px');
  await set('At most', 0, '100+80');
  await expect(seen(page)).toHaveCSS('max-width', '180px');
  await set('At least', 1, '4rem');
  await expect(seen(page)).toHaveCSS('min-height', '64px');
  await set('Ratio', 0, '2');
  await expect(seen(page)).toHaveCSS('aspect-ratio', '2 / 1');
  await set('Gap', 0, '12px');
  await expect(seen(page)).toHaveCSS('column-gap', '12px');
});

test('padding, border and margin lie around one another, and each side is set by itself', async ({ page }) => {
  await open(page, 'padding');
  const box = editor(page).locator('.box');
  await box.getByLabel('Padding left').fill('2*16');
  await box.getByLabel('Padding left').press('Enter');
  await expect(seen(page)).toHaveCSS('padding-left', '32px');
  await expect(seen(page)).toHaveCSS('padding-right', '20px');
  await box.getByLabel('Margin top').press('ArrowUp');
  await box.getByLabel('Margin top').press('Shift+ArrowUp');
  await expect(seen(page)).toHaveCSS('margin-top', '11px');
  await drag(page, box.locator('[data-layer=border-width] > .box-side.top .grip'), 12, 0);
  await expect(seen(page)).toHaveCSS('border-top-width', '5px');
  await expect(seen(page)).toHaveCSS('border-left-width', '2px');
  // A value that cannot be is named beside its field, kept, and changes nothing.
  await box.getByLabel('Padding top').fill('-4px');
  await expect(editor(page).getByRole('alert')).toContainText('-4px');
  await expect(box.getByLabel('Padding top')).toHaveValue('-4px');
  await expect(seen(page)).toHaveCSS('padding-top', '12px');
});

test('corners are set together and apart', async ({ page }) => {
  await open(page, 'border-radius');
  const corners = editor(page).locator('.corners');
  await corners.getByLabel('Radius top left').fill('6');
  await expect(seen(page)).toHaveCSS('border-bottom-right-radius', '6px');
  await editor(page).getByLabel('All corners alike').uncheck();
  await corners.getByLabel('Radius top right').press('Shift+ArrowUp');
  await expect(seen(page)).toHaveCSS('border-top-right-radius', '16px');
  await expect(seen(page)).toHaveCSS('border-top-left-radius', '6px');
  await drag(page, corners.locator('.bottom-left .grip'), 20, 0);
  await expect(seen(page)).toHaveCSS('border-bottom-left-radius', '11px');
});

test('shadows are added, dragged, moved by keys and taken away, each step undone by itself', async ({ page }) => {
  await open(page, 'box-shadow');
  await editor(page).getByRole('button', { name: 'Add a shadow' }).click();
  await expect(seen(page)).toHaveCSS('box-shadow', 'rgba(0, 0, 0, 0.25) 0px 2px 8px 0px');
  const pad = editor(page).getByRole('slider', { name: 'Shadow 1, where it falls' });
  await pad.press('ArrowRight');
  await pad.press('Shift+ArrowDown');
  await expect(seen(page)).toHaveCSS('box-shadow', 'rgba(0, 0, 0, 0.25) 1px 12px 8px 0px');
  await drag(page, pad, 23, -23);
  await expect(seen(page)).toHaveCSS('box-shadow', /rgba\(0, 0, 0, 0.25\) 1[12]px -1[12]px 8px 0px/);
  await page.locator('button[aria-label="Undo"]').click();
  await expect(seen(page)).toHaveCSS('box-shadow', 'rgba(0, 0, 0, 0.25) 1px 12px 8px 0px');
  await editor(page).getByLabel('Shadow 1, colour', { exact: true }).fill('0b5563');
  await editor(page).getByLabel('Inside the box').check();
  await expect(seen(page)).toHaveCSS('box-shadow', 'rgb(11, 85, 99) 1px 12px 8px 0px inset');
  await editor(page).getByRole('button', { name: 'Remove shadow 1' }).click();
  await expect(seen(page)).toHaveCSS('box-shadow', 'none');
});

test('a gradient is made, its stops dragged, added, derived and removed, and a pasted one becomes editable', async ({
  page,
}) => {
  await open(page, 'background-image');
  await editor(page).getByRole('button', { name: 'Add a gradient' }).click();
  await expect(seen(page)).toHaveCSS('background-image', /^linear-gradient\(/);
  const value = editor(page).getByLabel('Value');
  await value.fill('-webkit-linear-gradient(left, #0b5563 0%, #fff 100%)');
  await value.press('Enter');
  const stop = (n: number) => editor(page).getByRole('slider', { name: `Stop ${n}`, exact: true });
  await stop(1).press('Shift+ArrowRight');
  await expect(seen(page)).toHaveCSS(
    'background-image',
    'linear-gradient(to right, rgb(11, 85, 99) 10%, rgb(255, 255, 255) 100%)',
  );
  await drag(page, stop(2), -80, 0);
  await expect(seen(page)).not.toHaveCSS('background-image', /100%/);
  await stop(1).focus();
  await editor(page).getByRole('button', { name: '+ darker' }).click();
  await expect(stop(3)).toBeVisible();
  await editor(page).getByLabel('Stop 2, colour', { exact: true }).fill('rgb(1 2 3 / 50%)');
  await expect(seen(page)).toHaveCSS('background-image', /rgba\(1, 2, 3, 0\.5\)/);
  await stop(2).press('Delete');
  await expect(stop(3)).toBeHidden();
  await editor(page).getByRole('button', { name: 'to bottom left' }).click();
  await editor(page).getByLabel('Colours mix in').selectOption('oklch');
  await expect(seen(page)).toHaveCSS('background-image', /^linear-gradient\(to left bottom in oklch/);
  await editor(page).getByLabel('Shape').selectOption('conic');
  await editor(page).getByLabel('Begins at').fill('45');
  await expect(seen(page)).toHaveCSS('background-image', /^conic-gradient\(from 45deg in oklch/);
  // One that does not parse is named, kept as typed, and changes nothing.
  await value.fill('linear-gradient(red');
  await expect(page.getByRole('alert')).toContainText('has a bracket or a quote that is not closed');
  await expect(value).toHaveValue('linear-gradient(red');
  await expect(seen(page)).toHaveCSS('background-image', /^conic-gradient/);
  await value.press('Escape');
  await saved(page);
  await page.getByRole('link', { name: 'Take the CSS' }).click();
  await expect(page.locator('.cm-content').first()).toContainText('conic-gradient(from 45deg in oklch');
});

test('functions are added, stepped and ordered', async ({ page }) => {
  await open(page, 'transform');
  await editor(page).getByRole('button', { name: '+ Move' }).click();
  await editor(page).getByLabel('Across').fill('10');
  await editor(page).getByLabel('Down').press('ArrowUp');
  await expect(seen(page)).toHaveCSS('transform', 'matrix(1, 0, 0, 1, 10, -1)');
  await editor(page).getByRole('button', { name: '+ Scale' }).click();
  await editor(page).getByLabel('Factor').fill('2');
  await expect(seen(page)).toHaveCSS('transform', 'matrix(2, 0, 0, 2, 10, -1)');
  await editor(page).getByRole('button', { name: 'Move scale up' }).click();
  await expect(seen(page)).toHaveCSS('transform', 'matrix(2, 0, 0, 2, 20, -2)');
  await editor(page).getByRole('button', { name: 'Remove scale' }).click();
  await expect(seen(page)).toHaveCSS('transform', 'matrix(1, 0, 0, 1, 10, -1)');
});

test('a change takes its time along a curve that is dragged, stepped and played', async ({ page }) => {
  await open(page, 'transition-duration');
  await editor(page).getByRole('button', { name: 'Let it change slowly' }).click();
  const takes = editor(page).getByLabel('Duration', { exact: true });
  await takes.fill('300');
  await takes.press('ArrowUp');
  await expect(seen(page)).toHaveCSS('transition-duration', '0.31s');
  const handle = editor(page).getByRole('slider', { name: 'Handle 1 of the curve' });
  await handle.press('Shift+ArrowRight');
  await expect(seen(page)).toHaveCSS('transition-timing-function', 'cubic-bezier(0.52, 0, 0.58, 1)');
  await drag(page, handle, -30, -30);
  await expect(seen(page)).not.toHaveCSS('transition-timing-function', 'cubic-bezier(0.52, 0, 0.58, 1)');
  await editor(page).getByRole('button', { name: 'ease-out', exact: true }).click();
  await expect(seen(page)).toHaveCSS('transition-timing-function', 'ease-out');
  await editor(page).getByRole('button', { name: 'Play' }).click();
  await editor(page).getByLabel('What changes, 1').selectOption('background-color');
  await expect(seen(page)).toHaveCSS('transition-property', 'background-color');
});

test('words and fonts are chosen', async ({ page }) => {
  await open(page, 'text-transform');
  await editor(page).getByRole('button', { name: 'uppercase' }).click();
  await expect(seen(page)).toHaveCSS('text-transform', 'uppercase');
  await cell(page, 'font-family', 'default').click();
  await editor(page)
    .getByRole('option', { name: /Georgia, serif/ })
    .press('Enter');
  await expect(seen(page)).toHaveCSS('font-family', 'Georgia, serif');
});

test('a colour is written as it is asked for, and remembered', async ({ page }) => {
  await open(page, 'text');
  await editor(page).getByLabel('Written as').selectOption('oklch');
  await editor(page).getByRole('slider', { name: 'Lightness' }).press('ArrowLeft');
  await expect(editor(page).getByLabel('Colour', { exact: true })).toHaveValue(/^oklch\(/);
  await expect(cell(page, 'text', 'default')).toContainText('oklch(');
  await editor(page).getByLabel('Written as').selectOption('hsl');
  await expect(editor(page).getByLabel('Colour', { exact: true })).toHaveValue(/^hsl\(/);
  const last = editor(page).getByRole('group', { name: 'Colours used last' }).getByRole('button');
  await expect(last.first()).toBeVisible();
  // The whole of what is typed, not what half of it would be.
  await cell(page, 'text', 'default').click();
  await page.keyboard.press('Enter');
  await page.keyboard.type('#cc0033');
  await page.keyboard.press('Enter');
  await expect(last.first()).toHaveAccessibleName(/#cc0033/);
});

test('a shorthand sets all that it says, and an edge without a width is drawn in one press', async ({ page }) => {
  await open(page, 'border');
  const typed = editor(page).getByLabel('Colour', { exact: true });
  await typed.fill('3px dashed #cbb98a');
  await typed.press('Enter');
  await expect(seen(page)).toHaveCSS('border-top', '3px dashed rgb(203, 185, 138)');
  await cell(page, 'outline', 'default').click();
  await typed.fill('#0b5563');
  await typed.press('Enter');
  await expect(editor(page).getByTestId('not-drawn')).toContainText('No outline is drawn');
  await editor(page).getByRole('button', { name: 'Give it a width of 1px' }).click();
  await expect(seen(page)).toHaveCSS('outline', 'rgb(11, 85, 99) solid 1px');
  await expect(editor(page).getByTestId('not-drawn')).toHaveCount(0);
});

// Examples in the way that CSS Images 3 and 4 write them (section 3), from memory; compared as Chromium paints them.
const EXAMPLES = [
  'linear-gradient(yellow, blue)',
  'linear-gradient(to top left, red, white, blue)',
  'linear-gradient(-45deg, blue, yellow)',
  'linear-gradient(yellow, blue 20%, #0f0)',
  'linear-gradient(in oklch longer hue, red, 30%, blue)',
  'radial-gradient(5em circle at top left, yellow, blue)',
  'radial-gradient(farthest-side at left bottom, red, yellow 50px, green)',
  'radial-gradient(20px 30px at 20px 30px, red, yellow, green)',
  'conic-gradient(from -90deg at 25% 30%, #f06, gold 12deg 40deg, #f06 100%)',
  'conic-gradient(yellowgreen 40%, gold 0deg 75%, #f06 0deg)',
  'repeating-linear-gradient(red, blue 20px, red 40px)',
  'repeating-radial-gradient(circle closest-side at 20px 30px, red, yellow, green 100%, yellow 150%, red 200%)',
  'repeating-conic-gradient(hsla(0, 0%, 100%, .2) 0deg 15deg, hsla(0, 0%, 100%, 0) 0deg 30deg)',
  '-webkit-linear-gradient(left, red, blue 40%, white)',
  '-webkit-linear-gradient(30deg, red, blue)',
  '-webkit-radial-gradient(30% 40%, circle closest-side, red, blue)',
];

test('every sort of value is found in the CSS that is handed over, and in a browser that has it', async ({
  page,
  context,
}) => {
  const values = {
    padding: ['10px 24px', 'padding-left', '24px'],
    'border-radius': ['2px 8px', 'border-top-right-radius', '8px'],
    'box-shadow': ['0 2px 6px #112233', 'box-shadow', 'rgb(17, 34, 51) 0px 2px 6px 0px'],
    'background-image': [
      'conic-gradient(red, blue)',
      'background-image',
      'conic-gradient(rgb(255, 0, 0), rgb(0, 0, 255))',
    ],
    transform: ['translateY(-2px)', 'transform', 'matrix(1, 0, 0, 1, 0, -2)'],
    'transition-timing-function': ['ease-in-out', 'transition-timing-function', 'ease-in-out'],
    'font-family': ['Georgia, serif', 'font-family', 'Georgia, serif'],
    'text-transform': ['uppercase', 'text-transform', 'uppercase'],
    opacity: ['0.9', 'opacity', '0.9'],
    text: ['oklch(0.98 0.01 200)', 'color', 'oklch(0.98 0.01 200)'],
  } as const;
  await open(page, 'padding');
  for (const [row, [typed, property, wanted]] of Object.entries(values)) {
    await cell(page, row, 'default').click();
    await page.keyboard.press('Enter');
    await page.keyboard.insertText(typed);
    await page.keyboard.press('Enter');
    await expect(seen(page)).toHaveCSS(property, wanted);
  }
  await saved(page);
  await page.getByRole('link', { name: 'Take the CSS' }).click();
  await expect(page.getByText('Proven on this page.')).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: /^Download .*css/ }).click();
  const css = await readFile(await (await download).path(), 'utf8');
  const site = await context.newPage();
  await site.setContent(BUTTON_PAGE.replace('<main>', `<style>${BUTTON_CSS}</style><style>${css}</style><main>`));
  for (const [, property, wanted] of Object.values(values)) {
    await expect(site.locator('.btn')).toHaveCSS(property, wanted);
  }
});

test('gradients that are taken apart and put together are painted as they were', async ({ page }) => {
  await page.setContent('<div style="width: 200px; height: 120px; background: #888"></div>');
  const shot = async (text: string) => {
    const applied = await page.locator('div').evaluate((element, image) => {
      (element as HTMLElement).style.backgroundImage = image;
      return (element as HTMLElement).style.backgroundImage;
    }, text);
    expect(applied).not.toBe('');
    return page.locator('div').screenshot();
  };
  for (const example of EXAMPLES) {
    const printed = printGradient(readGradient(example)!);
    expect((await shot(printed)).equals(await shot(example)), example).toBe(true);
  }
});
