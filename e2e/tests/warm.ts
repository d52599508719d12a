import {
  test as base,
  type Browser,
  type BrowserContext,
  type BrowserContextOptions,
  type Page,
} from '@playwright/test';

export { expect } from '@playwright/test';

/** A window of the application that a worker's tests use one after the other. */
class Warm {
  private context: BrowserContext | undefined;

  constructor(private readonly browser: Browser) {}

  async take(options: BrowserContextOptions): Promise<BrowserContext> {
    // A test may have closed its page.
    if (this.context?.pages().length === 0) await this.leave();
    if (!this.context) {
      this.context = await this.browser.newContext(options);
      stayingIn(await this.context.newPage(), options.baseURL!);
    }
    return this.context;
  }

  /** Ready for the next test: nothing of the last is in hand or remembered. */
  async clean(viewport: { width: number; height: number }): Promise<void> {
    const context = this.context!;
    const [page, ...others] = context.pages();
    if (!page) return;
    for (const other of others) await other.close();
    await page.unrouteAll({ behavior: 'ignoreErrors' });
    await context.unrouteAll({ behavior: 'ignoreErrors' });
    await context.setOffline(false);
    await page.emulateMedia({ colorScheme: null, reducedMotion: null, forcedColors: null, media: null });
    await page.setViewportSize(viewport);
    if (!page.url().startsWith('http')) return;
    // What the screen keeps when it is left comes before what is forgotten.
    await page.goto('/');
    await page.evaluate(() => {
      localStorage.clear();
      sessionStorage.clear();
      // A notice that still stands offers to undo what the last test did.
      for (const close of document.querySelectorAll<HTMLElement>('[data-scope=toast][data-part=close-trigger]'))
        close.click();
    });
  }

  async leave(): Promise<void> {
    await this.context?.close();
    this.context = undefined;
  }
}

/**
 * Follows an address as a link within the application does, where it is open already: its code and what it works with
 * stay loaded, so that opening a screen takes a part of the time. A first opening and a reload are real ones.
 */
function stayingIn(page: Page, baseURL: string): void {
  const load = page.goto.bind(page);
  page.goto = async (url, options) => {
    const target = new URL(url, baseURL);
    const isOpen =
      page.url().startsWith(target.origin) && (await page.evaluate(() => Boolean(document.querySelector('#root > *'))));
    if (!isOpen) return load(url, options);
    const before = await page.evaluateHandle(() => document.querySelector('#root > *'));
    const from = new URL(page.url());
    await page.evaluate((path) => {
      history.pushState(null, '', path);
      dispatchEvent(new PopStateEvent('popstate', { state: null }));
    }, target.href.slice(target.origin.length));
    // Until the next screen is loaded the last one stands there, and has buttons of the same names.
    if (screenOf(from) !== screenOf(target)) await page.waitForFunction((shown) => !shown?.isConnected, before);
    await before.dispose();
    return null;
  };
}

/** The first word of an address that is no id of a site or page: `style`, or '' for a page itself. */
const screenOf = ({ pathname }: URL): string => (pathname === '/' ? '/' : (pathname.split('/')[5] ?? ''));

/** Tests that take the application as they find it open; those about opening it take the test of Playwright itself. */
export const test = base.extend<object, { warm: Warm }>({
  warm: [
    async ({ browser }, use) => {
      const warm = new Warm(browser);
      await use(warm);
      await warm.leave();
    },
    { scope: 'worker' },
  ],
  context: async ({ warm, baseURL, viewport, permissions }, use, info) => {
    const context = await warm.take({ baseURL: baseURL!, viewport, permissions: permissions ?? [] });
    await use(context);
    if (info.status === info.expectedStatus) await warm.clean(viewport!);
    else await warm.leave();
  },
  page: ({ context }, use) => use(context.pages()[0]!),
});
