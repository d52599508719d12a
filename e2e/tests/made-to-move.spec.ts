import { readFile } from 'node:fs/promises';
import { expect, test, type Locator, type Page } from '@playwright/test';
import { changePage, type ChangePlace, type Locator as PageLocator } from '@retoque/core';
import { strFromU8, unzipSync } from 'fflate';
import { saved } from './support';
import { type } from './sheet-support';

const practice = process.env.PRACTICE_URL ?? 'http://127.0.0.1:4311';

/** Drags a message by its grip to the place of another, as slowly as the list needs to make room. */
async function dragOnto(page: Page, grip: Locator, target: Locator): Promise<void> {
  const middle = async (of: Locator) => {
    const box = (await of.boundingBox())!;
    return [box.x + box.width / 2, box.y + box.height / 2] as const;
  };
  // Hovering waits until it lies still and in sight.
  await grip.hover();
  const [from, to] = [await middle(grip), await middle(target)];
  await page.mouse.down();
  await page.mouse.move(from[0], from[1] - 8);
  await expect(page.locator('.wording-item[data-dragged]')).toHaveCount(1);
  await page.mouse.move(...to);
  await expect(page.locator('.wording-item:has(.grip)').first()).toHaveAttribute('style', /translateY\([1-9]/);
  await page.mouse.up();
}

/** Back to Survey: its button to add a component is named as the one of Style, which stays until Survey is there. */
async function toSurvey(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Survey' }).click();
  await expect(page.locator('[data-part]')).toHaveCount(0);
}

/** Puts a component of a kind onto the page, beside what is clicked. */
async function add(page: Page, kind: string, beside: string, place: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a component' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add a component' });
  await dialog.getByRole('radio', { name: kind }).check();
  await expect(dialog.getByText('Comes with a script')).toBeVisible();
  const target = dialog.locator('iframe[title="The page to put it on"]').contentFrame();
  await target
    .locator(beside)
    .first()
    .click({ position: { x: 3, y: 3 } });
  await dialog.getByRole('button', { name: place }).click();
  await dialog.getByRole('button', { name: /^Add the/ }).click();
  await expect(page.getByTestId('made-here')).toContainText('Made here');
  // It opens at what fails first, or else at its ground, once the checks have said which.
  const ground = page.locator('[data-part] .fold').first();
  await expect(async () => {
    if ((await ground.getAttribute('aria-expanded')) === 'false') await ground.click();
    await expect(page.locator('[data-cell^="--rq-"]').first()).toBeVisible({ timeout: 3000 });
  }).toPass();
}

test('without code: a bar that turns, a countdown over a picture, a ticker and a notice that keeps the choice', async ({
  page,
  context,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Bring a page' }).first().click();
  await page.getByLabel('Address of the page').fill(`${practice}/contact.html`);
  await page.getByRole('combobox').last().selectOption('new');
  await page.getByLabel('Name of the new site').fill(`Moving ${Date.now()}`);
  await page.getByRole('button', { name: 'Bring the page' }).click();

  await add(page, 'Announcement bar', 'main h1', 'Before it');
  await type(page, '--rq-turn-pace', 'default', '3');
  await type(page, '--rq-turn-way', 'default', 'slide');
  // What no bar could take is told, and nothing is lost.
  await page.locator('[data-cell="--rq-turn-pace/default"]').click();
  await page.keyboard.press('Enter');
  await page.keyboard.insertText('0');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Pace is 2s at least and 120s at most.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.locator('[data-cell="--rq-turn-pace/default"]')).toContainText('3s');
  // Settings for the script are those of the component, and not of a state.
  await expect(page.locator('[data-cell^="--rq-turn-pace/"]')).toHaveCount(1);

  // Live, with a clock that can be moved.
  await page.getByRole('button', { name: 'Try it live' }).click();
  const live = page.locator('iframe[title="The page, live"]').contentFrame();
  await expect(live.locator('.rq-announcement li[data-at=now]')).toContainText('Closed on Monday');
  await page.getByRole('button', { name: 'Move the clock on by 1 min' }).click();
  await expect(live.locator('.rq-announcement li[data-at=now]')).toContainText('Bicycles');
  await live.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(live.locator('.rq-announcement')).toBeHidden();
  await page.getByRole('button', { name: 'New visitor' }).click();
  await expect(live.locator('.rq-announcement')).toBeVisible();
  // Its moments beside each other.
  await page.getByRole('button', { name: 'Moments' }).click();
  await expect(page.locator('.moments figcaption')).toHaveText(['Message 1', 'Message 2', 'Message 3', 'Closed']);
  const third = page.locator('.moments iframe[title="Message 3"]').contentFrame();
  await expect(third.locator('.rq-announcement li[data-at=now]')).toContainText('The last boat');

  // Messages change places by dragging; a link that would run something is refused with the reason.
  await page.getByRole('button', { name: 'Wording' }).click();
  const grips = page.locator('.wording .grip');
  await expect(grips).toHaveCount(3);
  await dragOnto(page, grips.nth(2), grips.nth(0));
  const worded = page.locator('iframe[title="The page with other words"]').contentFrame();
  await expect(worded.locator('.rq-announcement li').first()).toContainText('The last boat');
  await page.getByLabel('Link to: #').first().fill('javascript:alert(1)');
  await expect(page.getByRole('alert')).toContainText('A link cannot run a script.');
  await expect(worded.locator('.rq-announcement li a').first()).toHaveAttribute('href', '#');
  await page.keyboard.press('Escape');
  await saved(page);

  await toSurvey(page);
  await add(page, 'Countdown', 'main h1', 'After it');
  await type(page, '--rq-until', 'default', '2027-05-01 09:00');
  await type(page, '--rq-zone', 'default', 'Europe/Lisbon');
  await type(page, 'background-image', 'default', 'url("pictures/saltmarsh.svg")');
  await page.locator('[data-cell="--rq-until/default"]').click();
  await expect(page.locator('[data-cell="--rq-until/default"]')).toHaveText('2027-05-01 09:00');
  // One field for the value, and one that knows dates.
  await expect(page.getByLabel('Editor').getByLabel('Value', { exact: true })).toHaveCount(1);
  await expect(page.getByLabel('Until', { exact: true })).toHaveValue('2027-05-01T09:00');
  await page.getByRole('button', { name: 'Try it live' }).click();
  await page.getByRole('button', { name: 'Moments' }).click();
  const last = page.locator('.moments iframe[title="One minute left"]').contentFrame();
  await expect(last.locator('.digit')).toHaveText(['00', '00', '01', '00']);
  await page.keyboard.press('Escape');
  await saved(page);

  await toSurvey(page);
  await add(page, 'Ticker', 'main h1', 'Before it');
  await type(page, '--rq-run-speed', 'default', '90 px/s');
  await page.locator('[data-part=divider] .fold').click();
  await type(page, 'content', 'default', '"»" / ""');
  await saved(page);

  await toSurvey(page);
  await add(page, 'Cookie notice', '.cookies', 'In its place');
  await type(page, '--rq-choice-days', 'default', '30');
  // Its pictures show it, though no script runs in them.
  await expect(page.locator('.unseen')).toHaveCount(0);
  await saved(page);

  await page.getByRole('link', { name: 'Take the CSS' }).click();
  await expect(page.getByText('Proven on this page.')).toBeVisible();
  const script = page.getByRole('region', { name: 'Script' });
  await expect(script.getByRole('button', { name: /^Download the script/ })).toBeVisible();
  await expect(script.locator('pre')).toHaveText(/<script type="module" async blocking="render"/);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: /Take everything as one folder/ }).click();
  const zip = unzipSync(new Uint8Array(await readFile(await (await download).path())));
  const files = new Map(Object.entries(zip).map(([path, bytes]) => [path.replace(/^[^/]+\//, ''), strFromU8(bytes)]));

  // Put into the live page as the read-me says: each piece of HTML in its place, the sheet and the script in the head.
  const source = await (await page.request.get(`${practice}/contact.html`)).text();
  const pageId = /pages\/([\w-]+)/.exec(page.url())![1]!;
  const kept = (await (await page.request.get(`/api/pages/${pageId}`)).json()) as {
    version: { changes: { locator: PageLocator; place: ChangePlace; html: string }[] };
  };
  const { html, applied } = changePage(
    source,
    kept.version.changes.map((change) => ({ ...change, css: '' })),
  );
  expect(applied).toEqual([true, true, true, true]);
  for (const [i, change] of kept.version.changes.entries()) expect(files.get(`html/${i + 1}.html`)).toBe(change.html);
  const tag = /<script type="module".*?<\/script>/.exec(files.get('read-me.txt')!)![0];
  const real = await context.newPage();
  const wrong: string[] = [];
  real.on('pageerror', (error) => wrong.push(error.message));
  await real.clock.install({ time: new Date('2027-05-01T07:59:00Z') });
  await real.route(`${practice}/contact.html`, (route) =>
    route.fulfill({
      contentType: 'text/html',
      body: html.replace('</head>', `<link rel="stylesheet" href="/retoque.css">${tag}</head>`),
    }),
  );
  for (const [path, contentType] of [
    ['retoque.css', 'text/css'],
    ['retoque-behaviours.js', 'text/javascript'],
  ] as const) {
    await real.route(`${practice}/${path}`, (route) => route.fulfill({ contentType, body: files.get(path)! }));
  }
  await real.goto(`${practice}/contact.html`);
  const message = real.locator('.rq-announcement li[data-at=now]');
  await expect(message).toContainText('Closed on Monday');
  await real.clock.runFor(3000);
  await expect(message).toContainText('Bicycles');
  await expect(real.locator('.rq-countdown .digit')).toHaveText(['00', '00', '00', '57']);
  await expect(real.locator('.rq-countdown')).toHaveCSS('background-image', /saltmarsh\.svg/);
  expect(await real.locator('.rq-ticker ul').evaluate((list) => list.getAnimations().length)).toBe(1);
  expect(
    await real
      .locator('.rq-ticker li')
      .nth(2)
      .evaluate((item) => getComputedStyle(item, '::before').content),
  ).toContain('»');
  const notice = real.getByRole('region', { name: 'Cookies' });
  await notice.getByRole('button', { name: 'Accept' }).press('Enter');
  await expect(notice).toBeHidden();
  await real.reload();
  await expect(real.locator('.rq-announcement')).toBeVisible();
  await expect(notice).toBeHidden();
  expect(wrong).toEqual([]);
});
