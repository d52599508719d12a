import { expect, test, type APIRequestContext, type Page } from '@playwright/test';
import { changeLook, EMPTY_LOOK, PageSession, statesOf, type Atom, type CheckRecord, type Look } from '@retoque/core';
import { execFileSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { OWN, PRACTICE } from './support';

interface BroughtPage {
  readonly id: string;
  readonly siteId: string;
  readonly version: {
    readonly html: string;
    readonly address: string;
    readonly sheets: readonly never[];
    readonly edition: string;
  };
}

/** Pages of the demo site as a site of their own. */
async function bring(request: APIRequestContext, ...paths: string[]): Promise<BroughtPage[]> {
  const pages: BroughtPage[] = [];
  for (const path of paths) {
    const site = pages[0] ? { id: pages[0].siteId } : { name: `Whole ${Date.now()} ${Math.random()}` };
    const answer = await request.post('/api/pages/from-address', {
      data: { site, address: `${PRACTICE}${path}` },
      headers: OWN,
    });
    expect(answer.ok()).toBe(true);
    pages.push((await answer.json()) as BroughtPage);
  }
  return pages;
}

const set = (part: string, property: string, value: string, states: readonly Atom[] = [], page?: string) => ({
  part,
  property,
  value,
  when: { states: statesOf(part, states), ...(page ? { page } : {}) },
});

/** Gives a component of a page a look, as it is found there. */
async function dress(request: APIRequestContext, page: BroughtPage, kind: string, selector: string, look: Look) {
  const { html, address, sheets } = page.version;
  const found = new PageSession({ html, address, sheets })
    .components()
    .find((item) => item.kind === kind && item.selector === selector)!;
  const data = { pageId: page.id, kind, name: found.name, locator: found.locator };
  const kept = (await (await request.post('/api/components', { data, headers: OWN })).json()) as {
    id: string;
    currentTrialId: string;
  };
  const save = { baseRevision: 0, saveId: crypto.randomUUID(), look };
  const saved = await request.put(`/api/components/${kept.id}/trials/${kept.currentTrialId}/look`, {
    data: save,
    headers: OWN,
  });
  expect(saved.ok()).toBe(true);
  return found;
}

const rgb = (hex: string) => `rgb(${[1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16)).join(', ')})`;

async function textOf(page: Page, path: string): Promise<string> {
  const downloaded = page.waitForEvent('download');
  await page.getByRole('button', { name: `Download ${path}` }).click();
  return readFileSync(await (await downloaded).path(), 'utf8');
}

test('several looks on several pages are handed over as one, and do on the live pages what was shown', async ({
  page,
  context,
}) => {
  const [home, timetable] = await bring(page.request, '/', '/timetable.html');
  const menu = changeLook(EMPTY_LOOK, [
    set('link', 'color', '#fff4d6'),
    set('link', 'color', '#ffd166', ['hover']),
    set('bar', 'background-color', '#12343b'),
  ]);
  await dress(page.request, home!, 'menu', '.qh-head', menu);
  const button = changeLook(EMPTY_LOOK, [
    set('button', 'color', '#ffffff'),
    set('button', 'color', '#fffbe6', ['hover']),
    set('button', 'background-color', '#7a1f0f', [], timetable!.id),
  ]);
  await dress(page.request, home!, 'button', '.skip', button);

  await page.goto(`/sites/${home!.siteId}/pages/${home!.id}`);
  await page.getByRole('link', { name: 'Hand over' }).click();
  await expect(page.getByText('Proven on this page.')).toBeVisible();
  await expect(page.getByText('And on 1 page more: every page that it reaches.')).toBeVisible();
  const proofs = page.getByRole('table', { name: 'What was proven on each page' }).getByRole('row');
  await expect(proofs).toHaveCount(3);
  const names = await page.getByRole('button', { name: /^Download / }).allInnerTexts();
  expect(names).toHaveLength(2);
  const forAll = await textOf(page, 'retoque.css');
  const forOne = await textOf(page, names[1]!.replace('Download ', ''));
  expect(forAll).not.toContain('#7a1f0f');

  for (const [path, css, ground] of [
    ['/', forAll, undefined],
    ['/timetable.html', `${forAll}\n${forOne}`, '#7a1f0f'],
  ] as const) {
    const live = await context.newPage();
    await live.goto(`${PRACTICE}${path}`);
    await live.addStyleTag({ content: css });
    await live.addStyleTag({ content: '* { transition: none !important }' });
    const link = live.locator('.qh-head nav > ul > li > a').nth(2);
    await expect(link).toHaveCSS('color', rgb('#fff4d6'));
    await link.hover();
    await expect(link).toHaveCSS('color', rgb('#ffd166'));
    await live.mouse.move(2, 700);
    // It is shown once it has the focus.
    const skip = live.locator('.skip');
    await skip.focus();
    await expect(skip).toHaveCSS('color', rgb('#ffffff'));
    if (ground) await expect(skip).toHaveCSS('background-color', rgb(ground));
    await skip.hover();
    await expect(skip).toHaveCSS('color', rgb('#fffbe6'));
    await live.close();
  }

  // One that is left out is not said anything about.
  await page.getByRole('checkbox', { name: /Main menu/ }).uncheck();
  await expect(page.locator('.cm-content').first()).not.toContainText('#fff4d6');
  await expect(page.locator('.cm-content').first()).toContainText('#fffbe6');
  const [folder] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: /one folder/ }).click(),
  ]);
  expect(folder.suggestedFilename()).toMatch(/-retoque\.zip$/);
});

test('worker, server and command have the same figures of a page with looks on it', async ({ page }) => {
  const [timetable] = await bring(page.request, '/timetable.html');
  const menu = changeLook(EMPTY_LOOK, [set('link', 'color', '#345678'), set('link', 'color', '#89abcd', ['hover'])]);
  await dress(page.request, timetable!, 'menu', '.qh-head', menu);
  const button = changeLook(EMPTY_LOOK, [set('button', 'background-color', '#dddddd')]);
  await dress(page.request, timetable!, 'button', '.skip', button);
  const { html, edition } = timetable!.version;

  await page.addInitScript(() => {
    const Native = window.Worker;
    const made: Worker[] = [];
    Object.assign(window, { made });
    window.Worker = class extends Native {
      constructor(...given: ConstructorParameters<typeof Native>) {
        super(...given);
        made.push(this);
      }
    };
  });
  await page.goto(`/sites/${timetable!.siteId}/pages/${timetable!.id}`);
  await expect(page.locator(`[data-survey-answer="${timetable!.id}"]`)).toBeVisible();
  // The survey lays the page out; what it measured is what all three go by.
  type Measured = { opened?: string };
  const geometry = async () =>
    ((await (await page.request.get(`/api/pages/${timetable!.id}/geometry`)).json()) as Measured[]).filter(
      ({ opened }) => !opened,
    );
  await expect.poll(async () => (await geometry()).length).toBeGreaterThan(0);
  const [laidOut] = await geometry();

  const fromServer = async (looks: string) => {
    const answer = await page.request.get(`/api/pages/${timetable!.id}/checks?looks=${looks}`);
    return ((await answer.json()) as { checks: CheckRecord[] }).checks;
  };
  const server = await fromServer('worn');
  // The looks are in the figures.
  expect(server).not.toEqual(await fromServer('none'));

  // The page as it was brought, with what it asks for beside it.
  const folder = mkdtempSync(join(tmpdir(), 'retoque-site-'));
  let command: CheckRecord[];
  try {
    cpSync(fileURLToPath(new URL('../../apps/practice-host/site', import.meta.url)), folder, { recursive: true });
    writeFileSync(join(folder, 'timetable.html'), html);
    const looks = await page.request.get(`/api/sites/${timetable!.siteId}/looks`);
    writeFileSync(join(folder, 'looks.json'), await looks.text());
    writeFileSync(join(folder, 'geometry.json'), JSON.stringify(laidOut));
    const bin = fileURLToPath(new URL('../../apps/cli/bin/retoque.mjs', import.meta.url));
    const printed = execFileSync(
      process.execPath,
      [
        ...[bin, 'check', 'timetable.html', '--looks', 'looks.json', '--geometry', 'geometry.json'],
        ...['--format', 'json', '--advice', '--fail-on', 'never'],
      ],
      { cwd: folder, maxBuffer: 1e8 },
    );
    command = JSON.parse(printed.toString()) as CheckRecord[];
  } finally {
    rmSync(folder, { recursive: true });
  }

  const worker = await page.evaluate(
    (version) =>
      new Promise<CheckRecord[]>((resolve) => {
        const [engine] = (window as unknown as { made: Worker[] }).made;
        const id = 'asked by a test';
        engine!.addEventListener('message', ({ data }: MessageEvent<{ id: string; value: CheckRecord[] }>) => {
          if (data.id === id) resolve(data.value);
        });
        const argumentList = [version, 'worn', 'wide'].map((value) => ({ type: 'RAW', value }));
        engine!.postMessage({ id, type: 'APPLY', path: ['checks'], argumentList });
      }),
    edition,
  );

  expect(worker.map(comparable)).toEqual(server.map(comparable));
  // The command leaves out what level AA does not ask for, and names the page.
  const asked = new Set(command.map(({ criterion }) => criterion));
  const told = server.filter(({ criterion }) => asked.has(criterion));
  expect(told.length).toBeGreaterThan(100);
  expect(
    command.map((own) => {
      const { page: _page, viewport: _viewport, ...rest } = own as CheckRecord & { page: string; viewport: string };
      return comparable(rest);
    }),
  ).toEqual(told.map(comparable));
});

/** Browsers and Node have each a last bit of their own in powers and roots. */
const comparable = (check: CheckRecord): CheckRecord => ({
  ...check,
  measured: check.measured === null ? null : Number(check.measured.toPrecision(12)),
});
