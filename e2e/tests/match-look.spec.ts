import { keepPage, OWN, saved } from './support';
import { expect, test } from './warm';

const CSS = `body { margin: 0; background: #fff; font: 16px/1.5 sans-serif } .go { display: inline-block; padding: 9px 16px; background: #0b5563; color: #fff; font-weight: 600 }
  .go:hover { background: #063a44 } nav a { color: #333; padding: 4px } nav a:hover { color: #000 }`;
const HTML = (body: string) => `<!doctype html><title>Mole</title><body>${body}</body>`;
const MENU = HTML(
  '<nav aria-label="Main menu"><ul><li><a href="#1">Fares</a></li><li><a href="#2">Quays</a></li></ul></nav><main><h1>Mole</h1></main>',
);
const BUTTON = HTML('<main><h1>Pier</h1><p>Words <a class="go" href="#b">Take a berth</a></p></main>');

test('the links of a menu get the look of a button that is pointed at on another page, hover included', async ({
  page,
}) => {
  const survey = await keepPage(page, MENU, CSS, 'Mole');
  const siteId = /sites\/([^/]+)/.exec(survey)![1]!;
  const data = { site: { id: siteId }, name: 'Pier', html: BUTTON, css: CSS };
  expect((await page.request.post('/api/pages/from-paste', { data, headers: OWN })).ok()).toBe(true);
  await page.goto(survey);
  await page.getByRole('button', { name: /^Main menu/ }).click();
  await expect(page.locator('.cell').first()).toBeVisible();
  await page.getByRole('button', { name: 'Finish' }).click();
  await page.getByRole('button', { name: 'Match something on the site…' }).click();
  const choosing = page.getByRole('dialog', { name: 'Match another look' });
  await expect(choosing.getByRole('list', { name: 'Components of the site' })).toContainText('Take a berth');
  await choosing.getByRole('combobox', { name: 'Page' }).selectOption({ label: 'Pier' });
  await choosing.locator('iframe').contentFrame().locator('.go').click();
  const dialog = page.getByRole('dialog', { name: '“Main menu” as “Take a berth”' });
  await expect(dialog.getByRole('combobox', { name: 'Link' })).toHaveValue('button');
  await expect(dialog.getByRole('combobox', { name: 'Bar' })).toHaveValue('');
  await expect(dialog).toContainText(/\d+ values would be set/);
  // It is seen before it is kept, and is nothing but what was chosen.
  await dialog.getByRole('combobox', { name: 'Link' }).selectOption('');
  await expect(dialog).toContainText('It looks like that already');
  await dialog.getByRole('combobox', { name: 'Link' }).selectOption('button');
  await expect(dialog).toContainText(/\d+ values would be set/);
  await dialog.getByRole('button', { name: 'Use this look' }).click();
  await expect(page.locator('button[aria-label="Undo"]')).toBeEnabled();
  await saved(page);

  await page.goto(survey);
  const link = page.locator('iframe[title="The page"]').contentFrame().locator('nav a').first();
  await expect(link).toHaveCSS('background-color', 'rgb(11, 85, 99)');
  await expect(link).toHaveCSS('color', 'rgb(255, 255, 255)');
  await link.hover();
  await expect(link).toHaveCSS('background-color', 'rgb(6, 58, 68)');

  // One step, taken back in one.
  await page.getByRole('button', { name: /^Main menu/ }).click();
  await page.locator('button[aria-label="Undo"]').click();
  await saved(page);
  await page.goto(survey);
  await expect(link).toHaveCSS('background-color', 'rgba(0, 0, 0, 0)');
});
