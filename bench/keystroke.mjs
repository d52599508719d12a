/* global document, innerWidth, MutationObserver, requestAnimationFrame, window */
// From a keystroke in the editor to the new colour in every frame, the sheet and its figures, in the real interface; a
// peer does in the same page only what no interface could do without: it puts the CSS into the same frames and lays
// them out.
import { api, launch, openMenu } from './lib/application.mjs';
import { fullLook, PARTS, STATES } from './lib/menu.mjs';
import { ms, times } from './lib/time.mjs';

const KEYSTROKES = 60;
const ELEMENTS = 1000;

const spread = (taken) => {
  const sorted = [...taken].sort((a, b) => a - b);
  const at = (share) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))];
  return { median: at(0.5), p95: at(0.95) };
};

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
  const browser = await launch();
  const page = await openMenu(browser, url, ELEMENTS);
  const id = page.url().split('/').at(-1);
  const component = await api(url, `/components/${id}`, 'GET');
  const [trial] = component.trials;
  await api(url, `/components/${id}/trials/${trial.id}/look`, 'PUT', {
    baseRevision: trial.revision,
    saveId: crypto.randomUUID(),
    look: fullLook(),
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
