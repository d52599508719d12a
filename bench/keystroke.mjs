/* global document, innerWidth, MutationObserver, requestAnimationFrame, window */
// From a keystroke in the editor to the new colour in every frame, the sheet and its figures, in the real interface; a
// peer does in the same page only what no interface could do without: it puts the CSS into the same frames and lays
// them out.
import { chromium } from '@playwright/test';
import { ms, times } from './lib/time.mjs';

const KEYSTROKES = 60;
const ELEMENTS = 1000;

const item = (n) =>
  `<article class="tile"><h3>Boat ${n}</h3><p>Leaves at <b>${n % 24}:10</b> from <i>quay ${n}</i>.</p><a href="#${n}">More</a></article>`;
const HEADER = `<header class="top"><div class="utility"><a href="#u">Quay office</a></div><div class="bar"><a class="brand" href="#"><svg viewBox="0 0 9 9"><path d="M0 0h9v9z"/></svg>Line</a>
<nav aria-label="Main menu"><ul><li><a href="#1" aria-current="page">One</a></li><li><a href="#2">Two</a><ul><li><a href="#21">Two one</a></li><li><a href="#22">Two two</a></li></ul></li><li><a href="#3">Three</a></li></ul></nav>
<form><input type="search" name="q" placeholder="Find"><button>Go</button></form><a class="btn" href="#b">Book</a><button class="toggle" aria-controls="m" aria-expanded="false">Menu</button></div></header>`;
const CSS = `.top { color: #fff; background: #123 } .top a { color: #fff; padding: 8px } .top a:hover { background: #357; color: #eee } .top a:focus-visible { outline: 2px solid gold }
.top a:active { background: #111 } .top a[aria-current] { font-weight: 700 } .top a[aria-current]:hover { color: gold } .top li ul { background: #fff } .top li li a { color: #123 } .top li li a:hover { background: #2a7f8e }
.btn { background: gold; color: #123 } .btn:hover { background: #fff } .utility { font-size: 14px; color: #9ab } .tile { border: 1px solid #ccc; padding: 12px } .tile:hover { background: #eee }
@media (max-width: 900px) { .top a { padding: 6px } } @media (max-width: 500px) { .top a { padding: 4px } }`;

function pageOf(count) {
  let body = HEADER;
  let elements = (HEADER.match(/<[a-z]/g) ?? []).length;
  for (let n = 0; elements < count; n++, elements += 6) body += item(n);
  return `<!doctype html><title>Line</title><main>${body}</main>`;
}

const PARTS = [
  'bar',
  'link',
  'panel',
  'sub-link',
  'utility',
  'utility-link',
  'title',
  'logo',
  'search',
  'search-icon',
  'call',
  'toggle',
];
const STATES = [
  [],
  ['hover'],
  ['focus', 'focus-visible'],
  ['active'],
  ['current'],
  ['current', 'hover'],
  ['disabled'],
  ['hover', 'focus'],
];

/** A look with something set for every part, in every state and at every width. */
function look() {
  const settings = PARTS.flatMap((part, p) =>
    STATES.flatMap((states, s) =>
      [undefined, 'medium', 'narrow'].map((viewport, v) => ({
        part,
        property: s % 2 ? 'background-color' : 'color',
        value: `rgb(${p * 20}, ${s * 30}, ${v * 100})`,
        when: {
          states: states.map((state) => ({ part: part === 'logo' ? 'title' : part, state })),
          ...(viewport ? { viewport } : {}),
        },
      })),
    ),
  );
  return { settings, exceptions: [], muted: [] };
}

const spread = (taken) => {
  const sorted = [...taken].sort((a, b) => a - b);
  const at = (share) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))];
  return { median: at(0.5), p95: at(0.95) };
};

async function api(url, path, method, body) {
  const answer = await fetch(`${url}/api${path}`, {
    method,
    headers: { 'content-type': 'application/json' },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
  return answer.json();
}

/** Waits in the page until all frames and the cell show a value, and gives the time since it was asked. */
async function installProbe(page) {
  await page.evaluate(() => {
    const editor = document.querySelector('aside[aria-label=Editor]').getBoundingClientRect();
    const isSeen = (frame) => frame.parentElement.getBoundingClientRect().left < editor.left;
    const frames = (where) => [...document.querySelectorAll(`${where} iframe`)].filter(isSeen);
    // What a frame was last given, noted as it is given: reading it back would take the time that is measured.
    const given = new WeakMap();
    for (const frame of document.querySelectorAll('[data-state] iframe')) {
      const { prototype } = frame.contentWindow.CSSStyleSheet;
      const replace = prototype.replaceSync;
      prototype.replaceSync = function (text) {
        given.set(frame, text);
        const result = replace.call(this, text);
        frame.onShown?.();
        return result;
      };
    }
    const hovered = frames('[data-state*=hover]');
    const painted = (then) => requestAnimationFrame(() => then());
    let check = () => undefined;
    new MutationObserver(() => check()).observe(document.querySelector('[role=grid]'), {
      subtree: true,
      childList: true,
      characterData: true,
    });
    for (const frame of hovered) frame.onShown = () => check();
    window.measure = (wanted, shown) =>
      new Promise((resolve) => {
        document.addEventListener(
          'input',
          () => {
            const start = performance.now();
            check = () => {
              const ready =
                hovered.every((frame) => given.get(frame)?.includes(wanted)) &&
                document.querySelector('.cell[data-head]')?.textContent.includes(shown);
              if (!ready) return;
              check = () => undefined;
              painted(() => resolve(performance.now() - start));
            };
          },
          { once: true, capture: true },
        );
      });
    // The least that any interface has to do: new CSS in the same frames, laid out.
    window.bare = (i) => {
      const sheets = frames('[data-state]').map((frame) => [
        frame,
        [...frame.contentDocument.adoptedStyleSheets].at(-1),
      ]);
      const texts = sheets.map(([, sheet]) => [...sheet.cssRules].map((rule) => rule.cssText).join(' '));
      const start = performance.now();
      sheets.forEach(([frame, sheet], at) => {
        sheet.replaceSync(`${texts[at]} .top a { color: #0000${(i % 90) + 10} }`);
        frame.contentDocument.body.getBoundingClientRect();
      });
      return new Promise((resolve) => painted(() => resolve(performance.now() - start)));
    };
  });
}

export async function benchKeystroke(url) {
  const brought = await api(url, '/pages/from-paste', 'POST', {
    site: { name: `Bench ${Date.now()}` },
    name: 'Line',
    html: pageOf(ELEMENTS),
    css: CSS,
  });
  const browser = await chromium.launch({
    executablePath: process.env.RETOQUE_CHROMIUM ?? '/usr/bin/chromium',
    args: process.getuid?.() === 0 ? ['--no-sandbox'] : [],
  });
  const page = await browser.newPage({ viewport: { width: 1600, height: 900 } });
  await page.goto(`${url}/sites/${brought.siteId}/pages/${brought.id}`);
  await page.getByRole('button', { name: /^Main menu/ }).click();
  await page.waitForSelector('.cell');
  const id = page.url().split('/').at(-1);
  const component = await api(url, `/components/${id}`, 'GET');
  const [trial] = component.trials;
  await api(url, `/components/${id}/trials/${trial.id}/look`, 'PUT', {
    baseRevision: trial.revision,
    saveId: crypto.randomUUID(),
    look: look(),
  });
  await page.reload();
  await page.waitForSelector('.cell[data-own]');
  await page.waitForTimeout(4000);
  const results = [];
  for (const unfold of [false, true]) {
    if (unfold) {
      await page.getByRole('button', { name: 'Commands' }).click();
      await page.getByLabel('Find a command').fill('Unfold every');
      await page.keyboard.press('Enter');
      await page.waitForTimeout(1500);
    }
    const link = page.locator('[data-part=link] .fold');
    if ((await link.getAttribute('aria-expanded')) === 'false') await link.click();
    await page.locator('[data-part=link] [data-cell="text/hover"]').click();
    await page.waitForTimeout(2500);
    const frames = await page.evaluate(
      () =>
        [...document.querySelectorAll('[data-state] iframe')].filter(
          (frame) => frame.getBoundingClientRect().left < innerWidth - 300,
        ).length,
    );
    const cells = await page.locator('.cell').count();
    await installProbe(page);
    await page.keyboard.press('Enter');
    const taken = [];
    for (let i = 0; i < KEYSTROKES + 10; i++) {
      const value = `#${(0x101010 + i * 257).toString(16)}`;
      const measured = page.evaluate((text) => window.measure(text, text), value);
      await page.keyboard.press('Control+A');
      await page.keyboard.insertText(value);
      const time = await measured;
      // The first ones warm the code up.
      if (i >= 10) taken.push(time);
      await page.waitForTimeout(30);
    }
    const bare = [];
    for (let i = 0; i < 20; i++) bare.push(await page.evaluate((n) => window.bare(n), i));
    results.push({ unfold, frames, cells, ours: spread(taken), bare: spread(bare) });
  }
  await browser.close();
  console.log(
    `A keystroke in the editor, on a page of ${ELEMENTS} elements, ${PARTS.length} parts set in ${STATES.length} states at 3 widths:`,
  );
  for (const { unfold, frames, cells, ours, bare } of results) {
    console.log(
      `  ${unfold ? 'every part unfolded' : 'one part unfolded  '} (${frames} frames, ${cells} cells): p95 ${ms(ours.p95)}, median ${ms(ours.median)};` +
        ` the same CSS into the same frames and nothing else: p95 ${ms(bare.p95)}, median ${ms(bare.median)}, so ${times(ours.median / bare.median)} that`,
    );
  }
  console.log('');
}
