import { AxeBuilder } from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { DESKTOP, pageLedger, PageSession, readState } from '@retoque/core';
import { HOME, openKind } from './sheet-support';
import { openButton, saved, setColour } from './support';

// Retoque measured by what it measures others with: the screen as the browser has built it, put through the core.

const STATES = ['default', 'hover', 'focus', 'active'].map(readState);

/** A screen's own markup and all its rules, frames of owners' pages and samples of their colours aside. */
async function asPage(page: Page): Promise<PageSession> {
  const { html, css } = await page.evaluate(() => {
    const rules = [...document.styleSheets, ...document.adoptedStyleSheets].flatMap((sheet) =>
      [...sheet.cssRules].map((rule) => rule.cssText),
    );
    const copy = document.documentElement.cloneNode(true) as HTMLElement;
    for (const node of copy.querySelectorAll('iframe, script, style, link, [data-sample]')) node.remove();
    return { html: `<!doctype html>${copy.outerHTML}`, css: rules.join('\n') };
  });
  const address = page.url();
  return new PageSession({ html, address, sheets: [], more: [{ address: `${address}#own.css`, text: css }] });
}

async function shortOf(page: Page, scheme: 'light' | 'dark'): Promise<string[]> {
  const entries = pageLedger(await asPage(page), { environment: { ...DESKTOP, scheme }, states: STATES });
  expect(entries.filter(({ check }) => check.verdict === 'passes').length).toBeGreaterThan(5);
  return entries
    .filter(({ check }) => check.verdict === 'short')
    .map(({ select, text, state, check }) => `${text} (${state}): ${check.measured?.toFixed(2)} at ${select}`);
}

for (const scheme of ['light', 'dark'] as const) {
  test(`the ${scheme} interface passes Retoque’s own check on each screen`, async ({ page }) => {
    // Every screen of the application is opened in turn, and put through two audits.
    test.slow();
    await page.emulateMedia({ colorScheme: scheme });
    const passes = async () => {
      expect(await shortOf(page, scheme)).toEqual([]);
      // The other light screens are audited in access.spec.ts.
      if (scheme === 'light' && !page.url().includes('/palette')) return;
      const { violations } = await new AxeBuilder({ page }).exclude('iframe').exclude('[data-sample]').analyze();
      expect(violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`)).toEqual([]);
    };
    await page.goto('/');
    await expect(page.getByRole('link', { name: HOME }).first()).toBeVisible();
    await passes();
    await page.getByRole('link', { name: HOME }).first().click();
    await expect(page.locator('[data-outline]').first()).toBeVisible();
    await passes();
    await openKind(page, HOME, /^Main menu/);
    await expect(page.locator('.frame .figure b').first()).toBeVisible();
    await passes();
    await openButton(page);
    await setColour(page, 'text', 'hover', '#ffffff');
    await saved(page);
    await page.getByRole('link', { name: 'Take the CSS' }).click();
    await expect(page.locator('.cm-content')).toBeVisible();
    await passes();
    await page.getByRole('link', { name: 'Palette' }).click();
    await page.getByRole('button', { name: 'Add colours' }).click();
    await page.getByRole('button', { name: 'Tick all' }).click();
    await page.getByRole('button', { name: /^Add \d+ colour/ }).click();
    await page.getByRole('list', { name: 'Colours', exact: true }).getByRole('button').first().click();
    await passes();
    await page.getByRole('button', { name: 'Pairs' }).click();
    await page.locator('.pair').first().click();
    await passes();
    await page.getByRole('button', { name: 'Where used' }).click();
    await page.getByRole('group', { name: 'Colours of the palette and the site' }).getByRole('button').first().click();
    await expect(page.getByText(/^\d+ declarations?$/)).toBeVisible();
    await passes();
    await page.getByRole('button', { name: 'Dark scheme' }).click();
    await page.getByRole('button', { name: 'Make a dark scheme' }).click();
    await expect(page.getByRole('button', { name: /^Keep in/ })).toBeVisible();
    await passes();
    const address = page.url();
    await page.goto(`${address.slice(0, address.indexOf('/sites/'))}/`);
    await page.getByRole('link', { name: HOME }).first().click();
    await page.getByRole('link', { name: 'Palette' }).click();
    await page.getByRole('button', { name: 'Drift' }).click();
    await expect(page.getByRole('button', { name: /^Make \d groups? alike$/ })).toBeVisible();
    await passes();
  });
}

test('the scheme of the interface is chosen, kept, and leaves owners’ pages as they are', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'light' });
  await openButton(page);
  const ground = () => page.locator('body').evaluate((body) => getComputedStyle(body).backgroundColor);
  const light = await ground();
  const scheme = page.getByRole('button', { name: /^Interface: / });
  await scheme.click();
  await scheme.click();
  expect(await ground()).not.toBe(light);
  const frame = page.locator('[data-state="default"] iframe').contentFrame();
  await expect
    .poll(() => frame.locator('html').evaluate(() => matchMedia('(prefers-color-scheme: dark)').matches))
    .toBe(false);
  const dark = await ground();
  await page.reload();
  await expect(page.locator('.cell').first()).toBeVisible();
  expect(await ground()).toBe(dark);
});
