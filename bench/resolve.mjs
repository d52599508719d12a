/* global document, getComputedStyle */
// Resolving interactive elements in four states, beside jsdom, happy-dom (both at rest only) and Chromium itself.
import { chromium } from '@playwright/test';
import { markStates } from '@retoque/core';
import { Window } from 'happy-dom';
import { JSDOM } from 'jsdom';
import { interactiveOf, resolveAll, sessionOf } from './lib/core.mjs';
import { ASKED, INTERACTIVE, PAGES } from './lib/pages.mjs';
import { median, ms, times } from './lib/time.mjs';

const MARKERS = [[], ['hover'], ['focus', 'focus-visible', 'focus-within'], ['hover', 'active']];

function readAtRest(window) {
  const elements = [...window.document.querySelectorAll(INTERACTIVE)];
  return () => {
    let length = 0;
    for (const element of elements) {
      const style = window.getComputedStyle(element);
      for (const property of ASKED) length += style.getPropertyValue(property).length;
    }
    return length;
  };
}

/** Median time of what each preparation hands back. */
function medianOf(runs, prepare) {
  const taken = [];
  for (let i = 0; i < runs; i++) {
    const run = prepare();
    const start = performance.now();
    run();
    taken.push(performance.now() - start);
  }
  return taken.sort((a, b) => a - b)[Math.floor(runs / 2)];
}

/** Median time of the first reading of a fresh page, as the core is given nothing it worked out before either. */
async function firstReads(open, runs = 3) {
  const taken = [];
  for (let i = 0; i < runs; i++) {
    const [window, close] = open();
    const read = readAtRest(window);
    const start = performance.now();
    read();
    taken.push(performance.now() - start);
    await close();
  }
  return taken.sort((a, b) => a - b)[Math.floor(runs / 2)];
}

/** Chromium's own time in the page: states forced by markers on the element and its ancestors, as in a still frame. */
async function chromiumTime(browser, page) {
  const tab = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const marked = page.sheets.map((css) => markStates(css));
  const body = /<body[^>]*>([\s\S]*)<\/body>/i.exec(page.html)[1];
  await tab.setContent(
    `<!doctype html><html lang="en"><head>${marked.map((css) => `<style>${css}</style>`).join('')}</head><body>${body}</body></html>`,
  );
  const taken = await tab.evaluate(
    ([selector, properties, states]) => {
      const elements = [...document.querySelectorAll(selector)];
      const run = () => {
        const start = performance.now();
        let length = 0;
        for (const state of states) {
          for (const element of elements) {
            const changed = [];
            if (state.length) {
              for (let node = element; node; node = node.parentElement) {
                for (const name of state) node.setAttribute(`data-rq-${name}`, '');
                changed.push(node);
              }
            }
            const style = getComputedStyle(element);
            for (const property of properties) length += style.getPropertyValue(property).length;
            for (const node of changed) for (const name of state) node.removeAttribute(`data-rq-${name}`);
          }
        }
        return [performance.now() - start, length];
      };
      run();
      return Array.from({ length: 5 }, () => run()[0]).sort((a, b) => a - b)[2];
    },
    [INTERACTIVE, ASKED, MARKERS],
  );
  await tab.close();
  return taken;
}

const warmUp = (session) => resolveAll(session, interactiveOf(session));

export async function benchResolve() {
  console.log(
    `Resolving interactive elements, ${ASKED.length} properties each: the core in four states, from parsed sheets,`,
  );
  console.log('beside jsdom and happy-dom at rest alone and Chromium in four states.\n');
  const browser = await chromium.launch({
    executablePath: process.env.RETOQUE_CHROMIUM ?? '/usr/bin/chromium',
    args: process.getuid?.() === 0 ? ['--no-sandbox'] : [],
  });
  for (let i = 0; i < 5; i++) for (const page of PAGES) warmUp(sessionOf(page));
  for (const page of PAGES) {
    const count = interactiveOf(sessionOf(page)).length;
    const core = medianOf(5, () => {
      const session = sessionOf(page);
      const elements = interactiveOf(session);
      return () => resolveAll(session, elements);
    });
    const parse = await median(() => sessionOf(page), 3);
    const real = await chromiumTime(browser, page);
    const jsdom = await firstReads(() => {
      const dom = new JSDOM(page.html);
      return [dom.window, () => dom.window.close()];
    });
    const happy = await firstReads(() => {
      const window = new Window({ width: 1280, height: 800, settings: { disableJavaScriptEvaluation: true } });
      window.document.write(page.html);
      return [window, () => window.happyDOM.close()];
    });
    console.log(`${page.name}: ${count} elements, core ${ms(core)} (and ${ms(parse)} to parse page and sheets)`);
    console.log(
      `  jsdom     ${ms(jsdom).padStart(9)} for one state   ${times(jsdom / core)} the core's time for four states`,
    );
    console.log(
      `  happy-dom ${ms(happy).padStart(9)} for one state   ${times(happy / core)} the core's time for four states`,
    );
    console.log(`  Chromium  ${ms(real).padStart(9)} for four states  the core takes ${times(core / real)} its time\n`);
  }
  await browser.close();
}
