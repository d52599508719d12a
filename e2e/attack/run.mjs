/* global window, history, dispatchEvent, PopStateEvent */
// Brings every hostile input, by API and some through the dialogs, opens what is taken in Chromium, and watches.
import { chromium } from '@playwright/test';
import { createServer } from 'node:http';
import { hostileInputs } from './inputs.mjs';
import { stolenFromCores, waitedForCore } from './waited.mjs';

const url = process.env.RETOQUE_URL;
const serverPid = process.env.RETOQUE_SERVER_PID;
const isShort = process.argv.includes('--short');
const only = process.argv.find((argument) => argument.startsWith('--only='))?.slice(7);
/** Every so manieth input of the short form, so that each sort is in it. */
const SHORT_STEP = 11;
const AT_ONCE = 2;
const API_MILLIS = 30_000;
const SCREEN_MILLIS = 30_000;
const PROBE_MILLIS = 200;
const STALL_MILLIS = 1000;

const found = { scripts: 0, left: 0, stalls: 0, crashes: 0, silent: 0 };
const note = (kind, input, words) => {
  found[kind]++;
  // Told as it happens, so that a run that is ended says what it has found.
  process.stdout.write(`  ${kind}: ${input.name}: ${words.slice(0, 400)}\n`);
};
/** Inputs in whose time a screen or the server gave no answer while others were open beside them: they come again, alone. */
const again = new Set();
let isAlone = false;
const ifAlone = (kind, input, words) => {
  if (isAlone) note(kind, input, words);
  else again.add(input);
};
const silent = (input, words) => ifAlone('silent', input, words);
/** For all screens of one input together. */
const TAB_MILLIS = 75_000;
const SLOW_MILLIS = 8000;
const wait = (millis) => new Promise((resolve) => setTimeout(resolve, millis));

/** Whether something was done in time. */
const within = (millis, work) => Promise.race([work.then(() => true), wait(millis).then(() => false)]);

/** What the first answers wait for is the server's own beginning. */
const NOTHING = { name: 'nothing' };
let current = NOTHING;
const canary = createServer((request, response) => {
  note('left', current, `the canary was asked for ${request.url}`);
  response.end();
});
await new Promise((resolve) => canary.listen(0, '127.0.0.1', resolve));
const canaryOrigin = `http://127.0.0.1:${canary.address().port}`;

const lostTo = async () =>
  (await waitedForCore(serverPid)) + (await waitedForCore(process.pid)) + (await stolenFromCores());
let probing = true;
const probe = (async () => {
  while (probing) {
    const begun = Date.now();
    const waited = await lostTo();
    try {
      const answer = await fetch(`${url}/api/health`, { signal: AbortSignal.timeout(20_000) });
      if (!answer.ok) note('crashes', current, `health answered ${answer.status}`);
    } catch (error) {
      note('crashes', current, `health did not answer: ${error.message}`);
    }
    const took = Date.now() - begun;
    // Browsers compute on the same cores, and other machines on the same host; what the server waited, and who asks it,
    // is not what an input did to it.
    const held = took - ((await lostTo()) - waited);
    if (held > STALL_MILLIS && current !== NOTHING)
      ifAlone('stalls', current, `health took ${took} ms, ${Math.round(held)} of its own`);
    await wait(Math.max(0, PROBE_MILLIS - took));
  }
})();

async function api(method, path, body, headers = {}) {
  const isForm = body instanceof FormData;
  return fetch(`${url}/api${path}`, {
    method,
    headers: { origin: new URL(url).origin, ...(isForm ? {} : { 'content-type': 'application/json' }), ...headers },
    body: typeof body === 'string' || isForm ? body : body && JSON.stringify(body),
    signal: AbortSignal.timeout(API_MILLIS),
  });
}

let sites = 0;
/** A site of its own for each, so that Style, which looks at all pages of a site, meets one input at a time. */
const newSite = () => ({ name: `Attacked ${++sites}` });

/** A page with a button that is good, for what is aimed at pages that are there. */
async function goodPage() {
  const answer = await api('POST', '/pages/from-paste', {
    site: newSite(),
    name: 'Good',
    html: '<!doctype html><title>G</title><main><a class="btn" href="#">Board now</a><p>Some words.</p></main>',
    css: '.btn { color: #fff; background: #0b5563 }',
  });
  return answer.json();
}

const locator = { selector: '.btn', tag: 'a', classes: ['btn'], attributes: {}, text: 'Board now', ancestry: [] };

/** Brings an input; gives the page to open where there is one. */
async function bring(input) {
  switch (input.by) {
    case 'paste': {
      const { html, css = '' } = input;
      return api('POST', '/pages/from-paste', { site: newSite(), name: input.name.slice(0, 100), html, css });
    }
    case 'upload': {
      const form = new FormData();
      form.set('siteName', newSite().name);
      form.set('paths', JSON.stringify(['page.html', 'p.svg']));
      const html =
        '<!doctype html><title>P</title><style>body{background:url(p.svg)}.btn{color:#fff}</style><a class="btn" href="#">Board</a><img src="p.svg"><p>Words.</p>';
      form.append('files', new Blob([html]), 'page.html');
      form.append('files', new Blob([input.picture]), 'p.svg');
      return api('POST', '/pages/from-upload', form);
    }
    case 'body':
      return api('POST', '/pages/from-paste', input.body);
    case 'address':
      return api('POST', '/pages/from-address', { site: { name: 'Refused' }, address: input.address });
    case 'value': {
      const page = await goodPage();
      const component = await (
        await api('POST', '/components', { pageId: page.id, kind: 'button', name: 'Board', locator })
      ).json();
      const settings = [{ part: 'button', property: 'background-image', when: { states: [] }, value: input.value }];
      const save = { baseRevision: 0, saveId: crypto.randomUUID(), look: { settings, exceptions: [], muted: [] } };
      const answer = await api('PUT', `/components/${component.id}/trials/${component.currentTrialId}/look`, save);
      if (answer.status >= 500) return answer;
      return new Response(JSON.stringify(page), { status: answer.ok ? 201 : answer.status });
    }
    case 'change': {
      const page = await goodPage();
      const change = { kind: null, name: 'Change', locator, place: 'after', html: input.html, css: '', before: null };
      const answer = await api('POST', `/pages/${page.id}/changes`, change);
      if (answer.status >= 500) return answer;
      // Whatever became of the change, the page must open.
      const after = await api('GET', `/pages/${page.id}`);
      return new Response(await after.text(), { status: after.status === 200 ? 201 : after.status });
    }
    default:
      throw new Error(`Nothing brings ${input.by}.`);
  }
}

const browser = await chromium.launch({
  executablePath: process.env.RETOQUE_CHROMIUM ?? '/usr/bin/chromium',
  args: process.getuid?.() === 0 ? ['--no-sandbox'] : [],
});

/** A tab that inputs are opened in one after the other; `of` is the one in it now. */
async function openTab() {
  const tab = { of: { name: 'nothing' }, opened: 0, lastError: '' };
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  const isOurs = (to) => to.startsWith(url) || /^(data|blob|about):/.test(to);
  const left = (request, words) =>
    isOurs(request.url()) || note('left', tab.of, `${words} ${request.url().slice(0, 120)}`);
  page.on('requestfinished', (request) => left(request, 'the page asked for'));
  page.on('requestfailed', (request) => {
    // What the policy stopped never left the browser.
    if (request.failure()?.errorText !== 'csp') left(request, 'the page tried to ask for');
  });
  page.on('console', (message) => {
    if (message.type() === 'error') tab.lastError = message.text();
  });
  page.on('dialog', (dialog) => {
    note('scripts', tab.of, 'a dialog opened');
    void dialog.dismiss();
  });
  page.on('crash', () => {
    tab.isCrashed = true;
    note('crashes', tab.of, 'the tab crashed');
  });
  await page.goto(url);
  return Object.assign(tab, { context, page });
}

async function ranIn(page) {
  for (const frame of page.frames()) {
    const ran = await frame.evaluate(() => Boolean(window.__ran || window.top.__ran)).catch(() => false);
    if (ran) return true;
  }
  return false;
}

const FAILED = 'h1:has-text("This screen could not be shown")';
/** Style and live are opened for every so manieth of what aims at Survey's frame alone; all frames are built alike. */
const STYLE_STEP = 4;

async function failedIn(tab, input, screen) {
  const { page } = tab;
  if (!(await page.locator(FAILED).isVisible())) return false;
  note('silent', input, `${screen} ended in the error screen: ${tab.lastError}`);
  await page.goto(url);
  return true;
}

/** Opens a page in Survey, Style and live; an answer is a list, a sheet, or words that say why there is none. */
async function open(tab, input, { siteId, id }) {
  const { page } = tab;
  tab.of = input;
  try {
    await page.evaluate((path) => {
      history.pushState({}, '', path);
      dispatchEvent(new PopStateEvent('popstate'));
    }, `/sites/${siteId}/pages/${id}`);
    await page.locator(`[data-survey-answer="${id}"], ${FAILED}`).first().waitFor({ timeout: SCREEN_MILLIS });
    if (await failedIn(tab, input, 'Survey')) return;
    await page.locator('iframe[title="The page"], [role=alert]').first().waitFor({ timeout: SCREEN_MILLIS });
    await wait(150);
    const row = page
      .getByRole('complementary')
      .getByRole('button', { name: /Go|Board/ })
      .first();
    if ((!input.isForFrames || tab.opened++ % STYLE_STEP === 0) && (await row.isVisible())) {
      await row.click({ timeout: SCREEN_MILLIS });
      await page.locator(`.cell, main [role=alert], ${FAILED}`).first().waitFor({ timeout: SCREEN_MILLIS });
      if (await failedIn(tab, input, 'Style')) return;
      await page.keyboard.press('l');
      await wait(300);
      await page.mouse.click(640, 400);
      await wait(100);
      await page.keyboard.press('Escape');
    }
    if (await ranIn(page)) note('scripts', input, 'a script ran');
  } catch (error) {
    silent(input, error.message.split('\n')[0]);
    await page.goto(url).catch(() => undefined);
  }
}

/** Brings a page through the dialog, as a person would. */
async function byDialog(tab, input) {
  const { page } = tab;
  tab.of = input;
  try {
    await page.goto(url);
    await page.getByRole('button', { name: 'Bring a page' }).first().click();
    await page.getByRole('tab', { name: 'Paste' }).click();
    await page.getByLabel('Name of the page').fill(input.name.slice(0, 100));
    await page.getByLabel('HTML', { exact: true }).fill(input.html);
    await page.getByRole('dialog').getByRole('combobox').selectOption('new');
    await page.getByLabel('Name of the new site').fill('By the dialog');
    await page.getByRole('button', { name: 'Bring the page' }).click();
    await page.locator('[data-survey-answer], [role=dialog] [role=alert]').first().waitFor({ timeout: SCREEN_MILLIS });
    if (await ranIn(page)) note('scripts', input, 'a script ran');
  } catch (error) {
    silent(input, `by the dialog: ${error.message.split('\n')[0]}`);
    await page.goto(url).catch(() => undefined);
  }
}

const all = hostileInputs(canaryOrigin);
const inputs = only
  ? all.filter((input) => input.name.includes(only) || input.by === only)
  : isShort
    ? all.filter((_, i) => i % SHORT_STEP === 0)
    : all;
await goodPage();
let done = 0;

/** Brings an input and opens it; gives the tab for the next one. */
async function attack(tab, input) {
  current = input;
  let next = tab;
  try {
    const answer = await bring(input);
    const body = await answer.text();
    if (answer.status >= 500) note('crashes', input, `answered ${answer.status}: ${body.slice(0, 160)}`);
    if (answer.status === 201 && !(await within(TAB_MILLIS, open(tab, input, JSON.parse(body))))) {
      silent(input, 'the tab hangs');
      void tab.context.close().catch(() => undefined);
      next = await openTab();
    }
    if (input.by === 'paste' && done % 25 === 0 && input.html.length < 200_000) await byDialog(next, input);
  } catch (error) {
    silent(input, error.message.split('\n')[0]);
  }
  if (!next.page.isClosed() && !next.isCrashed) return next;
  void next.context.close().catch(() => undefined);
  return openTab();
}

/** Takes inputs from a queue, in one tab. */
async function attackAll(queue) {
  let tab = await openTab();
  for (let input = queue.shift(); input; input = queue.shift()) {
    const begun = Date.now();
    tab = await attack(tab, input);
    const took = Date.now() - begun;
    if (took > SLOW_MILLIS) process.stdout.write(`  ${input.name} took ${Math.round(took / 1000)} s\n`);
    if (++done % 20 === 0) process.stdout.write(`· ${done} of ${inputs.length}\n`);
  }
  await tab.context.close().catch(() => undefined);
}

const queue = [...inputs];
await Promise.all(Array.from({ length: AT_ONCE }, () => attackAll(queue)));
isAlone = true;
if (again.size)
  process.stdout.write(`· ${again.size} again, alone: ${[...again].map(({ name }) => name).join(', ')}\n`);
await attackAll([...again]);
probing = false;
await probe;
await browser.close();
canary.close();
const { scripts, left, stalls, crashes } = found;
process.stdout.write(
  `inputs ${inputs.length}, scripts run ${scripts}, requests that left ${left}, server stalls over 1 s ${stalls}, crashes ${crashes}, screens without an answer ${found.silent}\n`,
);
process.exit(scripts + left + stalls + crashes + found.silent ? 1 : 0);
