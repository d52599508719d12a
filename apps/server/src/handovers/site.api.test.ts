import 'reflect-metadata';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import {
  componentSchema,
  lookRevisionSchema,
  lookHistorySchema,
  lookRevisionsSchema,
  pageLedgerSchema,
  pageSchema,
  pageWaysSchema,
  siteLooksSchema,
  type Component,
  type LookData,
  type Page,
} from '@retoque/contract';
import { randomUUID } from 'node:crypto';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { strFromU8, unzipSync } from 'fflate';
import { createApp } from '../create-app.js';
import { ownPages } from '../testing/api.js';

// A site with looks on it: what the API reports of it, what it hands over, and what it keeps.
let app: NestExpressApplication;
const api = () => ownPages(app);

const HTML = (name: string) =>
  `<!doctype html><title>${name}</title><main><a class="go" href="#">Board</a><p>Words of ${name}.</p></main>`;
const CSS = '.go { color: #999; background: #fff } .go:hover { color: #aaa }';
const locator = { selector: '.go', tag: 'a', classes: ['go'], attributes: {}, text: 'Board', ancestry: [] };
const look = (value: string, more: object = {}): LookData => ({
  settings: [{ part: 'button', property: 'color', when: { states: [], ...more }, value }],
  exceptions: [],
  muted: [],
});

async function siteOf(...names: string[]): Promise<Page[]> {
  const pages: Page[] = [];
  for (const name of names) {
    const site = pages.length ? { id: pages[0]!.siteId } : { name: `Site of ${name}` };
    const { body } = await api()
      .post('/api/pages/from-paste')
      .send({ site, name, html: HTML(name), css: CSS });
    pages.push(pageSchema.parse(body));
  }
  return pages;
}

async function keep(page: Page): Promise<Component> {
  const body = { pageId: page.id, kind: 'button', name: 'Board', locator };
  return componentSchema.parse((await api().post('/api/components').send(body).expect(200)).body);
}

let saves = 0;
const save = (component: Component, baseRevision: number, own: LookData) =>
  api()
    .put(`/api/components/${component.id}/trials/${component.currentTrialId}/look`)
    .send({
      baseRevision,
      saveId: `00000000-0000-4000-8000-${String(++saves).padStart(12, '0')}`,
      look: own,
    })
    .expect(200);

const checksOf = async (page: Page, looks: string) => {
  const { body } = await api().get(`/api/pages/${page.id}/checks?looks=${looks}`).expect(200);
  return pageLedgerSchema
    .parse(body)
    .checks.filter(({ criterion, text, state }) => criterion === '1.4.3' && text === 'Board' && state === 'default');
};

beforeAll(async () => {
  app = await createApp();
  await app.init();
});
afterAll(() => app.close());

describe('checks and suggested fixes of a page', () => {
  it('are of the restyled page, or on request of the page as it was brought', async () => {
    const [home, quay] = await siteOf('Home', 'Quay');
    const component = await keep(home!);
    await save(component, 0, look('#222222'));
    for (const page of [home!, quay!]) {
      expect((await checksOf(page, 'worn'))[0]).toMatchObject({ verdict: 'passes', foreground: '#222222' });
      expect((await checksOf(page, 'none'))[0]).toMatchObject({ verdict: 'short', foreground: '#999999' });
    }
    const { body } = await api().get(`/api/pages/${home!.id}/remedies`).expect(200);
    const worn = pageWaysSchema.parse(body);
    expect(worn.looks).toBe('worn');
    const none = pageWaysSchema.parse((await api().get(`/api/pages/${home!.id}/remedies?looks=none`).expect(200)).body);
    const mended = ({ components }: typeof none) =>
      components.reduce((sum, own) => sum + own.together.mended.length, 0);
    // What the look has mended is not mended again.
    expect(mended(worn)).toBeLessThan(mended(none));
    await api().get(`/api/pages/${home!.id}/checks?looks=some`).expect(400);
  });

  it('hold what one page alone says on that page alone', async () => {
    const [home, quay] = await siteOf('One', 'Other');
    await save(await keep(home!), 0, look('#222222', { page: quay!.id }));
    expect((await checksOf(home!, 'worn'))[0]).toMatchObject({ verdict: 'short' });
    expect((await checksOf(quay!, 'worn'))[0]).toMatchObject({ verdict: 'passes' });
    const { body } = await api().get(`/api/sites/${home!.siteId}/looks`).expect(200);
    expect(siteLooksSchema.parse(body).looks).toMatchObject([{ name: 'Board', kind: 'button' }]);
  });
});

describe('a site in one folder', () => {
  const take = (siteId: string, body: object = {}) =>
    api()
      .post(`/api/sites/${siteId}/handovers`)
      .send(body)
      .buffer(true)
      .parse((response, done) => {
        const parts: Buffer[] = [];
        response.on('data', (part: Buffer) => parts.push(part));
        response.on('end', () => done(null, Buffer.concat(parts)));
      });

  it('holds the sheet for all pages, those for one, and what is to be done with them', async () => {
    const [home, quay] = await siteOf('Hall', 'Pier');
    const component = await keep(home!);
    const both = look('#222222');
    const own = look('#333333', { page: quay!.id });
    await save(component, 0, { ...both, settings: [...both.settings, ...own.settings] });
    const answer = await take(home!.siteId).expect(200);
    expect(answer.headers['content-type']).toBe('application/zip');
    expect(answer.headers['content-disposition']).toContain('site-of-hall-retoque.zip');
    const files = unzipSync(new Uint8Array(answer.body as Buffer));
    expect(Object.keys(files).sort()).toEqual(
      ['read-me.txt', 'retoque-pier.css', 'retoque.css'].map((name) => `site-of-hall/${name}`),
    );
    const text = (name: string) => strFromU8(files[`site-of-hall/${name}`]!);
    expect(text('retoque.css')).toContain('#222222');
    expect(text('retoque.css')).not.toContain('#333333');
    expect(text('retoque-pier.css')).toContain('#333333');
    expect(text('read-me.txt')).toContain('on the page "Pier" alone');
    expect(text('read-me.txt')).toMatch(/ 0 differ/);
  });

  it('is refused where there is nothing in it', async () => {
    const [page] = await siteOf('Empty');
    await take(page!.siteId).expect(422);
    await take(page!.siteId, { components: [] }).expect(400);
    await take('6c3f9f0e-6d0f-4a5c-9d1e-0a4a3a1c7b11').expect(404);
  });
});

describe('revisions of a look', () => {
  it('can all be read again', async () => {
    const [page] = await siteOf('Revised');
    const component = await keep(page!);
    const colours = ['#101010', '#202020', '#303030'];
    for (const [i, colour] of colours.entries()) await save(component, i, look(colour));
    const path = `/api/components/${component.id}/trials/${component.currentTrialId}/revisions`;
    const { revisions } = lookRevisionsSchema.parse((await api().get(path).expect(200)).body);
    expect(revisions.map(({ revision }) => revision)).toEqual([3, 2, 1, 0]);
    for (const [i, colour] of colours.entries()) {
      const { body } = await api()
        .get(`${path}/${i + 1}`)
        .expect(200);
      expect(lookRevisionSchema.parse(body).look.settings[0]!.value).toBe(colour);
    }
    const earlier = lookRevisionsSchema.parse((await api().get(`${path}?before=2`).expect(200)).body);
    expect(earlier.revisions.map(({ revision }) => revision)).toEqual([1, 0]);
    await api().get(`${path}/9`).expect(404);
    await api().get(`${path}/x`).expect(400);
  });

  it('are told with what was done, the last of them first and not without end', async () => {
    const [page] = await siteOf('Stepped');
    const component = await keep(page!);
    const path = `/api/components/${component.id}/trials/${component.currentTrialId}`;
    const put = (baseRevision: number, colour: string, step?: string) =>
      api()
        .put(`${path}/look`)
        .send({ baseRevision, saveId: randomUUID(), look: look(colour), ...(step === undefined ? {} : { step }) });
    await put(0, '#101010', 'Text, default: #101010').expect(200);
    await put(1, '#202020').expect(200);
    const read = async (query = '') =>
      lookHistorySchema.parse((await api().get(`${path}/history${query}`).expect(200)).body).revisions;
    expect((await read()).map(({ revision, step }) => [revision, step])).toEqual([
      [2, null],
      [1, 'Text, default: #101010'],
      [0, null],
    ]);
    expect((await read('?before=2'))[0]!.look.settings[0]!.value).toBe('#101010');
    for (let i = 2; i < 45; i++) await put(i, '#303030', `Step ${i}`).expect(200);
    const last = await read();
    expect(last).toHaveLength(40);
    expect(last[0]).toMatchObject({ revision: 45, step: 'Step 44' });
    await put(45, '#404040', 'x'.repeat(201)).expect(400);
    await put(45, '#404040', 'a\0b').expect(400);
  });
});
