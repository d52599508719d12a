// The application with the page of the benchmarks open in it.
import { chromium } from '@playwright/test';
import { MENU_CSS, menuPage } from './menu.mjs';

export async function api(url, path, method, body) {
  const answer = await fetch(`${url}/api${path}`, {
    method,
    headers: { 'content-type': 'application/json', origin: new URL(url).origin },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
  return answer.json();
}

export const launch = () =>
  chromium.launch({
    executablePath: process.env.RETOQUE_CHROMIUM ?? '/usr/bin/chromium',
    args: process.getuid?.() === 0 ? ['--no-sandbox'] : [],
  });

/** A new site with the menu of twelve parts among so many elements, open on the Style screen. */
export async function openMenu(browser, url, elements) {
  const brought = await api(url, '/pages/from-paste', 'POST', {
    site: { name: `Bench ${Date.now()}` },
    name: 'Line',
    html: menuPage(elements, ''),
    css: MENU_CSS,
  });
  const page = await browser.newPage({ viewport: { width: 1600, height: 900 } });
  await page.goto(`${url}/sites/${brought.siteId}/pages/${brought.id}`);
  await page.getByRole('button', { name: /^Main menu/ }).click();
  await page.waitForSelector('.cell');
  return page;
}
