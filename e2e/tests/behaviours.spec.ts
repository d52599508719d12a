import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Locator, type Page } from '@playwright/test';
import { behaviourScriptSchema } from '@retoque/contract';
import { made, pageOf, POLICY, type Made } from './behaviour-pages';

// The script that is handed over, in pages of a site with a strict policy and nothing else of ours.

const SITE = 'https://line.invalid';

let script: string;

/** Serves pages of a site by their paths, and opens the first. */
async function serve(page: Page, pages: Readonly<Record<string, Made>>): Promise<string[]> {
  const wrong: string[] = [];
  page.on('console', (message) => message.type() === 'error' && wrong.push(message.text()));
  page.on('pageerror', (error) => wrong.push(error.message));
  await page.route(`${SITE}/**`, (route) => {
    const { pathname } = new URL(route.request().url());
    if (pathname === '/b.js') return route.fulfill({ body: script, contentType: 'text/javascript' });
    if (pathname === '/count.js') {
      return route.fulfill({ body: 'document.body.dataset.counted = "yes"', contentType: 'text/javascript' });
    }
    if (pathname.endsWith('.css')) {
      return route.fulfill({ body: pages[pathname.slice(0, -4)]?.css ?? '', contentType: 'text/css' });
    }
    const made = pages[pathname];
    if (!made) return route.fulfill({ status: 404, body: '' });
    return route.fulfill({
      body: pageOf(pathname, made),
      contentType: 'text/html',
      headers: { 'content-security-policy': POLICY },
    });
  });
  await page.goto(SITE + Object.keys(pages)[0]!);
  return wrong;
}

/** Sums of layout shifts (Layout Instability API) from the first paint on. */
const watchShifts = (page: Page) =>
  page.addInitScript(() => {
    const own = window as unknown as { shifted: number };
    own.shifted = 0;
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) own.shifted += (entry as unknown as { value: number }).value;
    }).observe({ type: 'layout-shift', buffered: true });
  });
const shifted = (page: Page) => page.evaluate(() => (window as unknown as { shifted: number }).shifted);

test.beforeAll(async ({ request }) => {
  const answer = await request.get('/api/behaviours/script?names=notices,ticker,countdown,appear,consent,menu,tabs');
  script = behaviourScriptSchema.parse(await answer.json()).minified;
});

test.describe('notices in turn', () => {
  const shown = (page: Page) => page.locator('li:visible');
  const now = (page: Page | Locator) => page.locator('li[data-at=now]');

  test('turn, and nothing else on the page moves', async ({ page }) => {
    await page.clock.install({ time: new Date('2027-01-01T10:00:00') });
    await watchShifts(page);
    const long = made('announcement', '--rq-turn-pace: 4s; --rq-turn-way: slide');
    // The longest message makes the room for all.
    long.body = long.body.replace('Bicycles travel free this month.', 'Bicycles travel free. '.repeat(30));
    const wrong = await serve(page, { '/': long });
    for (const width of [1280, 390]) {
      await page.setViewportSize({ width, height: 800 });
      await expect(shown(page)).toHaveCount(1);
      // Until what the narrower window moved is told; the page's own clock stands.
      if (width !== 1280) await page.waitForTimeout(500);
      const before = width === 1280 ? 0 : await shifted(page);
      const tops: number[] = [];
      for (let turn = 0; turn < 4; turn++) {
        tops.push(await page.locator('#after').evaluate((after) => after.getBoundingClientRect().top));
        await page.clock.runFor(4000);
      }
      expect(new Set(tops).size).toBe(1);
      // What a window moves that is made narrower is none of theirs.
      expect((await shifted(page)) - before).toBe(0);
    }
    expect(wrong).toEqual([]);
  });

  test('by keyboard: to the pause button, and on by the arrows; axe finds nothing', async ({ page }) => {
    await page.clock.install();
    await serve(page, { '/': made('announcement') });
    await expect(now(page)).toContainText('Closed on Monday');
    await page.getByRole('button', { name: 'Pause the messages' }).focus();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: 'Pause the messages', pressed: true })).toBeVisible();
    await page.locator('h1').click();
    await page.clock.runFor(60_000);
    await expect(now(page)).toContainText('Closed on Monday');
    await page.getByRole('button', { name: 'Next message' }).press('Space');
    await expect(now(page)).toContainText('Bicycles');
    await page.getByRole('button', { name: 'Previous message' }).press('Enter');
    await page.getByRole('button', { name: 'Previous message' }).press('Enter');
    await expect(now(page)).toContainText('The last boat');
    // Links of messages that are not shown are not reached.
    await page.locator('h1').evaluate((heading) => ((heading.tabIndex = -1), heading.focus()));
    await page.keyboard.press('Tab');
    await expect(page.getByRole('link', { name: 'See when' })).toBeFocused();
    expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  });

  test('wait while the pointer is over them', async ({ page }) => {
    await page.clock.install();
    await serve(page, { '/': made('announcement') });
    await page.locator('.rq-announcement').hover();
    await page.clock.runFor(60_000);
    await expect(now(page)).toContainText('Closed on Monday');
    await page.locator('#after').hover();
    await page.clock.runFor(7000);
    await expect(now(page)).toContainText('Bicycles');
  });

  test('from right to left they come from the other side', async ({ page }) => {
    await page.clock.install();
    const bar = made('announcement', '--rq-turn-way: slide; --rq-turn-time: 0s');
    await serve(page, { '/': { ...bar, lang: 'ar', dir: 'rtl' } });
    const side = () =>
      page.locator('li').evaluateAll((items) => {
        const [now, next] = items.map((item) => item.getBoundingClientRect().left);
        return Math.sign(next! - now!);
      });
    expect(await side()).toBe(-1);
    await page.evaluate(() => (document.documentElement.dir = 'ltr'));
    await page.setViewportSize({ width: 1200, height: 800 });
    await expect.poll(side).toBe(1);
  });

  test('for those who ask for less motion they turn by hand alone', async ({ page }) => {
    await page.emulateMedia({ reducedMotion: 'reduce' });
    await page.clock.install();
    await serve(page, { '/': made('announcement') });
    await page.clock.runFor(60_000);
    await expect(now(page)).toContainText('Closed on Monday');
    await expect(page.getByRole('button', { name: 'Pause the messages' })).toBeHidden();
    await page.getByRole('button', { name: 'Next message' }).click();
    await expect(now(page)).toContainText('Bicycles');
  });

  test('without scripts all of them are there', async ({ browser }) => {
    const context = await browser.newContext({ javaScriptEnabled: false });
    const page = await context.newPage();
    await serve(page, { '/': made('announcement') });
    await expect(shown(page)).toHaveCount(3);
    await expect(page.getByRole('button', { name: 'Next message' })).toBeHidden();
    await context.close();
  });

  test('two on a page go by themselves, and a script that is there twice runs once', async ({ page }) => {
    await page.clock.install();
    const { body, css } = made('announcement');
    const wrong = await serve(page, { '/': { body: `${body}<hr>${body}`, css, times: 3 } });
    const [first, second] = [page.locator('section').nth(0), page.locator('section').nth(1)];
    await first.getByRole('button', { name: 'Next message' }).click();
    await expect(now(first)).toContainText('Bicycles');
    await expect(now(second)).toContainText('Closed');
    expect(await page.evaluate(() => Object.keys(window).filter((name) => /^rq|retoque/i.test(name)))).toEqual([]);
    expect(wrong).toEqual([]);
  });

  test('that come later turn from then on', async ({ page }) => {
    await page.clock.install();
    await serve(page, {
      '/': made('announcement', '--rq-appear: after; --rq-appear-after: 3s; --rq-turn-pace: 2s'),
    });
    await expect(page.locator('.rq-announcement')).toBeHidden();
    await page.clock.runFor(3000);
    await expect(now(page)).toContainText('Closed on Monday');
    // Its size is told with the next frame.
    await page.waitForTimeout(300);
    await page.clock.runFor(2000);
    await expect(now(page)).toContainText('Bicycles');
  });

  test('closed, they stay away for their days, and come again after them', async ({ page }) => {
    await page.clock.install({ time: new Date('2027-01-01T10:00:00') });
    await watchShifts(page);
    await serve(page, { '/': made('announcement', '--rq-again: after-days; --rq-again-days: 2') });
    await page.getByRole('button', { name: 'Close' }).click();
    await expect(page.locator('.rq-announcement')).toBeHidden();
    await page.reload();
    await expect(page.locator('.rq-announcement')).toBeHidden();
    // It is gone before the page is painted.
    expect(await shifted(page)).toBe(0);
    await page.clock.setSystemTime(new Date('2027-01-03T10:01:00'));
    await page.reload();
    await expect(page.locator('.rq-announcement')).toBeVisible();
  });
});

test.describe('a ticker', () => {
  for (const [dir, width] of [
    ['ltr', 1280],
    ['ltr', 390],
    ['rtl', 1900],
  ] as const) {
    test(`runs without a jump at ${width}, ${dir}`, async ({ page }) => {
      await page.setViewportSize({ width, height: 500 });
      const wrong = await serve(page, { '/': { ...made('ticker'), dir } });
      const at = (share: number) =>
        page.locator('.rq-ticker ul').evaluate((list, own) => {
          const [moving] = list.getAnimations();
          moving!.pause();
          moving!.currentTime = own * Number(moving!.effect!.getTiming().duration);
        }, share);
      const picture = async (share: number) => {
        await at(share);
        return page.locator('.rq-ticker').screenshot();
      };
      const start = await picture(0);
      expect((await picture(0.999999)).equals(start)).toBe(true);
      expect((await picture(0.5)).equals(start)).toBe(false);
      const moved = await page
        .locator('.rq-ticker ul')
        .evaluate((list) =>
          list
            .getAnimations()
            .flatMap((own) => (own.effect as KeyframeEffect).getKeyframes().flatMap((frame) => Object.keys(frame))),
        );
      expect(new Set(moved)).toEqual(new Set(['offset', 'easing', 'composite', 'computedOffset', 'transform']));
      expect(wrong).toEqual([]);
    });
  }

  test('is told to screen readers once, stops at a press, and shows the link that has the focus', async ({ page }) => {
    await serve(page, { '/': made('ticker') });
    await expect(page.getByRole('link', { name: 'New: the night boat' })).toHaveCount(1);
    const state = () => page.locator('.rq-ticker ul').evaluate((list) => list.getAnimations()[0]!.playState);
    await page.mouse.move(0, 400);
    await expect.poll(state).toBe('running');
    await page.getByRole('link', { name: 'New: the night boat' }).focus();
    expect(await state()).toBe('paused');
    const box = await page.getByRole('link', { name: 'New: the night boat' }).boundingBox();
    expect(box!.x).toBeGreaterThanOrEqual(0);
    expect(box!.x + box!.width).toBeLessThan(1280);
    await page.getByRole('button', { name: 'Pause the line' }).click();
    await page.locator('h1').click();
    await page.mouse.move(0, 400);
    expect(await state()).toBe('paused');
    expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  });

  test('stands still, and can be scrolled, at no speed and for those who ask for less motion', async ({ page }) => {
    await serve(page, { '/': made('ticker', '--rq-run-speed: 0px'), '/calm': made('ticker') });
    const moving = () => page.locator('.rq-ticker ul').evaluate((list) => list.getAnimations().length);
    expect(await moving()).toBe(0);
    await expect(page.locator('li')).toHaveCount(3);
    await page.emulateMedia({ reducedMotion: 'reduce' });
    await page.goto(`${SITE}/calm`);
    expect(await moving()).toBe(0);
    await expect(page.getByRole('button', { name: 'Pause the line' })).toBeHidden();
  });
});

test.describe('a countdown', () => {
  const SET = '--rq-until: "2027-03-28 12:00"; --rq-zone: "Europe/Lisbon"';
  const digits = (page: Page) => page.locator('.digit').allTextContents();

  for (const timezoneId of ['America/New_York', 'Asia/Kathmandu']) {
    test(`shows the same to visitors in ${timezoneId}, over a change to summer time`, async ({ browser }) => {
      const context = await browser.newContext({ timezoneId });
      const page = await context.newPage();
      // Noon in Lisbon on the day before its clocks change: 23 hours to the next noon.
      await page.clock.install({ time: new Date('2027-03-27T12:00:00Z') });
      await watchShifts(page);
      const wrong = await serve(page, { '/': made('countdown', SET) });
      await expect.poll(() => digits(page)).toEqual(['00', '23', '00', '00']);
      await page.clock.runFor(1000);
      await expect.poll(() => digits(page)).toEqual(['00', '22', '59', '59']);
      await page.clock.runFor(59_000);
      await expect.poll(() => digits(page)).toEqual(['00', '22', '59', '00']);
      expect(await shifted(page)).toBe(0);
      expect(wrong).toEqual([]);
      await context.close();
    });
  }

  test('goes on where the clock is when the page is looked at again', async ({ page }) => {
    await page.clock.install({ time: new Date('2027-03-28T10:00:00Z') });
    await serve(page, { '/': made('countdown', SET) });
    await expect.poll(() => digits(page)).toEqual(['00', '01', '00', '00']);
    await page.clock.setSystemTime(new Date('2027-03-28T10:30:00Z'));
    // As when it comes out of the cache of pages that one went back to.
    await page.evaluate(() => window.dispatchEvent(new PageTransitionEvent('pageshow', { persisted: true })));
    await expect.poll(() => digits(page)).toEqual(['00', '00', '30', '00']);
  });

  test('in Arabic its digits and units are those of the language, and its words at the end are read', async ({
    page,
  }) => {
    await page.clock.install({ time: new Date('2027-03-28T10:59:57Z') });
    await serve(page, { '/': { ...made('countdown', `${SET}; --rq-at-end: say-words`), lang: 'ar-EG', dir: 'rtl' } });
    await expect.poll(() => digits(page)).toEqual(['٠٠', '٠٠', '٠٠', '٠٣']);
    await page.clock.runFor(3000);
    await expect(page.getByText('It has begun.')).toBeVisible();
    await expect(page.locator('.digit').first()).toBeHidden();
    expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  });
});

test.describe('what appears', () => {
  test('a dialog is a real one: the rest is inert, Escape closes it, and the focus goes back', async ({ page }) => {
    const { body, css } = made('dialog', '--rq-appear: pressed');
    await serve(page, { '/': { body: `<p><a id="opener" href="#rq-dialog">Before you go</a></p>${body}`, css } });
    const dialog = page.getByRole('dialog', { name: 'Before you go' });
    await expect(dialog).toBeHidden();
    await page.locator('#opener').press('Enter');
    await expect(dialog).toBeVisible();
    for (let i = 0; i < 4; i++) {
      await page.keyboard.press('Tab');
      // The focus may leave for the browser's own controls, and for nothing behind the dialog.
      expect(
        await page.evaluate(
          () =>
            document.activeElement!.closest('main a, main p') === null ||
            document.activeElement!.closest('dialog') !== null,
        ),
      ).toBe(true);
    }
    expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
    await page.keyboard.press('Escape');
    await expect(dialog).toBeHidden();
    await expect(page.locator('#opener')).toBeFocused();
  });

  test('comes when the page is scrolled so far, and not on other pages', async ({ page }) => {
    const { body, css } = made('dialog', '--rq-appear: scrolled; --rq-appear-scrolled: 40%; --rq-pages: "/boats/…"');
    const long = { body: `${body}<div class="long"></div>`, css: `${css} .long { height: 4000px }` };
    await serve(page, { '/': long, '/boats/night': long });
    const dialog = page.getByRole('dialog', { name: 'Before you go' });
    await page.mouse.wheel(0, 4000);
    await page.waitForFunction(() => scrollY > 2000);
    await expect(dialog).toBeHidden();
    await page.goto(`${SITE}/boats/night`);
    await page.mouse.wheel(0, 1000);
    await page.waitForFunction(() => scrollY > 500);
    await expect(dialog).toBeHidden();
    await page.mouse.wheel(0, 2000);
    await expect(dialog).toBeVisible();
  });

  test('a choice about cookies is kept, told, and lets the scripts run that waited for it', async ({ page }) => {
    const { body, css } = made('cookie-notice');
    const wrong = await serve(page, {
      '/': {
        body: `${body}<p><a href="#cookies">Cookies</a></p><script type="text/plain" data-consent="statistics" src="/count.js"></script>`,
        css,
      },
    });
    const notice = page.getByRole('region', { name: 'Cookies' });
    await expect(notice).toBeVisible();
    expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
    await notice.getByRole('button', { name: 'Refuse' }).click();
    await expect(notice).toBeHidden();
    await page.reload();
    await expect(notice).toBeHidden();
    expect(await page.locator('body').getAttribute('data-counted')).toBeNull();
    await page.getByRole('link', { name: 'Cookies' }).click();
    await expect(notice).toBeVisible();
    await notice.getByRole('button', { name: 'Accept' }).click();
    await expect(page.locator('body')).toHaveAttribute('data-counted', 'yes');
    await page.reload();
    await expect(page.locator('body')).toHaveAttribute('data-counted', 'yes');
    expect(wrong).toEqual([]);
  });
});

test.describe('menus and tabs', () => {
  test('a menu is walked by keys: into its list, back by Escape, and closed with the focus on its link', async ({
    page,
  }) => {
    const wrong = await serve(page, { '/': made('menu') });
    await page.getByRole('link', { name: 'Start' }).focus();
    await page.keyboard.press('ArrowRight');
    await expect(page.getByRole('link', { name: 'About' })).toBeFocused();
    await page.keyboard.press('ArrowDown');
    await expect(page.getByRole('link', { name: 'People' })).toBeFocused();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('link', { name: 'About' })).toBeFocused();
    // WCAG 1.4.13: it stays away while focus and pointer stay where they are.
    await expect(page.getByRole('link', { name: 'People' })).toBeHidden();
    expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
    expect(wrong).toEqual([]);
  });

  test('and so is one whose list is hidden by visibility and opacity', async ({ page }) => {
    const { body, css } = made('menu');
    const hidden = css
      .replace('display: none; min-width: 12em', 'visibility: hidden; opacity: 0; min-width: 12em')
      .replace('> ul { display: block }', '> ul { visibility: visible; opacity: 1 }');
    expect(hidden).not.toBe(css);
    await serve(page, { '/': { body, css: hidden.replace(':is(:hover, :focus-within)', ':hover') } });
    await page.getByRole('link', { name: 'About' }).focus();
    await page.keyboard.press('ArrowDown');
    await expect(page.getByRole('link', { name: 'People' })).toBeFocused();
    await expect(page.getByRole('link', { name: 'People' })).toBeVisible();
  });

  test('by touch the first tap opens the list, and the next follows the link', async ({ browser }) => {
    const context = await browser.newContext({ hasTouch: true, viewport: { width: 900, height: 700 } });
    const page = await context.newPage();
    const { body, css } = made('menu');
    await serve(page, { '/': { body: body.replace('<a href="#">About', '<a href="#about">About'), css } });
    await page.getByRole('link', { name: 'About' }).tap();
    await expect(page.getByRole('link', { name: 'People' })).toBeVisible();
    expect(new URL(page.url()).hash).toBe('');
    await page.getByRole('link', { name: 'About' }).tap();
    expect(new URL(page.url()).hash).toBe('#about');
    await context.close();
  });

  test('at the width of a phone its toggle opens it, and without scripts it is open', async ({ page, browser }) => {
    await page.setViewportSize({ width: 390, height: 800 });
    await serve(page, { '/': made('menu') });
    await expect(page.getByRole('link', { name: 'Start' })).toBeHidden();
    await page.getByRole('button', { name: 'Menu' }).click();
    await expect(page.getByRole('link', { name: 'Start' })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Menu', expanded: true })).toBeVisible();
    const context = await browser.newContext({ javaScriptEnabled: false, viewport: { width: 390, height: 800 } });
    const plain = await context.newPage();
    await serve(plain, { '/': made('menu') });
    await expect(plain.getByRole('link', { name: 'Start' })).toBeVisible();
    await context.close();
  });

  test('tabs show one panel, and without scripts all', async ({ page, browser }) => {
    await serve(page, { '/': made('tabs') });
    await page.getByRole('tab', { name: 'Summer' }).press('ArrowRight');
    await expect(page.getByRole('tabpanel', { name: 'Winter' })).toBeVisible();
    await expect(page.getByText('Six sailings a day.')).toBeHidden();
    expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
    const context = await browser.newContext({ javaScriptEnabled: false });
    const plain = await context.newPage();
    await serve(plain, { '/': made('tabs') });
    await expect(plain.getByText('Six sailings a day.')).toBeVisible();
    await expect(plain.getByText('Three sailings a day.')).toBeVisible();
    await context.close();
  });
});
