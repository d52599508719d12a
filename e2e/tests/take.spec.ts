import type { Page } from '@playwright/test';
import { expect, test } from './warm';
import { cell, keepPage, saved, setColour } from './support';

// A page whose names say nothing: whatever is pointed at can be taken, and all that is shown is measured.

const HTML = `<!doctype html><html lang="en"><title>Pier</title><body>
<div class="q1"><p class="q2">Boats leave <em>on time</em></p><div class="q3" aria-roledescription="carousel"><h3>Outer isles</h3><p class="q4">Fifty minutes</p></div></div>
<ul class="q5"><li class="q6"><a href="#1" class="q7 item-current" aria-current="page">One</a></li><li><a href="#2" class="q7">Two</a></li><li class="q8"><a href="#3" class="q7">New</a></li></ul>
<div class="q9"><p class="q10">Mind the gap</p></div></body></html>`;
const CSS = `body { background: #fff; color: #222 } .q2 { color: #bbb } .q3 { border: 1px solid #ccc } .q4 { color: #595959 }
.q7 { color: #0b5563 } ul .q8 a { color: #7a1f1f } .q9 { display: none } .q9.zz { display: block } .q10 { color: #ccc }`;

const menu = (page: Page) => page.getByTestId('take-menu');

test('anything is taken by pointing at it, and opens with its parts measured', async ({ page }) => {
  await page.goto(await keepPage(page, HTML, CSS));
  const frame = page.locator('iframe[title="The page"]').contentFrame();
  // Nothing was recognised there, so what to take is asked.
  await frame.locator('.q4').click();
  await expect(menu(page)).toBeVisible();
  await expect(menu(page).getByRole('region', { name: 'What you pointed at' })).toContainText('.q4');
  const holder = menu(page).getByRole('region', { name: 'What holds it' }).getByRole('button').first();
  await expect(holder).toContainText('heading, level 3, text');
  await holder.focus();
  await expect(page.locator('[data-outline=".q3"]')).toBeVisible();
  await holder.press('Enter');
  // The part that was pointed at is in hand.
  await expect(page.getByRole('heading', { name: /^Text, default/ })).toBeVisible();
  await expect(page.locator('[data-part="further-text"] [data-check="default"]').first()).toContainText(/7\.0/);
  const own = page.locator('[data-part="further-text"] [data-cell="text/default"]');
  await own.click();
  await page.keyboard.press('Enter');
  await page.keyboard.type('#334455');
  await page.keyboard.press('Enter');
  await expect(own).toContainText('#334455');
  await saved(page);
});

test('anything is taken from the tree of the page, by keyboard alone', async ({ page }) => {
  await page.goto(await keepPage(page, HTML, CSS));
  await page.getByRole('button', { name: 'All elements' }).press('Enter');
  const tree = page.getByRole('tree', { name: 'Elements of the page' });
  await tree.getByRole('treeitem').first().focus();
  await page.keyboard.press('ArrowRight');
  await expect(tree.getByRole('treeitem', { name: /^p\.q2/ })).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await expect(tree.getByRole('treeitem', { name: /^p\.q2/ })).toBeFocused();
  await expect(page.locator('[data-aim]')).toBeVisible();
  await page.keyboard.press('Enter');
  const own = menu(page).getByRole('button', { name: /\.q2/ }).first();
  await expect(own).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Boats leave on time', level: 1 })).toBeVisible();
});

test('the survey measures what belongs to no component, and ticks nothing that it did not see', async ({ page }) => {
  await page.goto(await keepPage(page, HTML, CSS));
  const rest = page.getByRole('region', { name: 'Rest of the page' });
  // #bbb on white is short; what a class shows is opened and short as well.
  await expect(rest.getByRole('button').first()).toContainText(/[1-9]\d* states? fail/);
  await expect(page.locator('[data-survey-answer]')).toContainText('fail on contrast');
  await rest.getByRole('button').first().click();
  await page.getByRole('button', { name: 'Checks', exact: true }).click();
  await expect(page.locator('.line', { hasText: 'Mind the gap' }).first()).toContainText('1.60');
});

test('elements that differ are told apart in a cell, and one press sets some of them apart', async ({ page }) => {
  await page.goto(await keepPage(page, HTML, CSS));
  await page.getByRole('complementary').getByRole('button', { name: /menu/i }).first().click();
  await page.getByRole('button', { name: /^Link/ }).first().click();
  const text = cell(page, 'text', 'default');
  await expect(text).toContainText('2 values');
  await expect(text).toHaveAttribute('title', /#0b5563 ×2, #7a1f1f ×1/);
  await text.click();
  const differs = page.getByTestId('differs');
  await expect(differs.getByRole('listitem')).toHaveCount(2);
  await differs.getByRole('listitem').filter({ hasText: '#7a1f1f' }).getByRole('button', { name: 'Set alone' }).click();
  await setColour(page, 'text', 'default', '#445566');
  await saved(page);
  const id = page.url().split('/').at(-1)!.split('?')[0]!;
  const stored = await (await page.request.get(`/api/components/${id}`)).json();
  const look = stored.trials[0].look as { exceptions: { name: string }[]; settings: { exception?: string }[] };
  expect(look.exceptions.map(({ name }) => name)).toEqual(['New']);
  expect(look.settings.every(({ exception }) => exception !== undefined)).toBe(true);
});
