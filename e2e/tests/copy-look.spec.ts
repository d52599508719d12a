import { cell, keepPage, OWN, saved, setColour } from './support';
import { expect, test } from './warm';

const CSS = `body { margin: 0; background: #fff } .one, .two, .three { display: inline-block; padding: 9px 16px }
  .one { color: #fff; background: #046 } .two { color: #222; background: #ddd } .three { color: #000; background: #eee }
  .three:hover { background: #fc0 }`;
const FIRST = '<p>One <a class="one" href="#1">Cast off</a></p><p>Two <a class="two" href="#2">Moor up</a></p>';
const HTML = (body: string) => `<!doctype html><title>Jetty</title><main><h1>Jetty</h1>${body}</main>`;

test('a look is copied to others of its kind, hover included, on every page', async ({ page }) => {
  const survey = await keepPage(page, HTML(FIRST), CSS, 'Jetty');
  const siteId = /sites\/([^/]+)/.exec(survey)![1]!;
  const other = HTML('<p>Three <a class="three" href="#3">Turn about</a></p>');
  const data = { site: { id: siteId }, name: 'Spit', html: other, css: CSS };
  const answer = await page.request.post('/api/pages/from-paste', { data, headers: OWN });
  const { id } = (await answer.json()) as { id: string };

  await page.goto(survey);
  await page.getByRole('button', { name: /^Cast off/ }).click();
  await expect(cell(page, 'text', 'default')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Copy this look to others' })).toBeHidden();
  await setColour(page, 'background', 'default', '#0b5563');
  await setColour(page, 'background', 'hover', '#8a1c1c');
  await setColour(page, 'text', 'default', '#999999');
  await saved(page);

  await page.getByRole('button', { name: 'Copy this look to others' }).click();
  const dialog = page.getByRole('dialog', { name: 'Copy this look to other buttons' });
  const list = dialog.getByRole('list', { name: 'Copy it to' });
  await expect(list.getByRole('listitem')).toHaveCount(2);
  await list.getByRole('checkbox', { name: /^Moor up/ }).check();
  // Grey on that blue cannot be read, and it says so before anything is set.
  await expect(dialog).toContainText(/\d+ checks? would fail/);
  await dialog.getByRole('checkbox', { name: /^Mend what would fail/ }).check();
  await expect(dialog.getByText(/\d+ checks? would fail/)).toHaveCount(0);
  await dialog.getByRole('checkbox', { name: /^Mend what would fail/ }).uncheck();
  await dialog.getByRole('button', { name: 'This row (1)' }).click();
  await expect(list.getByRole('checkbox', { name: /^Moor up/ })).toBeChecked();
  await dialog.getByRole('button', { name: 'Everywhere (2)' }).click();
  await dialog.getByRole('button', { name: 'Copy to 2' }).click();
  await expect(page.getByText('The look of “Cast off” on 2 more')).toBeVisible();

  await page.goto(`/sites/${siteId}/pages/${id}`);
  const button = page.locator('iframe[title="The page"]').contentFrame().locator('.three');
  await expect(button).toHaveCSS('background-color', 'rgb(11, 85, 99)');
  await button.hover();
  await expect(button).toHaveCSS('background-color', 'rgb(138, 28, 28)');
  await page.getByRole('link', { name: 'Hand over' }).click();
  await expect(page.getByText(/^Proven on/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'Components that go along' }).getByRole('listitem')).toHaveCount(3);
});

test('a look that is copied is taken back in one step', async ({ page }) => {
  const survey = await keepPage(page, HTML(FIRST), CSS, 'Jetty');
  await page.goto(survey);
  await page.getByRole('button', { name: /^Cast off/ }).click();
  await setColour(page, 'background', 'default', '#0b5563');
  await saved(page);
  await page.getByRole('button', { name: 'Copy this look to others' }).click();
  const dialog = page.getByRole('dialog', { name: 'Copy this look to other buttons' });
  await dialog.getByRole('checkbox', { name: /^Moor up/ }).check();
  await dialog.getByRole('button', { name: 'Copy to 1' }).click();
  const told = page.locator('[data-part=root]', { hasText: 'on 1 more' });
  await told.getByRole('button', { name: 'Undo' }).click();
  const siteId = /sites\/([^/]+)/.exec(survey)![1]!;
  const settings = async () => {
    const { components } = (await (
      await page.request.get(`/api/sites/${siteId}/components`, { headers: OWN })
    ).json()) as { components: { name: string; trials: { look: { settings: unknown[] } }[] }[] };
    return components.map(({ name, trials }) => `${name} ${trials[0]!.look.settings.length}`).sort();
  };
  await expect.poll(settings).toEqual(['Cast off 1', 'Moor up 0']);
});
