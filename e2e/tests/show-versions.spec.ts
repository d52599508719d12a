import { BUTTON_CSS, BUTTON_PAGE, cell, keepPage, OWN, saved, setColour } from './support';
import { expect, test } from './warm';

/** One pixel that lets everything through. */
const DOT = Buffer.from('R0lGODlhAQABAIAAAAAAAP///yH5BAEAAAAALAAAAAABAAEAAAIBRAA7', 'base64');

test('the versions of a site are shown, and saved as one page that needs nothing else', async ({ page, browser }) => {
  await page.goto(await keepPage(page, BUTTON_PAGE, BUTTON_CSS, 'Gangway'));
  await page.getByRole('button', { name: /^Board now/ }).click();
  await expect(page.locator('[data-check="default"]')).toContainText('8.42');
  await setColour(page, 'background', 'default', '#8a1c1c');
  await saved(page);
  await page.getByRole('button', { name: 'Add a version' }).click();
  await expect(page.getByRole('group', { name: 'Versions' }).getByRole('button', { name: 'B' })).toBeVisible();
  await setColour(page, 'background', 'default', '#9fb8bd');
  await saved(page);
  // A picture of the owner's own is seen in the version, here and in the saved page.
  const siteId = /sites\/([^/]+)/.exec(page.url())![1]!;
  const answer = await page.request.post(`/api/sites/${siteId}/assets`, {
    headers: OWN,
    multipart: { files: { name: 'dot.gif', mimeType: 'image/gif', buffer: DOT } },
  });
  expect(answer.ok()).toBe(true);
  await page.reload();
  await page.getByRole('button', { name: 'All properties' }).first().click();
  await cell(page, 'background-image', 'default').click();
  await page.keyboard.press('Enter');
  await page.keyboard.type('url(/retoque/dot.gif)');
  await page.keyboard.press('Enter');
  await saved(page);

  await page.getByRole('link', { name: 'Hand over' }).click();
  await page.getByRole('button', { name: 'Show the versions to somebody…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Versions of the site' });
  const button = dialog.locator('iframe').contentFrame().locator('.btn');
  await expect(button).toHaveCSS('background-color', 'rgb(11, 85, 99)');
  await dialog.getByRole('button', { name: 'Version A' }).click();
  await expect(button).toHaveCSS('background-color', 'rgb(138, 28, 28)');
  await expect(dialog).toContainText(/All \d+ have enough contrast/);
  await dialog.getByRole('button', { name: 'Version B' }).click();
  await expect(button).toHaveCSS('background-color', 'rgb(159, 184, 189)');
  await expect(button).toHaveCSS('background-image', /\/api\/assets\//);
  await expect(dialog).toContainText(/2 of \d+ fail on contrast/);
  const downloaded = page.waitForEvent('download');
  await dialog.getByRole('button', { name: 'Save as one page' }).click();
  expect((await downloaded).suggestedFilename()).toBe('gangway-versions.html');
  // A browser goes by the ending of a file's name.
  const path = test.info().outputPath('shown.html');
  await (await downloaded).saveAs(path);

  // Another browser, without the server.
  const elsewhere = await browser.newContext({ offline: true });
  const shown = await elsewhere.newPage();
  const asked: string[] = [];
  shown.on('request', (request) => {
    if (!/^(file|about|data):/.test(request.url())) asked.push(request.url());
  });
  await shown.goto(`file://${path}`);
  const frames = shown.locator('iframe');
  await expect(frames).toHaveCount(3);
  for (const [i, colour] of ['rgb(11, 85, 99)', 'rgb(138, 28, 28)', 'rgb(159, 184, 189)'].entries())
    await expect(frames.nth(i).contentFrame().locator('.btn')).toHaveCSS('background-color', colour);
  await expect(frames.nth(2).contentFrame().locator('.btn')).toHaveCSS('background-image', /^url\("data:image/);
  // Real states, in a page that runs nothing.
  await frames.nth(1).contentFrame().locator('.btn').hover();
  await expect(frames.nth(1).contentFrame().locator('.btn')).toHaveCSS('color', 'rgb(20, 50, 58)');
  await shown.getByLabel('Version B').check();
  await expect(frames.nth(0)).toBeHidden();
  await expect(frames.nth(2)).toBeVisible();
  await expect(shown.getByText(/2 of \d+ fail on contrast/)).toBeVisible();
  expect(asked).toEqual([]);
  await elsewhere.close();
});
