import type { Page } from '@playwright/test';
import { cell, keepPage, OWN, saved, setColour } from './support';
import { expect, test } from './warm';

const CSS = `body { margin: 0; background: #fff } .one, .two, .three { display: inline-block; padding: 9px 16px }
  .one { color: #fff; background: #046 } .two { color: #222; background: #ddd } .three { color: #000; background: #eee }
  .three:hover { background: #fc0 }`;
const HTML = `<!doctype html><title>Weir</title><main><h1>Weir</h1><p>One <a class="one" href="#1">Hoist sail</a></p>
  <p>Two <a class="two" href="#2">Drop anchor</a></p><p>Three <a class="three" href="#3">Ship oars</a></p></main>`;

const menu = (page: Page) => page.getByRole('button', { name: /^Finish/ });
const live = (page: Page, selector: string) =>
  page.locator('iframe[title="The page"]').contentFrame().locator(selector);

/** A finish that the first button follows, kept from its look. */
async function keepFinish(page: Page): Promise<string> {
  const survey = await keepPage(page, HTML, CSS, 'Weir');
  await page.goto(survey);
  await page.getByRole('button', { name: /^Hoist sail/ }).click();
  await expect(cell(page, 'text', 'default')).toBeVisible();
  await setColour(page, 'background', 'default', '#0b5563');
  await setColour(page, 'background', 'hover', '#8a1c1c');
  await saved(page);
  await menu(page).click();
  await page.getByRole('textbox', { name: 'Name of the new finish' }).fill('Plain');
  await page.getByRole('button', { name: 'Keep this look as a finish' }).click();
  await expect(page.getByRole('button', { name: 'Finish: Plain' })).toBeVisible();
  await saved(page);
  return survey;
}

test('a look is kept as a finish, put on all buttons, and changed in one place', async ({ page }) => {
  const survey = await keepFinish(page);
  // It shows the same, which now comes from the finish.
  await expect(cell(page, 'background', 'default')).toContainText('#0b5563');
  await expect(cell(page, 'background', 'default')).toHaveAttribute('title', /From its finish/);

  await page.getByRole('button', { name: 'Copy this look to others' }).click();
  const dialog = page.getByRole('dialog', { name: 'Copy this look to other buttons' });
  await expect(dialog.getByRole('checkbox', { name: /They follow the finish “Plain”/ })).toBeChecked();
  await dialog.getByRole('button', { name: /^Everywhere/ }).click();
  await dialog.getByRole('button', { name: 'Copy to 2' }).click();
  await expect(page.getByText('The look of “Hoist sail” on 2 more')).toBeVisible();

  // A value of its own stays its own, is listed, and can become the finish’s.
  await setColour(page, 'background', 'default', '#385028');
  await setColour(page, 'text', 'default', '#f4ead7');
  await saved(page);
  await menu(page).click();
  await expect(page.getByText('2 values of its own')).toBeVisible();
  await expect(page.getByRole('list', { name: 'Finishes' })).toContainText('3 components');
  await page.getByRole('button', { name: 'Put them into the finish…' }).click();
  // The others had dark letters on that ground.
  await expect(page.getByText(/that fail now would pass/)).toBeVisible();
  await page.getByRole('button', { name: 'Change it for 3 components' }).click();
  // The menu closes by itself when it is done.
  await expect(page.getByRole('button', { name: 'Change it for 3 components' })).toHaveCount(0);
  await saved(page);
  await menu(page).click();
  await expect(page.getByText('Nothing of its own')).toBeVisible();
  await page.keyboard.press('Escape');

  await page.goto(survey);
  for (const selector of ['.one', '.two', '.three'])
    await expect(live(page, selector)).toHaveCSS('background-color', 'rgb(56, 80, 40)');
  await live(page, '.three').hover();
  await expect(live(page, '.three')).toHaveCSS('background-color', 'rgb(138, 28, 28)');
  await page.getByRole('link', { name: 'Hand over' }).click();
  await expect(page.getByText(/^Proven on/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'Components that go along' }).getByRole('listitem')).toHaveCount(3);
});

test('a finish is worn, left and removed, and nothing that it said is lost', async ({ page }) => {
  const survey = await keepFinish(page);
  const siteId = /sites\/([^/]+)/.exec(survey)![1]!;
  await page.goto(survey);
  await page.getByRole('button', { name: /^Drop anchor/ }).click();
  await menu(page).click();
  await page.getByRole('button', { name: 'Wear Plain' }).click();
  await expect(cell(page, 'background', 'hover')).toContainText('#8a1c1c');
  await saved(page);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(cell(page, 'background', 'hover')).not.toContainText('#8a1c1c');
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(cell(page, 'background', 'hover')).toContainText('#8a1c1c');
  await saved(page);

  await menu(page).click();
  await page.getByRole('button', { name: 'Remove Plain' }).click();
  await expect(page.getByText('The finish “Plain” removed')).toBeVisible();
  // What it said is its own now, here and where it was followed besides.
  await expect(cell(page, 'background', 'hover')).toHaveAttribute('title', /Set by you/);
  await saved(page);
  const looks = async () => {
    const { looks: worn, finishes } = (await (
      await page.request.get(`/api/sites/${siteId}/looks`, { headers: OWN })
    ).json()) as { looks: { name: string; look: { finish?: string; settings: unknown[] } }[]; finishes: unknown[] };
    return [
      finishes.length,
      ...worn.map(({ name, look }) => `${name} ${look.finish ?? 'none'} ${look.settings.length}`),
    ];
  };
  await expect.poll(looks).toEqual([0, 'Hoist sail none 2', 'Drop anchor none 2']);
});

test('a look begins with a finish that comes along, goes to a file, and is worn on another site', async ({ page }) => {
  await page.goto(await keepPage(page, HTML, CSS, 'Weir'));
  await page.getByRole('button', { name: /^Hoist sail/ }).click();
  await expect(cell(page, 'text', 'default')).toBeVisible();
  await menu(page).click();
  await page.getByRole('group', { name: 'Finishes to start from' }).getByRole('button', { name: 'Heather' }).click();
  await expect(page.getByRole('button', { name: 'Finish: Heather' })).toBeVisible();
  await saved(page);
  const ground = cell(page, 'background', 'default');
  await expect(ground).toHaveAttribute('title', /From its finish/);
  const shown = await ground.innerText();
  await menu(page).click();
  const downloaded = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save Heather to a file' }).click();
  const path = await (await downloaded).path();
  expect((await downloaded).suggestedFilename()).toBe('heather.finish.json');

  await page.goto(await keepPage(page, HTML, CSS, 'Lock'));
  await page.getByRole('button', { name: /^Drop anchor/ }).click();
  await expect(cell(page, 'text', 'default')).toBeVisible();
  await menu(page).click();
  const file = page.getByLabel('File with a finish');
  await file.setInputFiles({ name: 'a.json', mimeType: 'application/json', buffer: Buffer.from('{"format": 1}') });
  await expect(page.getByText('This file is no finish.')).toBeVisible();
  await file.setInputFiles(path);
  await expect(page.getByRole('button', { name: 'Finish: Heather' })).toBeVisible();
  await expect(cell(page, 'background', 'default')).toHaveText(shown);
  await saved(page);
});

test('a finish is brought from another of the owner’s sites, with its colours', async ({ page }) => {
  const first = await keepFinish(page);
  const siteId = /sites\/([^/]+)/.exec(first)![1]!;
  const { name } = (await (await page.request.get(`/api/sites/${siteId}`, { headers: OWN })).json()) as {
    name: string;
  };
  await page.goto(await keepPage(page, HTML, CSS, 'Lock'));
  await page.getByRole('button', { name: /^Drop anchor/ }).click();
  await expect(cell(page, 'text', 'default')).toBeVisible();
  await menu(page).click();
  await page.getByRole('button', { name: 'From another site…' }).click();
  await page.getByLabel('Another of your sites').selectOption({ label: name });
  await page.getByRole('group', { name: 'Its finishes' }).getByRole('button', { name: 'Plain' }).click();
  await expect(page.getByRole('button', { name: 'Finish: Plain' })).toBeVisible();
  await expect(cell(page, 'background', 'default')).toContainText('#0b5563');
  await saved(page);
});
