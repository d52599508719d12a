import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { siteSchema } from '@retoque/contract';
import { cell, keepPage, OWN, saved } from './support';
import { expect, test } from './warm';

const CSS = `:root { --quay: #0b5563 } body { margin: 0; background: #fff; color: #222 }
  .go { display: inline-block; padding: 10px 18px; color: #fff; background: var(--quay); border: 2px solid #0b5563 }
  .go:hover { color: #0b5563; background: #fff; box-shadow: 0 0 6px rgb(11 85 99 / 40%) }
  .plain { color: #0b5564 } .never { color: #0b5563 }`;
const HTML = (name: string) =>
  `<!doctype html><title>${name}</title><main><h1>${name}</h1><p>Words <a class="go" href="#">Embark at once</a></p><p class="plain">More of ${name}</p></main>`;

/** Two pages of one site, and the way to its palette. */
async function site(page: Page): Promise<{ siteId: string; palette: string; survey: string }> {
  const path = await keepPage(page, HTML('Pier'), CSS, 'Pier');
  const [, siteId, pageId] = /sites\/([^/]+)\/pages\/([^/]+)/.exec(path)!;
  const data = { site: { id: siteId }, name: 'Mole', html: HTML('Mole'), css: CSS };
  await page.request.post('/api/pages/from-paste', { data, headers: OWN });
  const survey = `/sites/${siteId}/pages/${pageId}`;
  return { siteId: siteId!, palette: `${survey}/palette`, survey };
}

const card = (page: Page, name: string) =>
  page.getByRole('list', { name: 'Colours', exact: true }).getByRole('button', { name });
const view = (page: Page, name: string) =>
  page.getByRole('group', { name: 'Part of the palette' }).getByRole('button', { name }).click();

/** Adds what a pasted list has. */
async function paste(page: Page, text: string): Promise<void> {
  await page.getByRole('button', { name: 'Add colours' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Paste a list' }).click();
  await dialog.getByRole('textbox', { name: 'Colours, with or without names' }).fill(text);
  await dialog.getByRole('button', { name: /^Add \d/ }).click();
  await expect(dialog).toBeHidden();
}

test('colours come from the site, a list, tokens, a colour and a picture, and go out as tokens', async ({ page }) => {
  const { palette } = await site(page);
  await page.goto(palette);
  await page.getByRole('button', { name: 'Add colours' }).click();
  const dialog = page.getByRole('dialog');
  // What has a name on the site is ticked, and what looks like it is the same.
  await expect(dialog.getByRole('checkbox', { name: 'Add Quay' })).toBeChecked();
  await expect(dialog.getByRole('checkbox', { name: 'Add #222222' })).not.toBeChecked();
  await dialog.getByRole('button', { name: 'Add 1 colour' }).click();
  await expect(card(page, 'Quay')).toBeVisible();

  await paste(page, '/* ours */\nSand: #f4ead7;\nrgb(20 50 58) Ink');
  await expect(card(page, 'Sand')).toContainText('#f4ead7');
  await expect(card(page, 'Ink')).toBeVisible();

  await page.getByRole('button', { name: 'Add colours' }).click();
  await dialog.getByRole('button', { name: 'Design tokens' }).click();
  const field = dialog.getByRole('textbox', { name: 'Design tokens, as JSON' });
  await field.fill('{ "broken": ');
  await expect(dialog).toContainText('That is not JSON');
  await field.fill(
    JSON.stringify({
      sea: { $type: 'color', $value: '#123456' },
      loop: { $type: 'color', $value: '{loop}' },
      gap: { $type: 'dimension', $value: { value: 1, unit: 'px' } },
    }),
  );
  await expect(dialog).toContainText('loop names itself');
  await expect(dialog).toContainText('1 token of other types left out');
  await dialog.getByRole('button', { name: 'Add 1 colour' }).click();
  await expect(card(page, 'sea')).toBeVisible();

  await page.getByRole('button', { name: 'Add colours' }).click();
  await dialog.getByRole('button', { name: 'Steps of a colour' }).click();
  await dialog.getByRole('textbox', { name: 'Colour to begin with' }).fill('#b5482f');
  await dialog.getByRole('spinbutton', { name: 'Steps' }).fill('4');
  await dialog.getByRole('button', { name: 'Add 4 colours' }).click();
  await expect(card(page, '#b5482f 200')).toBeVisible();

  await page.getByRole('button', { name: 'Add colours' }).click();
  await dialog.getByRole('button', { name: 'From a picture' }).click();
  await dialog
    .getByLabel('Choose a picture')
    .setInputFiles({ name: 'no.png', mimeType: 'image/png', buffer: Buffer.from('no') });
  await expect(dialog).toContainText('no picture that can be read');
  // Two colours, half and half.
  const png = await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(40, 40);
    const context = canvas.getContext('2d')!;
    context.fillStyle = '#ff0000';
    context.fillRect(0, 0, 40, 20);
    context.fillStyle = '#0000ff';
    context.fillRect(0, 20, 40, 20);
    return [...new Uint8Array(await (await canvas.convertToBlob({ type: 'image/png' })).arrayBuffer())];
  });
  await dialog
    .getByLabel('Choose a picture')
    .setInputFiles({ name: 'two.png', mimeType: 'image/png', buffer: Buffer.from(png) });
  await expect(dialog.getByRole('list', { name: 'Colours to add' }).getByRole('listitem')).not.toHaveCount(0);
  await dialog.getByRole('button', { name: /^Add \d/ }).click();

  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export tokens' }).click();
  const tokens = JSON.parse(readFileSync(await (await download).path(), 'utf8')) as Record<string, unknown>;
  expect(tokens).toMatchObject({ Sand: { $type: 'color', $value: { colorSpace: 'srgb', hex: '#f4ead7' } } });
});

test('a colour is put in another’s place across the site, hover included, and changes with the palette', async ({
  page,
}) => {
  const { siteId, palette, survey } = await site(page);
  await page.goto(palette);
  await paste(page, 'Rust: #8a1c1c');
  await view(page, 'Where used');
  await page.getByRole('textbox', { name: 'Which colour?' }).fill('#0b5563');
  // As its sheets have it: through the custom property, and without effect too.
  await expect(page.getByRole('region', { name: 'Embark at once' })).toContainText('through --quay');
  await expect(page.getByRole('region', { name: 'Reaching nothing' })).toContainText('.never');
  await expect(page.getByText('.plain')).toBeHidden();
  await page.getByLabel('Those that look alike too').check();
  await expect(page.getByText('looks alike')).toBeVisible();
  await page.getByLabel('Those that look alike too').uncheck();

  const aside = page.getByRole('complementary', { name: 'Another colour in its place' });
  await aside.getByRole('button', { name: 'Rust' }).click();
  await expect(aside.getByRole('list', { name: 'Components that have it' })).toContainText('Embark at once');
  await aside.getByRole('button', { name: 'Replace in 1 component' }).click();
  await expect(page.getByText('#0b5563 → Rust in 1 component')).toBeVisible();

  // The survey shows it, and the CSS is proven on both pages.
  await page.goto(survey);
  const button = page.locator('iframe[title="The page"]').contentFrame().locator('.go');
  await expect(button).toHaveCSS('background-color', 'rgb(138, 28, 28)');
  await expect(button).toHaveCSS('border-top-color', 'rgb(138, 28, 28)');
  await page.getByRole('link', { name: 'Hand over' }).click();
  await expect(page.getByText(/^Proven on/)).toBeVisible();
  const css = page.locator('.cm-content');
  await expect(css).toContainText('#8a1c1c');
  await expect(css).toContainText('#8a1c1c66');

  // One change of the palette, seen before, changes all of it; names instead of colours where that is wanted.
  await page.getByRole('link', { name: 'Palette' }).click();
  await card(page, 'Rust').click();
  const hand = page.getByRole('complementary', { name: 'Colour in hand' });
  await expect(hand).toContainText(/Named by \d values in 1 component/);
  await hand.getByRole('textbox', { name: 'Colour' }).fill('#f4ead7');
  await expect(hand).toContainText(/\d+ checks? would fail/);
  await hand.getByRole('textbox', { name: 'Colour' }).fill('#402020');
  await expect(hand).toContainText('No check changes');
  await hand.getByRole('button', { name: 'Change it everywhere' }).click();
  await expect(page.getByText('Rust: #8a1c1c → #402020')).toBeVisible();
  await page.getByRole('button', { name: 'Custom properties' }).click();
  await page.getByRole('link', { name: 'Hand over' }).click();
  await expect(css).toContainText('--rust: #402020');
  await expect(css).toContainText('var(--rust, #402020)');
  await expect(page.getByText(/^Proven on/)).toBeVisible();

  // Removed, its colour stays where it was named; taken back, it is named again.
  await page.getByRole('link', { name: 'Palette' }).click();
  await card(page, 'Rust').click();
  await hand.getByRole('button', { name: 'Remove' }).click();
  await expect(page.getByText('Rust removed')).toBeVisible();
  await expect(page.getByText('No colours yet')).toBeVisible();
  const values = async () => {
    const { components } = (await (
      await page.request.get(`/api/sites/${siteId}/components`, { headers: OWN })
    ).json()) as {
      components: { trials: { look: { settings: { value: string }[] } }[] }[];
    };
    return components
      .flatMap(({ trials }) => trials.flatMap(({ look }) => look.settings.map(({ value }) => value)))
      .join(' ');
  };
  expect(await values()).not.toContain('swatch(');
  expect(await values()).toContain('#402020');
  await page.locator('[data-part=root]', { hasText: 'Rust removed' }).getByRole('button', { name: 'Undo' }).click();
  await expect(card(page, 'Rust')).toBeVisible();
  await expect.poll(values).toContain('swatch(rust)');
});

test('colours that look alike are gathered into one', async ({ page }) => {
  const { palette, survey } = await site(page);
  await page.goto(palette);
  await view(page, 'Where used');
  await expect(page.getByRole('region', { name: 'Nearly the same' })).toContainText('#0b5564');
  await page.getByRole('button', { name: 'Gather into #0b5563' }).click();
  const aside = page.getByRole('complementary', { name: 'Another colour in its place' });
  await aside.getByRole('button', { name: /^Replace in \d/ }).click();
  await expect(page.getByText(/Gathered into #0b5563 in \d/)).toBeVisible();
  await page.goto(survey);
  const frame = page.locator('iframe[title="The page"]').contentFrame();
  await expect(frame.locator('.plain')).toHaveCSS('color', 'rgb(11, 85, 99)');
  // What was that colour already is as the site has it.
  await expect(frame.locator('.go')).toHaveCSS('color', 'rgb(255, 255, 255)');
});

test('pairs are read, mended and found on the site', async ({ page }) => {
  const { palette } = await site(page);
  await page.goto(palette);
  await paste(page, 'White: #ffffff\nQuay: #0b5563\nFog: #9fb4b8');
  await view(page, 'Pairs');
  // 8.42 by WCAG 2.2, worked out with another library.
  await expect(
    page.getByRole('button', { name: 'White on Quay: 8.42, body text, also at level AAA, on the site' }),
  ).toBeVisible();
  await page.getByRole('button', { name: /^White on Fog: / }).click();
  const hand = page.getByRole('complementary', { name: 'Pair in hand' });
  await expect(hand).toContainText('Nothing that has to be read or seen');
  await hand.getByRole('button', { name: /^Use #[0-9a-f]{6} for Fog$/ }).click();
  await expect(page.getByRole('button', { name: /^White on Fog: 4\.5\d, body text/ })).toBeVisible();
  await page.getByRole('rowheader', { name: 'Quay' }).getByRole('button').click();
  await expect(page.getByRole('button', { name: /^White on Quay/ })).toBeHidden();
});

test('a value names a colour of the palette, chosen or typed', async ({ page }) => {
  const { palette, survey } = await site(page);
  await page.goto(palette);
  await paste(page, 'Rust: #8a1c1c\nSand: #f4ead7');
  await page.goto(survey);
  await page
    .getByRole('button', { name: /^Embark at once/ })
    .first()
    .click();
  await cell(page, 'text', 'default').click();
  const editor = page.getByRole('complementary', { name: 'Editor' });
  await editor.getByRole('group', { name: 'Colours of the palette' }).getByRole('button', { name: 'Sand' }).click();
  await expect(editor.getByRole('textbox', { name: 'Colour' })).toHaveValue('Sand');
  await expect(page.locator('.cell', { hasText: 'Sand' }).first()).toBeVisible();
  await saved(page);
  await editor.getByRole('textbox', { name: 'Colour' }).fill('rust');
  await page.keyboard.press('Enter');
  await expect(editor.getByRole('textbox', { name: 'Colour' })).toHaveValue('Rust');
  await saved(page);

  // It stands in a shadow too, with an opacity of its own, and is drawn as what it is.
  await cell(page, 'box-shadow', 'default').click();
  await editor.getByRole('button', { name: 'Add a shadow' }).click();
  const colour = editor.getByRole('textbox', { name: 'Shadow 1, colour' });
  await editor.getByRole('button', { name: 'Shadow 1, colour: open the tracks' }).click();
  await editor.getByRole('group', { name: 'Colours of the palette' }).getByRole('button', { name: 'Rust' }).click();
  await expect(colour).toHaveValue('Rust');
  const button = page.locator('[data-state="default"] iframe').first().contentFrame().locator('.go').first();
  await expect(button).toHaveCSS('box-shadow', /rgb\(138, 28, 28\)/);
  await editor.getByRole('slider', { name: 'Opacity' }).last().press('ArrowLeft');
  await expect(colour).toHaveValue(/^Rust 9\d%$/);
  await expect(button).toHaveCSS('box-shadow', /rgba\(138, 28, 28, 0\.9/);
  await colour.fill('Sand');
  await page.keyboard.press('Enter');
  await expect(button).toHaveCSS('box-shadow', /rgb\(244, 234, 215\)/);
  await saved(page);
});

test('a palette that another window changed is not overwritten', async ({ page }) => {
  const { siteId, palette } = await site(page);
  await page.goto(palette);
  await paste(page, 'Rust: #8a1c1c');
  const kept = async () =>
    siteSchema.parse(await (await page.request.get(`/api/sites/${siteId}`, { headers: OWN })).json()).palette;
  const now = await kept();
  await page.request.put(`/api/sites/${siteId}/palette`, {
    data: {
      swatches: [...now.swatches, { id: 'moss', name: 'Moss', css: '#385028' }],
      handedOverAs: 'literals',
      baseRevision: now.revision,
    },
    headers: OWN,
  });
  await page.getByRole('button', { name: 'Custom properties' }).click();
  await expect(page.getByText(/changed in the meantime/)).toBeVisible();
  await expect(card(page, 'Moss')).toBeVisible();
  const asProperties = page.getByRole('button', { name: 'Custom properties' });
  await asProperties.click();
  // Another test may have left a notice of the same words behind it, which says nothing of this one.
  await expect(page.getByText('Handed over as custom properties').last()).toBeVisible();
  await expect(asProperties).toHaveAttribute('aria-pressed', 'true');
  const { swatches, handedOverAs } = await kept();
  expect([swatches.map(({ name }) => name), handedOverAs]).toEqual([['Rust', 'Moss'], 'properties']);
});
