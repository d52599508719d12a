import { keepPage, saved } from './support';
import { HOME, openKind } from './sheet-support';
import { expect, test } from './warm';

const HTML =
  '<!doctype html><title>Isles</title><main><article class="k1 z"><h3>Saltmarsh</h3><p class="q7">Twenty minutes</p><p class="q9">4.20</p><a class="q8" href="#">Book</a></article></main>';
const CSS =
  '.z { width: 300px; padding: 20px; border: 1px solid #ccc; border-radius: 8px; background: #fff; color: #333 } .q9 { color: #999 } .q8 { color: #046 }';

test('a part is added by a name and by pointing, styled in its states, and removed with all it says', async ({
  page,
}) => {
  await page.goto(await keepPage(page, HTML, CSS));
  await page
    .getByRole('button', { name: /Saltmarsh/ })
    .first()
    .click();
  await expect(page.locator('.cell').first()).toBeVisible();
  await page.getByRole('button', { name: 'Add a part' }).click();
  const form = page.getByRole('form', { name: 'A new part' });
  await form.getByLabel('Name of the part').fill('a|b');
  await expect(form.getByRole('alert')).toContainText('letters, digits, spaces and hyphens');
  await form.getByLabel('Name of the part').fill('Price');
  await form.getByLabel('Selector of the part').fill('.nowhere');
  await expect(form.getByRole('alert')).toContainText('reaches nothing');
  await form.getByRole('button', { name: 'Point at the part on the page' }).click();
  await page.getByRole('dialog').locator('iframe').contentFrame().locator('.q9').click();
  await expect(form.getByRole('status')).toContainText('Reaches 1 element.');
  await form.getByRole('button', { name: 'Add it' }).click();

  const part = page.locator('[data-part="Price"]');
  await part.getByRole('button', { name: /Price/ }).first().click();
  await expect(part).toContainText('4 states fail');
  const text = part.locator('[data-cell="text/default"]');
  await expect(text).toContainText('#999999');
  await text.click();
  await page.keyboard.press('Enter');
  await page.keyboard.type('#111111');
  await page.keyboard.press('Enter');
  await part.locator('[data-cell="text/hover"]').click();
  await page.keyboard.press('Enter');
  await page.keyboard.type('#7a1f0f');
  await page.keyboard.press('Enter');
  await saved(page);
  const hover = page.locator('[data-state="hover"] iframe').contentFrame();
  await expect(hover.locator('.q9')).toHaveCSS('color', 'rgb(122, 31, 15)');

  // It is there after a reload, and can be taken home.
  await page.reload();
  await expect(part).toBeVisible();
  await page.getByRole('link', { name: 'Take the CSS' }).click();
  await expect(page.getByText('Proven on this page.')).toBeVisible();
  await expect(page.locator('.cm-content').first()).toContainText('#7a1f0f');
  await page.goBack();

  await part.getByRole('button', { name: /Price/ }).first().click();
  const note = page.getByTestId('part-note');
  await note.getByRole('button', { name: 'Correct' }).click();
  await note.getByRole('button', { name: 'Remove this part' }).click();
  await expect(part).toHaveCount(0);
  await saved(page);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(part).toBeVisible();
  await saved(page);
});

test('a part that the page has not by itself is pointed at', async ({ page }) => {
  await openKind(page, HOME, /^Service notice/);
  const below = page.getByTestId('missing-parts');
  await expect(below).toContainText('Not on this page: pause, icon.');
  await below.getByRole('button', { name: 'Add a part' }).click();
  await below.getByRole('button', { name: 'Icon', exact: true }).click();
  await page.getByRole('dialog').locator('iframe').contentFrame().locator('.notice strong').first().click();
  const form = page.getByRole('form', { name: 'Icon' });
  await expect(form.getByRole('status')).toContainText(/Reaches \d/);
  await form.getByRole('button', { name: 'Use it' }).click();
  await expect(below.getByRole('button', { name: 'Icon', exact: true })).toHaveCount(0);
  await expect(page.locator('[data-part="icon"]')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('[data-part="icon"]')).toHaveCount(0);
  await saved(page);
});

const LINKS = ['Home', 'Fares', 'Freight', 'Contact'];
const MENU = `<!doctype html><title>Isles</title><nav class="bar"><ul>${LINKS.map((name) => `<li><a href="/${name}">${name}</a></li>`).join('')}</ul></nav><h1>Isles</h1>`;
const MENU_CSS =
  '.bar { background: #123; padding: 8px } .bar ul { display: flex; gap: 20px; list-style: none } .bar a { color: #fff } .bar a:hover { color: #ddd }';

test('a part is called otherwise, and split into two that each have rows of their own', async ({ page }) => {
  await page.goto(await keepPage(page, MENU, MENU_CSS));
  await page.getByRole('button', { name: /menu/i }).first().click();
  const links = page.locator('[data-part="link"]');
  await links.getByRole('button', { name: /^Link/ }).first().click();
  const text = links.locator('[data-cell="text/default"]');
  await text.click();
  await page.keyboard.press('Enter');
  await page.keyboard.type('#eeeeee');
  await page.keyboard.press('Enter');

  const note = page.getByTestId('part-note');
  await note.getByRole('button', { name: 'Rename' }).click();
  const name = note.getByRole('textbox');
  await name.fill('a|b');
  await expect(note.getByRole('alert')).toContainText('letters, digits, spaces and hyphens');
  await name.fill('Ways to go');
  await note.getByRole('button', { name: 'Use it' }).click();
  await expect(links.getByRole('button', { name: /^Ways to go/ })).toBeVisible();

  await page.getByRole('button', { name: 'Exception', exact: true }).click();
  const choices = page.getByRole('dialog', { name: /which differ/ });
  await choices.getByRole('checkbox', { name: /Freight/ }).check();
  await choices.getByRole('checkbox', { name: /Contact/ }).check();
  await choices.getByLabel('Name of what differs').fill('Ways to go');
  await expect(choices.getByRole('alert')).toContainText('There is a part of that name');
  await choices.getByLabel('Name of what differs').fill('For business');
  await choices.getByRole('button', { name: 'Make a part' }).click();

  // It is there with what was set, under states of its own.
  const split = page.locator('[data-part="For business"]');
  await split.getByRole('button', { name: /^For business/ }).click();
  await expect(split.locator('[data-cell="text/default"]')).toContainText('#eeeeee');
  await split.locator('[data-cell="text/hover"]').click();
  await page.keyboard.press('Enter');
  await page.keyboard.type('#ffcc00');
  await page.keyboard.press('Enter');
  await saved(page);
  const hover = page.locator('[data-state="hover"] iframe').contentFrame();
  await expect(hover.getByRole('link', { name: 'Freight' })).toHaveCSS('color', 'rgb(255, 204, 0)');
  await page.reload();
  await expect(links.getByRole('button', { name: /^Ways to go/ })).toBeVisible();
  await page.getByRole('link', { name: 'Take the CSS' }).click();
  await expect(page.getByText('Proven on this page.')).toBeVisible();
  await expect(page.locator('.cm-content').first()).toContainText('#ffcc00');
});
