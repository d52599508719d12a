import { expect, test } from './warm';
import { cell, keepPage, setColour } from './support';

// "Why does my change not show?", asked of the cases that are planted on the demo site.

test('the menu’s hover: what wins, what loses to it, and what reaches nothing', async ({ page }) => {
  await page.goto('/');
  await page
    .getByRole('link', { name: /Quillhaven Ferries: five islands/ })
    .first()
    .click();
  await page.getByRole('button', { name: /^Main menu/ }).click();
  await cell(page, 'text', 'hover').click();

  await expect(page.getByTestId('idle-rule')).toContainText('.menu a:hover');
  await expect(page.getByTestId('idle-rule')).toContainText('.menu-main a:hover would reach it');

  await page.getByRole('button', { name: /Why this value/ }).click();
  const rules = page.getByRole('list', { name: /Rules for this value/ }).getByRole('listitem');
  await expect(rules.first()).toContainText('.qh-head nav li li a:hover');
  await expect(rules.first()).toContainText('Wins.');
  await expect(rules.filter({ hasText: 'site.css:8' })).toContainText('weighs less: (0,1,4) against (0,2,4)');
  await expect(page.getByTestId('to-win')).toContainText('(0,2,4)');

  const ask = async (rule: string) => {
    await page.getByLabel('Why does my rule not show?').fill(rule);
    await page.keyboard.press('Enter');
  };
  const answer = page.getByRole('complementary', { name: 'Editor' }).getByRole('status');
  await ask('nav li li a:hover { color: #fff }');
  await expect(answer).toContainText('It weighs (0,1,4).');
  await ask('.btn');
  await expect(answer).toContainText('but not this one');
  await ask('.menu-mian a');
  await expect(answer).toContainText('there is “menu-main”');
  await ask('a:hoover');
  await expect(answer).toContainText('Browsers drop this rule');
  await ask('.qh-head nav li li a:hover');
  await expect(answer).toContainText('It wins when it comes after');

  // The reasons follow the cell.
  await cell(page, 'background', 'hover').click();
  await expect(rules.first()).toContainText('var(--channel)');
});

test('the breadcrumb’s rule was written for another class', async ({ page }) => {
  await page.goto('/');
  await page
    .getByRole('link', { name: /Book a crossing/ })
    .first()
    .click();
  await page.getByRole('button', { name: /^Breadcrumb/ }).click();
  await cell(page, 'text', 'default').click();
  await expect(page.getByTestId('idle-rule')).toContainText('.breadcrumbs a');
  await expect(page.getByTestId('idle-rule')).toContainText('.crumbs a would reach it');
});

test('the other state of a rule that serves two is offered, and visited links have a column', async ({ page }) => {
  const html =
    '<header class="h"><nav class="m" aria-label="Main menu"><a href="#1">Boats</a> <a href="#2">Fares</a></nav></header>';
  const css =
    '.h { background: #0b2f3a; padding: 20px } .m a { color: #fff; padding: 8px } .m a:visited { color: #557 } .m a:hover, .m a:focus { color: #ffd166 }';
  await page.goto(await keepPage(page, html, css));
  await page
    .getByRole('button', { name: /^Main menu/ })
    .first()
    .click();
  // What was visited is told from its ground as little as the site says.
  await expect(page.getByRole('columnheader', { name: 'Visited' })).toBeVisible();
  await expect(page.locator('.frame').filter({ hasText: 'Visited' })).toContainText('1.99');
  await setColour(page, 'text', 'hover', '#aaffaa');
  const offer = page.getByTestId('shared-rule');
  await expect(offer).toContainText('One rule of your site is for this state and for Focus');
  await offer.getByRole('button', { name: 'Set Focus too' }).click();
  await expect(cell(page, 'text', 'focus')).toContainText('#aaffaa');
  await expect(offer).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(cell(page, 'text', 'focus')).toContainText('#ffd166');
});
