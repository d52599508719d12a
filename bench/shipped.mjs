/* global addEventListener, document, requestAnimationFrame */
// A page with the sheet of a large framework beside a small page, in the real interface: the survey, the Style screen, the
// first edits, the handover, and what memory the renderer takes.
import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { api, launch } from './lib/application.mjs';
import { MENU_CSS, menuPage } from './lib/menu.mjs';
import { ms, times } from './lib/time.mjs';

/** The package by itself, without what it asks for: nothing of that is on its page. */
const PACKAGE = 'admin-lte@3.2.0';
const SHEET = {
  path: 'package/dist/css/adminlte.min.css',
  sha256: 'ae1534a2c9540d6ad60f14d8e09c48d9ad8e751b46ed849fdefe737116dcc921',
};
const PAGE = {
  path: 'package/pages/forms/general.html',
  sha256: '311a923d30263ccc7e9772d91ac62df5f1ada007b69e3a3a4e94fed562da5036',
};
const CELL = '[data-row=text] .cell, [data-cell="text/default"]';
const EDITS = ['#123456', '#654321', '#abcdef'];

function shipped() {
  const folder = mkdtempSync(join(tmpdir(), 'retoque-bench-'));
  try {
    const options = { cwd: folder, stdio: ['ignore', 'pipe', 'ignore'] };
    const file = execFileSync('npm', ['pack', PACKAGE, '--silent'], options).toString().trim();
    execFileSync('tar', ['xzf', file, SHEET.path, PAGE.path], options);
    const read = ({ path, sha256 }) => {
      const bytes = readFileSync(join(folder, path));
      const found = createHash('sha256').update(bytes).digest('hex');
      if (found !== sha256) throw new Error(`${path} of ${PACKAGE} is another file than it was: ${found}.`);
      return bytes.toString('utf8');
    };
    // The sheet is given with the page; the others that it links lie elsewhere.
    return { html: read(PAGE).replace(/<link[^>]*stylesheet[^>]*>/g, ''), css: read(SHEET) };
  } finally {
    rmSync(folder, { recursive: true });
  }
}

/** Megabytes of the largest renderer. */
const rendererMegabytes = () =>
  Math.max(
    ...execFileSync('ps', ['-eo', 'rss,args'])
      .toString()
      .split('\n')
      .filter((line) => line.includes('--type=renderer'))
      .map((line) => Number.parseInt(line, 10) / 1024),
  );

/**
 * Milliseconds from what somebody does to the picture that shows what it comes to, taken in the page: asking from outside
 * would find it up to half a second late on a page that has just begun to lay out its frames.
 *
 * @param what what is done
 * @param event the event that begins it
 * @param where a selector of what is to be seen
 * @param wanted text that is to stand there
 */
async function shownAfter(page, what, event, where, wanted = '') {
  await page.evaluate(
    ([name, selector, text]) => {
      globalThis.shown = new Promise((resolve) => {
        const look = (begun) => {
          if (document.querySelector(selector)?.textContent.includes(text)) {
            requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - begun)));
          } else requestAnimationFrame(() => look(begun));
        };
        addEventListener(name, (happened) => look(happened.timeStamp), { capture: true, once: true });
      });
    },
    [event, where, wanted],
  );
  await what();
  return page.evaluate(() => globalThis.shown);
}

/** Milliseconds of each thing that an owner waits for. */
async function open(url, { html, css }, component) {
  const brought = await api(url, '/pages/from-paste', 'POST', {
    site: { name: `Bench ${Date.now()}` },
    name: 'Page',
    html,
    css,
  });
  const browser = await launch();
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const taken = {};
  let begun = performance.now();
  const lap = (name) => {
    taken[name] = performance.now() - begun;
    begun = performance.now();
  };
  try {
    await page.goto(url);
    await page.waitForTimeout(1500);
    begun = performance.now();
    await page.goto(`${url}/sites/${brought.siteId}/pages/${brought.id}`);
    await page.locator(`[data-survey-answer="${brought.id}"]`).waitFor({ timeout: 120_000 });
    lap('survey');
    // As long as somebody takes to find what to click.
    await page.waitForTimeout(2000);
    const named = page.getByRole('complementary').getByRole('button', { name: component }).first();
    taken.style = await shownAfter(page, () => named.click(), 'click', '.cell');
    begun = performance.now();
    await page.locator('iframe').first().waitFor({ timeout: 120_000 });
    lap('first frame, after that');
    const cell = page.locator(CELL).first();
    for (const [i, colour] of EDITS.entries()) {
      await page.waitForTimeout(300);
      await cell.click();
      await page.keyboard.press('Enter');
      await page.keyboard.type(colour);
      const edit = i ? 'next edit' : 'first edit';
      taken[edit] = await shownAfter(page, () => page.keyboard.press('Enter'), 'keydown', CELL, colour);
    }
    await page.locator('[data-save=saved]').waitFor({ timeout: 60_000 });
    begun = performance.now();
    await page.getByRole('link', { name: 'Take the CSS' }).click();
    await page.getByText('Proven on this page.').waitFor({ timeout: 120_000 });
    lap('handover');
    return { taken, megabytes: rendererMegabytes() };
  } finally {
    await browser.close();
  }
}

export async function benchShipped(url) {
  const source = shipped();
  const small = await open(url, { html: menuPage(200, ''), css: MENU_CSS }, /^Main menu/);
  const large = await open(url, source, /[0-9] (buttons?|links?|menus?|forms?|cards?)/);
  console.log(`A page under ${(source.css.length / 1e6).toFixed(1)} MB of CSS, beside a small page in the same run:`);
  for (const [name, millis] of Object.entries(large.taken)) {
    console.log(
      `  ${name}: ${ms(millis)}, ${times(millis / small.taken[name])} the small page's ${ms(small.taken[name])}.`,
    );
  }
  console.log(`  the renderer: ${large.megabytes.toFixed(0)} MB beside ${small.megabytes.toFixed(0)} MB.\n`);
}
