import type { Page } from '@playwright/test';
import { expect, test } from './warm';
import { cell, keepPage, OWN, saved } from './support';
import { HOME, openKind, undoAll } from './sheet-support';

const openChecks = async (page: Page) => {
  await page.getByRole('button', { name: 'Checks', exact: true }).click();
  await expect(page.locator('.ledger')).toBeVisible();
  // The page is laid out and measured in the background, once for each of its editions.
  await expect(page.getByText('Measuring the page…')).toHaveCount(0);
  await expect(page.locator('.ledger')).toHaveAttribute('aria-busy', 'false');
};
const short = (page: Page) => page.getByRole('group', { name: 'Result' }).getByRole('button', { name: /^Fails/ });
const shortCount = async (page: Page) => Number(/\d+/.exec((await short(page).textContent())!)![0]);

for (const [component, name] of [
  [/^Main menu/, 'main menu'],
  [/^Cookie notice/, 'cookie notice'],
] as const) {
  test(`the ${name} is taken from short to passing without typing anything`, async ({ page }) => {
    await openKind(page, HOME, component);
    await openChecks(page);
    const before = await shortCount(page);
    expect(before).toBeGreaterThan(3);
    await page.getByRole('button', { name: 'Make all of it pass' }).click();
    const found = page.getByRole('region', { name: 'Found' });
    await expect(found).toContainText('checks pass with');
    // It is seen before it is used, and nothing is kept until then.
    await expect(page.getByRole('button', { name: 'History' })).toBeVisible();
    await found.getByRole('button', { name: 'Use all of it' }).click();
    await expect(page.getByText('Nothing fails here.')).toBeVisible();
    await expect(page.locator('.frame[data-short]')).toHaveCount(0);
    await saved(page);
    await undoAll(page);
    await expect.poll(() => shortCount(page)).toBe(before);
  });
}

test('a suggested fix is tried on the page, says all that it changes, and is one step that can be undone', async ({
  page,
}) => {
  await openKind(page, HOME, /^Cookie notice/);
  await openChecks(page);
  const line = page.locator('.line', { hasText: 'Save choices hover' }).first();
  await line.getByRole('button').first().click();
  const ways = line.getByRole('list', { name: 'Suggested fixes' });
  await expect(ways.getByRole('listitem').first()).toBeVisible();
  const way = ways.locator('> li').first();
  await expect(way.locator('.way b')).toHaveText(/^[4-9]\.[5-9]|^[5-9]/);
  await way.getByText(/^Changes/).click();
  await expect(way.locator('details li').first()).toContainText('→');
  const frame = page.locator('.frame[data-state="hover"] .figure b');
  await expect(frame).toHaveText(/2\.54/);
  await way.getByRole('button', { name: 'Try' }).click();
  await expect(frame).toHaveText(/^[4-9]/);
  await expect(page.locator('[data-save]')).toHaveAttribute('data-save', 'saved');
  await way.getByRole('button', { name: 'Stop trying' }).click();
  await expect(frame).toHaveText(/2\.54/);
  await way.getByRole('button', { name: 'Use this' }).click();
  await expect(frame).toHaveText(/^[4-9]/);
  await saved(page);
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(frame).toHaveText(/2\.54/);
  await undoAll(page);
});

test('suggested fixes stand beside the value in hand as well', async ({ page }) => {
  await openKind(page, HOME, /^Main menu/);
  await page
    .getByRole('button', { name: /Sub-menu link/ })
    .first()
    .waitFor();
  await cell(page, 'text', 'hover').first().click();
  const editor = page.getByRole('complementary', { name: 'Editor' });
  await editor.getByRole('button', { name: 'Suggested fixes' }).first().click();
  await editor.getByRole('button', { name: 'Use this' }).first().click();
  await expect(editor.locator('.measure').first()).toHaveAttribute('data-verdict', 'passes');
  await undoAll(page);
});

test('checks are chosen by verdict, state, width, criterion and by who asks', async ({ page }) => {
  await openKind(page, HOME, /^Main menu/);
  await openChecks(page);
  const lines = page.locator('.line');
  await page.getByRole('group', { name: 'Result' }).getByRole('button', { name: 'All', exact: true }).click();
  const all = await lines.count();
  await page.getByRole('combobox', { name: 'State' }).selectOption('hover');
  await expect(lines.filter({ hasNotText: /hover/i })).toHaveCount(0);
  expect(await lines.count()).toBeLessThan(all);
  await page.getByRole('combobox', { name: 'Width' }).selectOption('narrow');
  await page.getByRole('combobox', { name: 'Criterion' }).selectOption('1.4.3');
  await expect(lines.first()).toContainText('1.4.3');
  await page.getByRole('combobox', { name: 'Criterion' }).selectOption('');
  await page.getByRole('group', { name: 'Level' }).getByRole('button', { name: 'Advice' }).click();
  await expect(lines.first()).toContainText('Advice');
  await expect(lines.filter({ hasText: /AA/ })).toHaveCount(0);
});

test('the contrast behind a text is seen place by place, and pages by other eyes', async ({ page }) => {
  await openKind(page, HOME, /^Main menu/);
  await page
    .getByRole('button', { name: /^Utility link/ })
    .first()
    .click();
  await page.getByRole('button', { name: /^View/ }).click();
  await page.getByLabel('Heat map of the contrast behind each text').check();
  const picture = page.locator('.frame[data-state="default"]');
  await expect(picture.locator('canvas').first()).toBeAttached();
  // Something of what is drawn is the red of what falls short.
  await expect
    .poll(() =>
      picture
        .locator('canvas')
        .first()
        .evaluate((canvas: HTMLCanvasElement) => {
          const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
          let red = 0;
          for (let i = 0; i < data.length; i += 4) if (data[i]! > 150 && data[i + 3]! > 80) red++;
          return red;
        }),
    )
    .toBeGreaterThan(10);
  await expect(picture.locator('.worst')).toBeAttached();
  await page.getByLabel('Seen', { exact: true }).selectOption('deutan');
  await expect(picture.locator('iframe')).toHaveCSS('filter', /seen-deutan/);
  await page.getByLabel('Seen', { exact: true }).selectOption('forced');
  await expect(picture.locator('iframe')).toHaveCSS('filter', 'none');
  const link = picture.locator('iframe').contentFrame().locator('.utility a').first();
  await expect(link).toHaveCSS('color', 'rgb(0, 0, 238)');
});

test('what was measured is kept, and the server works the same figures out from it', async ({ page }) => {
  await openKind(page, HOME, /^Main menu/);
  await openChecks(page);
  const pageId = /pages\/([0-9a-f-]+)/.exec(page.url())![1]!;
  await expect
    .poll(async () => ((await (await page.request.get(`/api/pages/${pageId}/geometry`)).json()) as unknown[]).length)
    .toBeGreaterThanOrEqual(3);
  const answer = await page.request.get(`/api/pages/${pageId}/checks?width=1280&height=800`);
  const { checks } = (await answer.json()) as {
    checks: {
      text: string;
      state: string;
      criterion: string;
      measured: number | null;
      basis: string;
      share: number | null;
    }[];
  };
  await page.getByRole('combobox', { name: 'State' }).selectOption('default');
  const line = page
    .locator('.line', { hasText: 'Utility link default' })
    .filter({ hasText: 'Utility link on background' })
    .first();
  await line.getByRole('button').first().click();
  await expect(line.locator('.facts')).toContainText('Measured where things stand');
  const shown = Number(await line.locator('.figures b').textContent());
  const worst = /“(.*)”/.exec((await line.locator('.facts').textContent())!)![1];
  const same = checks.filter(
    ({ text, state, criterion, measured }) =>
      text === worst && state === 'default' && criterion === '1.4.3' && measured,
  );
  expect(same.map(({ basis }) => basis)).toContain('geometry');
  const lowest = Math.min(...same.map(({ measured }) => measured!));
  expect(Math.floor(lowest * 100) / 100).toBeCloseTo(shown, 2);
});

test('components are counted anew once it is known where things stand', async ({ page }) => {
  const survey = await keepPage(
    page,
    '<title>Pier</title><div class="sea"></div><a class="btn" href="#">Board</a>',
    '.sea { height: 90px; background: #123 } .btn { position: absolute; top: 20px; left: 20px; padding: 8px; color: #fff }',
  );
  await page.goto(survey);
  const inList = page.getByRole('complementary').getByRole('button', { name: /^Board/ });
  // By what is around it in the document nobody can tell what it stands on; the survey finds out by itself.
  await expect(inList).toContainText('every state passes');
  const pageId = survey.split('/').at(-1)!;
  const stored = async () =>
    ((await (await page.request.get(`/api/pages/${pageId}/geometry`)).json()) as unknown[]).length;
  await expect.poll(stored).toBe(1);
  await inList.click();
  const inRail = page.getByRole('navigation', { name: 'Components' }).getByRole('button', { name: /^Board/ });
  await expect(inRail).toContainText('every state passes');
});

test('one colour is replaced in all components of the site that have it, and all of it is undone at once', async ({
  page,
}) => {
  await openKind(page, HOME, /^Main menu/);
  await openChecks(page);
  // Every page of the site has been looked at.
  const notice = page.getByRole('button', { name: /^Cookie notice/ });
  await expect(notice).toContainText(/\d/);
  const siteId = /sites\/([^/]+)/.exec(page.url())![1]!;
  /** What is kept of the other component: its values, as JSON; none while nobody has touched it. */
  const keptOf = async () => {
    const answer = await page.request.get(`/api/sites/${siteId}/components`);
    const { components } = (await answer.json()) as {
      components: { name: string; currentTrialId: string; trials: { id: string; look: { settings: object[] } }[] }[];
    };
    const own = components.find(({ name }) => name === 'Cookie notice');
    return JSON.stringify(own?.trials.find(({ id }) => id === own.currentTrialId)?.look.settings ?? []);
  };
  const before = await keptOf();
  const here = await shortCount(page);
  await page.getByRole('button', { name: /across the site/ }).click();
  const dialog = page.getByRole('dialog');
  const changing = dialog.getByRole('list', { name: 'Components that change' }).getByRole('listitem');
  await expect(changing.filter({ hasText: 'Main menu' })).toContainText('in hand');
  await expect(changing.filter({ hasText: 'Cookie notice' })).toContainText('more pass');
  await dialog.getByRole('button', { name: /^Use in \d+ components/ }).click();
  await expect(dialog).toBeHidden();
  await expect.poll(() => shortCount(page)).toBeLessThan(here);
  await expect.poll(keptOf).not.toBe(before);
  await saved(page);
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => shortCount(page)).toBe(here);
  await expect.poll(keptOf).toBe(before);
  await saved(page);
});

test('a fix that makes others fail says so, and takes them along in one step', async ({ page }) => {
  const css =
    'body { background: #fff } .box { padding: 20px; border: 1px solid #444; background: #808080 } .box :is(h3, p) { color: #fff; font-size: 16px } .fares :is(summary, div) { color: #111 }';
  const item = '<details><summary>Fares</summary><div>Four crowns</div></details>';
  const put = async (site: object, name: string, more: string) => {
    const box = `<article class="box"><h3>Isles</h3><p>Fifty minutes</p>${more}</article>`;
    const html = `<!doctype html><title>${name}</title><main><h1>Isles</h1><div class="row">${box}${box}</div></main>`;
    const answer = await page.request.post('/api/pages/from-paste', { data: { site, name, html, css }, headers: OWN });
    return (await answer.json()) as { siteId: string; id: string };
  };
  const { siteId, id } = await put({ name: `Along ${Date.now()}` }, 'Quay', '');
  await put({ id: siteId }, 'Harbour', `<div class="fares">${item}${item}</div>`);
  await page.goto(`/sites/${siteId}/pages/${id}`);
  await page.getByRole('button', { name: /card/i }).first().click();
  await openChecks(page);
  const line = page.locator('.line', { hasText: /^Heading/ }).first();
  await line.getByRole('button').first().click();
  const way = line
    .getByRole('list', { name: 'Suggested fixes' })
    .locator('> li', { hasText: /Card background #808080 → #/ })
    .first();
  await way.getByRole('button', { name: 'Use this' }).click();

  const notice = page.getByRole('alert').filter({ hasText: 'makes other checks fail' });
  await expect(notice).toContainText(/ on Harbour: \d+ checks?/);
  await notice.getByRole('button', { name: 'Mend them too' }).click();
  await expect(page.getByText('1 other component mended too')).toBeVisible();
  await expect(notice).toHaveCount(0);
  await saved(page);
  const stored = await (await page.request.get(`/api/sites/${siteId}/components`)).json();
  const kinds = (stored as { components: { kind: string }[] }).components.map(({ kind }) => kind);
  expect(kinds.sort()).toEqual(['accordion', 'card']);
});
