import AxeBuilder from '@axe-core/playwright';
import { expect, test } from './warm';
import { KINDS, starterOf } from '@retoque/core';
import { cell, keepPage, saved } from './support';

const HTML =
  '<!doctype html><title>Quay</title><header><nav aria-label="Main menu"><ul><li><a href="/a">Boats</a></li><li><a href="/b">Islands</a></li></ul></nav></header><main><h1>Quay</h1><p id="lead">Some words.</p><p class="btn">Board now</p></main>';
const CSS =
  'nav ul { display: flex; gap: 8px; background: #0b5563 } nav a { color: #fff; padding: 8px } .btn { display: inline-block; padding: 12px 20px; background: #0b5563; color: #fff } .btn:hover { background: #14323a }';

test('a component is made anew, placed by pointer, styled, handed over with its HTML, and taken off again', async ({
  page,
}) => {
  await page.goto(await keepPage(page, HTML, CSS));
  await page.getByRole('button', { name: 'Add a component' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add a component' });
  const add = dialog.getByRole('button', { name: /^Add the/ });
  await expect(add).toBeDisabled();
  await dialog.getByRole('radio', { name: 'Cookie notice' }).check();
  const target = dialog.locator('iframe[title="The page to put it on"]').contentFrame();
  // The whole page cannot be replaced, and that is said.
  await expect(target.locator('#lead')).toBeVisible();
  await dialog.getByRole('application').press('ArrowRight');
  await dialog.getByRole('application').press('ArrowLeft');
  await dialog.getByRole('button', { name: 'In its place' }).click();
  await expect(add).toBeEnabled();
  await add.click();
  await expect(dialog.getByRole('alert')).toContainText('the page itself cannot be replaced');
  await target.locator('#lead').click();
  await expect(dialog.getByText('“Some words.”')).toBeVisible();
  await dialog.getByRole('button', { name: 'After it' }).click();
  await add.click();

  await expect(page.getByTestId('made-here')).toContainText('Made here, and not on your site yet');
  await expect(page.locator('[data-part=accept]')).toBeVisible();
  const frame = page.locator('[data-state="default"] iframe').first().contentFrame();
  await expect(frame.locator('#lead + .rq-cookies')).toHaveCount(1);
  await page.locator('[data-part=accept] .fold').click();
  const text = page.locator('[data-part=accept] [data-cell="text/hover"]');
  await text.click();
  await page.keyboard.press('Enter');
  await page.keyboard.insertText('#7a1f0f');
  await page.keyboard.press('Enter');
  await expect(text).toHaveAttribute('data-own', '');
  await saved(page);
  expect((await new AxeBuilder({ page }).exclude('iframe').analyze()).violations).toEqual([]);

  await page.getByRole('link', { name: 'Take the CSS' }).click();
  await expect(page.getByText('Proven on this page.')).toBeVisible();
  const html = page.getByRole('region', { name: 'HTML' });
  await expect(html).toContainText('Put it behind #lead');
  await expect(html.locator('pre')).toContainText('<section class="rq-cookies"');
  // What it starts from, and what was set.
  await expect(page.locator('.cm-content')).toContainText('.rq-cookies { position: fixed;');
  await expect(page.locator('.cm-content')).toContainText('#7a1f0f');

  await page.goBack();
  await page.getByRole('button', { name: 'Take it off the page' }).click();
  await expect(page.getByRole('heading', { name: 'Kept', level: 1 })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Cookie/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /^Cookie/ })).toBeVisible();
});

test('whatever is made anew passes the audit as it starts', async ({ page }) => {
  for (const { name, label } of KINDS) {
    const starter = starterOf(name)!;
    const opened = starter.html.replace('<dialog ', '<dialog open ');
    // A sign-in page is a main of its own.
    const body = /<main\b/.test(opened) ? opened : `<main><h1>Quay</h1><h2>Boats</h2>${opened}</main>`;
    await page.setContent(
      `<!doctype html><html lang="en"><title>Quay</title><style>${starter.css}</style>${body}</html>`,
    );
    const { violations } = await new AxeBuilder({ page })
      .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
      .analyze();
    const found = violations.map(({ id, nodes }) => `${label}: ${id}: ${nodes[0]?.html}`);
    expect(found, name).toEqual([]);
  }
});

test('a place is found by keyboard', async ({ page }) => {
  await page.goto(await keepPage(page, HTML, CSS));
  await page.getByRole('button', { name: 'Add a component' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add a component' });
  await dialog.getByRole('radio', { name: 'Link', exact: true }).press('Space');
  const pad = dialog.getByRole('application');
  await expect(dialog.locator('iframe[title="The page to put it on"]').contentFrame().locator('#lead')).toBeVisible();
  await pad.press('ArrowRight');
  await pad.press('ArrowDown');
  await pad.press('ArrowRight');
  await expect(dialog.getByText('Chosen: “Quay”')).toBeVisible();
  expect((await new AxeBuilder({ page }).include('.anew').exclude('iframe').analyze()).violations).toEqual([]);
  await dialog.getByRole('button', { name: 'Add the link' }).press('Enter');
  await expect(
    page.locator('[data-state="default"] iframe').first().contentFrame().locator('h1 + .rq-link'),
  ).toHaveText('Read more');
});

test('wording, order and links are tried, and come out as HTML and as a list', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.goto(await keepPage(page, HTML, CSS));
  await page.getByRole('button', { name: /^Main menu/ }).click();
  await expect(page.locator('.cell').first()).toBeVisible();
  await page.getByRole('button', { name: 'Try it live' }).click();
  const dialog = page.getByRole('dialog', { name: /^Preview/ });
  await dialog.getByRole('button', { name: 'Wording' }).click();
  const shown = dialog.locator('iframe').contentFrame().locator('nav li');
  await dialog.getByRole('textbox', { name: 'Link: Boats' }).fill('Boats to every island');
  await expect(shown.first()).toHaveText('Boats to every island');
  await dialog.getByRole('textbox', { name: /^Link to: \/b/ }).fill('/isles');
  // Enter begins a second line where the caret is.
  const islands = dialog.getByRole('textbox', { name: 'Link: Islands' });
  await islands.fill('Islandsfrom May');
  await islands.press('Home');
  for (let i = 0; i < 'Islands'.length; i++) await islands.press('ArrowRight');
  await islands.press('Enter');
  await expect(shown.nth(1).locator('br')).toHaveCount(1);
  await expect(dialog.getByRole('textbox', { name: 'Link: from May' })).toBeVisible();
  await dialog.getByRole('button', { name: 'Copy “Islands”' }).click();
  await expect(shown).toHaveCount(3);
  await dialog.getByRole('button', { name: 'Move “Boats to every island” down' }).click();
  await expect(shown.nth(1)).toHaveText('Boats to every island');
  await dialog.getByRole('textbox', { name: 'Link: Boats to every island' }).press('End');
  await dialog.getByRole('button', { name: 'Emoji' }).click();
  await dialog.locator('emoji-picker').getByRole('menuitem').first().click();
  await expect(shown.nth(1)).toHaveText(/Boats to every island\p{Extended_Pictographic}/u);

  await dialog.getByRole('button', { name: 'Copy the list' }).click();
  const list = await page.evaluate(() => navigator.clipboard.readText());
  expect(list).toMatch(/- “Boats” becomes “Boats to every island/);
  expect(list).toContain('leads to “/isles”.');
  expect(list).toMatch(/- A copy of “Islands ?from May” stands after it\./);
  await dialog.getByRole('button', { name: 'Copy the HTML' }).click();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain(
    '<a href="/isles">Islands<br>from May</a>',
  );
  expect((await new AxeBuilder({ page }).include('.wording').analyze()).violations).toEqual([]);

  await dialog.getByRole('button', { name: 'Keep it on the page' }).click();
  await expect(page.getByTestId('made-here')).toContainText('Worded otherwise');
  await expect(page.locator('[data-state="default"] iframe').first().contentFrame().locator('nav li')).toHaveCount(3);
  await page.getByRole('button', { name: 'Back to the site’s wording' }).click();
  await expect(page.getByTestId('made-here')).toHaveCount(0);
  await expect(page.locator('[data-state="default"] iframe').first().contentFrame().locator('nav li')).toHaveCount(2);
});

test('text made to look like a button becomes a control', async ({ page }) => {
  await page.goto(await keepPage(page, HTML, CSS));
  await page.getByRole('button', { name: /^Board now/ }).click();
  await expect(page.getByTestId('imposter')).toContainText('no keyboard reaches it');
  await page.getByRole('button', { name: 'Make it a link' }).click();
  await expect(page.getByTestId('imposter')).toHaveCount(0);
  const frame = page.locator('[data-state="default"] iframe').first().contentFrame();
  await expect(frame.locator('a.btn')).toHaveText('Board now');
  await expect(cell(page, 'text', 'default')).toBeVisible();
});

test('on a page that is touched nothing hovers but what was touched last', async ({ page }) => {
  await page.goto(
    await keepPage(
      page,
      HTML.replace('<p class="btn">', '<a href="#" class="btn">').replace('now</p>', 'now</a>'),
      `${CSS} @media (hover: none) { .btn { border-radius: 7px } }`,
    ),
  );
  await page.getByRole('button', { name: /^Board now/ }).click();
  await page.getByRole('button', { name: 'Try it live' }).click();
  const dialog = page.getByRole('dialog', { name: /^Preview/ });
  const button = dialog.locator('iframe').contentFrame().locator('.btn');
  await button.hover();
  await expect(button).toHaveCSS('background-color', 'rgb(20, 50, 58)');
  await expect(button).not.toHaveCSS('border-radius', '7px');
  await dialog.getByLabel('Touch').check();
  // What the site has for those who cannot hover holds now.
  await expect(button).toHaveCSS('border-radius', '7px');
  await button.hover();
  await expect(button).toHaveCSS('background-color', 'rgb(11, 85, 99)');
  await button.click();
  await expect(button).toHaveCSS('background-color', 'rgb(20, 50, 58)');
  await dialog.locator('iframe').contentFrame().locator('#lead').click();
  await expect(button).toHaveCSS('background-color', 'rgb(11, 85, 99)');
});
