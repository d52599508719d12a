import { cell, keepPage, OWN, saved, setColour } from './support';
import { expect, test } from './warm';

/** White on the brand colour, and that on white, cannot be read; one card has other corners and no hover. */
const CSS = `body { margin: 0; background: #fff; color: #222; font: 16px/1.5 sans-serif } a:focus-visible { outline: 3px solid #222; outline-offset: 2px }
  .one, .two { display: inline-block; padding: 9px 16px; background: #7fb2bd; color: #fff } .two { background: #eee; color: #7fb2bd }
  .one:hover, .two:hover { background: #7fb2bd; color: #fff }
  .card, .flat { background: #f4f4f4; border: 1px solid #767676; border-radius: 8px; padding: 12px; margin: 8px }
  .card:hover { background: #e0e8ea } .flat { border-radius: 7px }`;
const HTML = (body: string) => `<!doctype html><title>Slip</title><main><h1>Slip</h1>${body}</main>`;
const card = (name: string, words: string) => `<div class="${name}"><h2>${words}</h2><p>Some words.</p></div>`;
const FIRST = `<p>Go <a class="one" href="#1">Slip lines</a></p><div>${card('card', 'Ebb')}${card('card', 'Flow')}${card('flat', 'Slack')}</div>`;
const SECOND = '<p>Or <a class="two" href="#2">Stay ashore</a></p>';

test('one colour is replaced, all buttons wear one finish, the drift is settled, and nothing fails any more', async ({
  page,
}) => {
  const survey = await keepPage(page, HTML(FIRST), CSS, 'Slip');
  const siteId = /sites\/([^/]+)/.exec(survey)![1]!;
  const data = { site: { id: siteId }, name: 'Shore', html: HTML(SECOND), css: CSS };
  const answer = await page.request.post('/api/pages/from-paste', { data, headers: OWN });
  const { id } = (await answer.json()) as { id: string };
  const summary = page
    .getByRole('complementary')
    .getByText(/components?/)
    .first();
  await page.goto(survey);
  await expect(summary).toContainText('fail on contrast');

  await page.getByRole('link', { name: 'Palette' }).click();
  const view = (name: string) => page.getByRole('group', { name: 'Part of the palette' }).getByText(name).click();
  await view('Where used');
  await page.getByRole('textbox', { name: 'Which colour?' }).fill('#7fb2bd');
  const aside = page.getByRole('complementary', { name: 'Another colour in its place' });
  await aside.getByRole('textbox', { name: 'With' }).fill('#0b5563');
  await expect(aside).toContainText('No check would fail');
  await aside.getByRole('button', { name: 'Replace in 2 components' }).click();
  await expect(page.getByText('#7fb2bd → #0b5563 in 2 components')).toBeVisible();

  await page.goto(survey);
  await page.getByRole('button', { name: /^Slip lines/ }).click();
  await expect(cell(page, 'background', 'default')).toContainText('#0b5563');
  await setColour(page, 'background', 'hover', '#063a44');
  await saved(page);
  await page.getByRole('button', { name: /^Finish/ }).click();
  await page.getByRole('textbox', { name: 'Name of the new finish' }).fill('Deep');
  await page.getByRole('button', { name: 'Keep this look as a finish' }).click();
  await expect(page.getByRole('button', { name: 'Finish: Deep' })).toBeVisible();
  await saved(page);
  await page.getByRole('button', { name: 'Copy this look to others' }).click();
  const dialog = page.getByRole('dialog', { name: 'Copy this look to other buttons' });
  await dialog.getByRole('button', { name: /^Everywhere/ }).click();
  await dialog.getByRole('button', { name: 'Copy to 1' }).click();
  await expect(page.getByText('The look of “Slip lines” on 1 more')).toBeVisible();

  await page.getByRole('link', { name: 'Palette' }).click();
  await view('Drift');
  const drifts = page.getByRole('list', { name: 'What drifts' });
  const cards = drifts.getByRole('listitem').filter({ hasText: 'Cards' });
  await expect(cards).toContainText('3 elements in 1 component look alike');
  await expect(cards.getByRole('row').filter({ hasText: 'border-radius' })).toContainText('7px ×1');
  await expect(cards.getByRole('row').filter({ hasText: 'Background, hover' })).toContainText('#e0e8ea');
  await page.getByRole('button', { name: /^Make \d groups? alike$/ }).click();
  await expect(page.getByText(/^Made alike in \d/)).toBeVisible();
  await expect(page.getByText('Nothing drifts: ')).toBeVisible();
  // Each width and scheme is looked at by itself.
  await page.getByRole('button', { name: 'Narrow 390' }).click();
  await expect(page.getByText('holds up to narrow width alone')).toBeVisible();
  await expect(page.getByText('Nothing drifts up to narrow width: ')).toBeVisible();

  for (const path of [survey, `/sites/${siteId}/pages/${id}`]) {
    await page.goto(path);
    await expect(summary).toContainText('all text and controls with enough contrast');
  }
  const live = page.locator('iframe[title="The page"]').contentFrame();
  await live.locator('.two').hover();
  await expect(live.locator('.two')).toHaveCSS('background-color', 'rgb(6, 58, 68)');
  await page.goto(survey);
  await live.locator('.flat').hover();
  await expect(live.locator('.flat')).toHaveCSS('background-color', 'rgb(224, 232, 234)');
  await page.getByRole('link', { name: 'Hand over' }).click();
  await expect(page.getByText(/^Proven on/)).toBeVisible();
});
