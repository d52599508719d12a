/* global document, MutationObserver, requestAnimationFrame */
// From a press on the button that makes all of a component pass until what it comes to is painted, in the real
// interface: in the very instant in which it can be pressed, as no hand can, and after looks of some length at the list.
import { launch, openMenu } from './lib/application.mjs';
import { ms, times } from './lib/time.mjs';

const ELEMENTS = 1000;
const ROUNDS = 3;
/** Looks at the list before the press, in milliseconds. */
const GLANCES = [0, 500, 1000, 3000];

async function press(browser, url, glance) {
  const page = await openMenu(browser, url, ELEMENTS);
  await page.getByRole('button', { name: 'Checks', exact: true }).click();
  const button = page.getByRole('button', { name: 'Make all of it pass' });
  await button.and(page.locator(':enabled')).waitFor({ timeout: 90_000 });
  await page.waitForTimeout(glance);
  const taken = await button.evaluate(
    (element) =>
      new Promise((resolve) => {
        const start = performance.now();
        const seen = new MutationObserver(() => {
          if (!document.querySelector('.solution')) return;
          seen.disconnect();
          requestAnimationFrame(() => resolve(performance.now() - start));
        });
        seen.observe(document.body, { subtree: true, childList: true });
        element.click();
      }),
  );
  const words = await page.locator('.solution p').first().textContent();
  await page.close();
  return { taken, words };
}

export async function benchPress(url) {
  const browser = await launch();
  const taken = GLANCES.map(() => []);
  let words = '';
  for (let i = 0; i < ROUNDS; i++) {
    for (const [at, glance] of GLANCES.entries()) {
      const pressed = await press(browser, url, glance);
      taken[at].push(pressed.taken);
      words = pressed.words.trim();
    }
  }
  await browser.close();
  const middles = taken.map((own) => own.sort((a, b) => a - b)[Math.floor(own.length / 2)]);
  console.log(
    `From a press until all of a component is solved and seen, in a worker that has just started (${words}):`,
  );
  GLANCES.forEach((glance, at) => {
    const beside = at ? `, ${times(middles[0] / middles[at])} faster than at once` : '';
    console.log(
      `  ${ms(middles[at])} ${glance ? `after a look at the checks of ${glance / 1000} s` : 'at once'}${beside}.`,
    );
  });
  console.log('  (Wanted: under 100 ms.)\n');
}
