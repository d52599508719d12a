import { chromium } from '@playwright/test';
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const ctx = await b.newContext({ viewport: { width: 1280, height: 800 } });
const page = await ctx.newPage();
await page.goto('http://127.0.0.1:4310/');
await page
  .getByRole('link', { name: /Quillhaven Ferries: five islands/ })
  .first()
  .click();
await page
  .getByRole('button', { name: /Main menu/ })
  .first()
  .click();
await page.locator('.cell').first().waitFor();
await page.waitForTimeout(1500);
const other = await ctx.newPage();
await other.goto(page.url());
await other.locator('.cell').first().waitFor();
await other.waitForTimeout(1500);
const set = async (p, row, col, v) => {
  await p.locator(`[data-cell="${row}/${col}"]`).first().click();
  await p.keyboard.press('Enter');
  await p.keyboard.type(v);
  await p.keyboard.press('Enter');
  await p.waitForTimeout(900);
};
await set(page, 'text', 'hover', '#ffeedd');
await set(page, 'background', 'hover', '#204050');
await page.waitForTimeout(1200);
await set(other, 'text', 'hover', '#d0f0ff');
await set(other, 'background', 'focus', '#302010');
await other.waitForTimeout(1500);
await other.getByRole('button', { name: 'Show what changed' }).click();
await other.screenshot({ path: '/tmp/shots/conflict.png' });
await other.setViewportSize({ width: 390, height: 800 });
await other.waitForTimeout(800);
await other.screenshot({ path: '/tmp/shots/conflict390.png' });
await other.setViewportSize({ width: 1280, height: 800 });
await other.getByRole('button', { name: 'Take the newer one' }).click();
await other.waitForTimeout(1000);
await b.close();
