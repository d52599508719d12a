import type { Page } from '@playwright/test';
import { BUTTON_CSS, BUTTON_PAGE, cell, OWN, saved, setColour } from './support';
import { expect, test } from './warm';

// A look that begins on one page says where else it would hold, before anything of it is kept.

/** A site of the page with one button and of another page; gives the path of the first one's survey. */
async function twoPages(page: Page, other: string): Promise<{ path: string; siteId: string; pageId: string }> {
  const keep = async (site: object, name: string, html: string) => {
    const data = { site, name, html, css: BUTTON_CSS };
    const answer = await page.request.post('/api/pages/from-paste', { data, headers: OWN });
    expect(answer.ok()).toBe(true);
    return (await answer.json()) as { siteId: string; id: string };
  };
  const { siteId, id } = await keep({ name: `Reach ${Date.now()} ${Math.random()}` }, 'Quay', BUTTON_PAGE);
  await keep({ id: siteId }, 'Harbour', `<!doctype html><title>Harbour</title><main>${other}</main>`);
  return { path: `/sites/${siteId}/pages/${id}`, siteId, pageId: id };
}

async function openButtonOf(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await page.getByRole('button', { name: /^Board now/ }).click();
  await expect(page.locator('[data-check="default"]')).toContainText('8.42');
}

type Kept = { currentTrialId: string; trials: { id: string; look: { settings: { when: { page?: string } }[] } }[] };

/** What the server has of the one component that is kept on a site. */
async function settingsOf(page: Page, siteId: string) {
  const answer = await page.request.get(`/api/sites/${siteId}/components`);
  const { components } = (await answer.json()) as { components: Kept[] };
  const kept = components[0]!;
  return kept.trials.find(({ id }) => id === kept.currentTrialId)!.look.settings;
}

const BUTTON = '<a class="btn" href="#">Board now</a>';
const asks = (page: Page) => page.getByRole('dialog', { name: 'Where is this to hold?' });

test('a first edit that reaches what is not seen here asks, in pictures, and keeps nothing before', async ({
  page,
}) => {
  const { path, siteId, pageId } = await twoPages(page, `${BUTTON}<p>${BUTTON}</p>`);
  await openButtonOf(page, path);
  await expect(page.getByRole('button', { name: '2 more on 1 other page' })).toBeVisible();
  await setColour(page, 'text', 'hover', '#ffeedd');
  await expect(asks(page)).toBeVisible();
  const there = asks(page).getByRole('listitem').filter({ hasText: 'Harbour' });
  await expect(there).toContainText('2 elements, not like here');
  const pictured = there.locator('iframe').contentFrame().locator('.btn').first();
  await expect(pictured).toHaveCSS('color', 'rgb(255, 255, 255)');
  await expect(page.locator('[data-save]')).toHaveAttribute('data-save', 'held');
  expect(await settingsOf(page, siteId)).toEqual([]);

  // Nothing is lost by a reload, and it is asked again.
  await page.reload();
  await expect(asks(page)).toBeVisible();
  await asks(page).getByRole('button', { name: 'This page alone' }).click();
  await saved(page);
  await expect(page.getByText('Editing “Quay” alone')).toBeVisible();
  expect((await settingsOf(page, siteId)).map(({ when }) => when.page)).toEqual([pageId]);
  await expect(cell(page, 'text', 'hover')).toContainText('#ffeedd');
  // It was said once, for all that follows.
  await page.getByRole('button', { name: 'Every page' }).click();
  await setColour(page, 'text', 'default', '#fff4d6');
  await saved(page);
  await expect(asks(page)).toHaveCount(0);
});

test('an edit that is taken back leaves nothing, and the next one asks again', async ({ page }) => {
  const { path, siteId } = await twoPages(page, `${BUTTON}<p>${BUTTON}</p>`);
  await openButtonOf(page, path);
  await setColour(page, 'text', 'hover', '#ffeedd');
  await asks(page).getByRole('button', { name: 'Take the edit back' }).click();
  await saved(page);
  await expect(cell(page, 'text', 'hover')).toContainText('#14323a');
  await setColour(page, 'text', 'hover', '#ddeeff');
  await asks(page).getByRole('button', { name: 'Every page' }).click();
  await saved(page);
  expect((await settingsOf(page, siteId)).map(({ when }) => when.page)).toEqual([undefined]);
});

test('nobody is asked where the other pages have the same, and they are shown in pictures all the same', async ({
  page,
}) => {
  const { path } = await twoPages(page, BUTTON);
  await openButtonOf(page, path);
  await setColour(page, 'text', 'default', '#ffeedd');
  await saved(page);
  await page.getByRole('button', { name: '1 more on 1 other page' }).click();
  const shown = page.getByRole('dialog', { name: /reaches/ });
  await expect(shown.locator('iframe').contentFrame().locator('.btn')).toHaveCSS('color', 'rgb(255, 238, 221)');
  await shown.getByRole('button', { name: 'Close' }).last().click();
  await expect(shown).toHaveCount(0);
});
