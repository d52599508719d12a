/* global document */
// A running line as the handed-over script moves it, beside the same text moved by an animation of CSS: how many frames
// are dropped, and whether anything is laid out or styled anew meanwhile. The thread of the page is kept busy for half of
// the time, as other scripts of a site may.
import { starterOf } from '@retoque/core';
import { launch } from './lib/application.mjs';
import { times } from './lib/time.mjs';

const SECONDS = 6;
const BUSY_MS = 50;
const TEXT = 'Seals seen at the lighthouse • Bicycles travel free • New: the night boat • ';

const pageOf = (body, css, script) =>
  `<!doctype html><html lang="en"><meta charset="utf-8"><title>Line</title><style>body { margin: 0 } ${css}</style>${script ? `<script type="module">${script}</script>` : ''}<body>${body}</body></html>`;

function marquee() {
  const css = `.line { overflow: hidden; background: #0f2831; color: #fff; white-space: nowrap } .line p { display: inline-block; margin: 0; padding: .8em 0; animation: run 20s linear infinite } @keyframes run { to { transform: translateX(-50%) } }`;
  return pageOf(`<div class="line"><p>${TEXT.repeat(8)}</p></div>`, css, '');
}

function ticker(script) {
  const { html, css } = starterOf('ticker');
  return pageOf(html, `${css} .rq-ticker { --rq-run-speed: 60px }`, script);
}

/** Frames drawn and dropped, and what the page did meanwhile. */
async function measure(browser, html) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 400 } });
  await page.setContent(html);
  await page.waitForTimeout(800);
  const client = await page.context().newCDPSession(page);
  await client.send('Performance.enable');
  const metrics = async () => {
    const { metrics: list } = await client.send('Performance.getMetrics');
    return Object.fromEntries(list.map(({ name, value }) => [name, value]));
  };
  await page.evaluate((busy) => {
    setInterval(() => {
      const end = performance.now() + busy;
      while (performance.now() < end) document.title.trim();
    }, busy * 2);
  }, BUSY_MS);
  const before = await metrics();
  await browser.startTracing(page, { categories: ['disabled-by-default-devtools.timeline.frame'] });
  await page.waitForTimeout(SECONDS * 1000);
  const trace = JSON.parse((await browser.stopTracing()).toString());
  const after = await metrics();
  await page.close();
  const count = (name) => trace.traceEvents.filter((event) => event.name === name).length;
  return {
    drawn: count('DrawFrame'),
    dropped: count('DroppedFrame'),
    layouts: after.LayoutCount - before.LayoutCount,
    styles: after.RecalcStyleCount - before.RecalcStyleCount,
  };
}

const words = ({ drawn, dropped, layouts, styles }) =>
  `${drawn} frames drawn, ${dropped} dropped, ${layouts} layouts, ${styles} times styled anew`;

export async function benchTicker(url) {
  const answer = await fetch(`${url}/api/behaviours/script?names=ticker`);
  if (!answer.ok) throw new Error(`The script: ${answer.status} ${await answer.text()}`);
  const { minified } = await answer.json();
  const browser = await launch();
  const peer = await measure(browser, marquee());
  const own = await measure(browser, ticker(minified));
  await browser.close();
  console.log(`A running line for ${SECONDS} s, the page's thread busy half of the time:`);
  console.log(`  by the script: ${words(own)}.`);
  console.log(`  by an animation of CSS: ${words(peer)}.`);
  console.log(`  ${times(own.drawn / Math.max(1, peer.drawn))} the frames of the animation.\n`);
}
