import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect, test, type Page } from '@playwright/test';
import { behaviourScriptSchema } from '@retoque/contract';
import { made, pageOf, POLICY, type Made } from './behaviour-pages';

// Pages that the browser keeps as they were left (the back/forward cache), which Playwright switches off otherwise.

test.use({
  launchOptions: {
    executablePath: process.env.RETOQUE_CHROMIUM ?? '/usr/bin/chromium',
    args: process.getuid?.() === 0 ? ['--no-sandbox'] : [],
    ignoreDefaultArgs: ['--disable-back-forward-cache'],
  },
});

let server: Server;
let site: string;
let pages: Record<string, Made> = {};

test.beforeAll(async ({ request }) => {
  const names = 'notices,ticker,countdown,appear,consent';
  const answer = await request.get(`/api/behaviours/script?names=${names}`);
  const script = behaviourScriptSchema.parse(await answer.json()).minified;
  server = createServer(({ url }, response) => {
    const path = new URL(url!, 'http://page.invalid').pathname;
    const send = (type: string, body: string) =>
      response.writeHead(200, { 'content-type': type, 'content-security-policy': POLICY }).end(body);
    if (path === '/b.js') return send('text/javascript', script);
    if (path.endsWith('.css')) return send('text/css', pages[path.slice(0, -4)]?.css ?? '');
    const page = pages[path];
    return page ? send('text/html', pageOf(path, page)) : response.writeHead(404).end();
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  site = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
test.afterAll(async () => {
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
});

/** Opens the first page, notes on it how it is shown, goes to the other and does something there, and goes back. */
async function thereAndBack(page: Page, meanwhile: () => Promise<void> = async () => {}): Promise<void> {
  await page.goto(`${site}/first`);
  await page.evaluate(() =>
    addEventListener('pageshow', ({ persisted }) => (document.body.dataset.kept = String(persisted))),
  );
  await page.goto(`${site}/second`);
  await meanwhile();
  await page.goBack({ waitUntil: 'commit' });
  // It is the page that was left, not one that was loaded anew.
  await expect(page.locator('body')).toHaveAttribute('data-kept', 'true');
}

test('a choice made on another page holds on the one that is gone back to', async ({ page }) => {
  pages = { '/first': made('cookie-notice'), '/second': made('cookie-notice') };
  const notice = page.getByRole('region', { name: 'Cookies' });
  await thereAndBack(page, async () => {
    await notice.getByRole('button', { name: 'Refuse' }).click();
    await expect(notice).toBeHidden();
  });
  await expect(notice).toBeHidden();
});

test('what was closed on another page is gone on the one that is gone back to', async ({ page }) => {
  const bar = made('announcement', '--rq-again: never');
  pages = { '/first': bar, '/second': bar };
  const shown = page.locator('.rq-announcement');
  await thereAndBack(page, async () => {
    await shown.getByRole('button', { name: 'Close' }).click();
    await expect(shown).toBeHidden();
  });
  await expect(shown).toBeHidden();
});

test('messages turn, a ticker runs and a countdown counts where they were kept', async ({ page }) => {
  const parts = [
    made('announcement', '--rq-turn-pace: 2s'),
    made('ticker'),
    made('countdown', '--rq-until: 2099-01-01 00:00'),
  ];
  pages = {
    '/first': { body: parts.map(({ body }) => body).join(''), css: parts.map(({ css }) => css).join('\n') },
    '/second': { body: '' },
  };
  await thereAndBack(page);
  for (const moving of ['li[data-at=now]', '.digit >> nth=-1']) {
    const before = await page.locator(moving).first().textContent();
    await expect(page.locator(moving).first()).not.toHaveText(before!, { timeout: 10_000 });
  }
  const at = () =>
    page.evaluate(() =>
      document.getAnimations().flatMap(({ playState, currentTime }) => (playState === 'running' ? [currentTime] : [])),
    );
  const [before] = await at();
  expect(before).toBeDefined();
  await expect.poll(async () => Number((await at())[0])).toBeGreaterThan(Number(before));
});
