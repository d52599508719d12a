import 'reflect-metadata';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { componentSchema, pageSchema, problemSchema, siteSchema, type Component, type Page } from '@retoque/contract';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { randomUUID } from 'node:crypto';
import { createApp } from './create-app.js';
import { onDatabase, ownPages } from './testing/api.js';
import { Database } from './database/database.module.js';

// Runs against a real PostgreSQL; tools/test.mjs starts one and gives its address.
let app: NestExpressApplication;
const api = () => ownPages(app);

beforeAll(async () => {
  app = await createApp();
  await app.init();
});
afterAll(() => app.close());

const HTML =
  '<!doctype html><title>Tide</title><link rel="stylesheet" href="a.css"><img src="p.svg"><a class="go" href="#">Go</a>';
const SVG = '<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)"><script>alert(1)</script></svg>';

async function upload(siteName = 'Shore'): Promise<Page> {
  const answer = await api()
    .post('/api/pages/from-upload')
    .field('siteName', siteName)
    .field('paths', JSON.stringify(['page.html', 'a.css', 'p.svg']))
    .attach('files', Buffer.from(HTML), 'page.html')
    .attach('files', Buffer.from('.go { color: red }'), 'a.css')
    .attach('files', Buffer.from(SVG), 'p.svg')
    .expect(201);
  return pageSchema.parse(answer.body);
}

const locator = { selector: '.go', tag: 'a', classes: ['go'], attributes: {}, text: 'Go', ancestry: [] };
async function openComponent(page: Page): Promise<Component> {
  const body = { pageId: page.id, kind: 'link', name: 'Go', locator };
  return componentSchema.parse((await api().post('/api/components').send(body).expect(200)).body);
}
const look = (value: string) => ({
  settings: [{ part: 'link', property: 'color', when: { states: [{ part: 'link', state: 'hover' }] }, value }],
  exceptions: [],
  muted: [],
});

describe('health', () => {
  it('answers exactly', async () => {
    const { body } = await api().get('/api/health').expect(200);
    expect(body).toEqual({ status: 'ok', database: 'ok' });
  });
});

describe('problems', () => {
  it.each([
    ['get', '/api/sites/not-an-id', undefined, 400],
    ['get', `/api/sites/${randomUUID()}`, undefined, 404],
    ['get', '/api/nothing', undefined, 404],
    ['post', '/api/pages/from-address', { site: { name: 'x' }, address: 'ftp://x' }, 400],
    ['post', '/api/pages/from-address', { site: { name: '' }, address: 'https://x.invalid' }, 400],
    ['post', '/api/pages/from-paste', { site: { name: 'x' }, name: 'x', html: 'just words' }, 422],
    ['post', '/api/pages/from-upload', undefined, 400],
    ['post', '/api/components', { pageId: randomUUID(), kind: 'teapot', name: 'x', locator }, 400],
  ] as const)('%s %s follows RFC 9457', async (method, path, body, status) => {
    const answer = await api()[method](path).send(body);
    expect(answer.status).toBe(status);
    expect(answer.headers['content-type']).toContain('application/problem+json');
    expect(problemSchema.parse(answer.body)).toMatchObject({ status });
  });

  it('names the field that is wrong', async () => {
    const { body } = await api()
      .post('/api/pages/from-address')
      .send({ site: { name: 'x' }, address: 'quay' })
      .expect(400);
    expect(body.errors).toContainEqual({ path: 'address', message: 'Start the address with http:// or https://.' });
  });

  it('refuses bodies that are too large or no JSON', async () => {
    const big = await api()
      .post('/api/pages/from-paste')
      .send({ html: 'x'.repeat(21 * 1024 * 1024) });
    expect(big.status).toBe(413);
    expect(big.body.detail).toContain('20 MB');
    const broken = await api().post('/api/pages/from-paste').set('content-type', 'application/json').send('{');
    expect(broken.status).toBe(400);
    expect(broken.headers['content-type']).toContain('problem+json');
  });
});

describe('bringing a page', () => {
  it('stores an upload, and serves its files so that they can do nothing', async () => {
    const page = await upload();
    expect(page.version).toMatchObject({ number: 1, address: 'https://page.invalid/page.html' });
    const [asset] = page.version.assets;
    const answer = await api().get(`/api/assets/${asset!.hash}`).expect(200);
    expect(answer.headers).toMatchObject({
      'content-type': 'image/svg+xml',
      'x-content-type-options': 'nosniff',
      'content-security-policy': expect.stringMatching(/^sandbox; default-src 'none'/),
      'cross-origin-resource-policy': 'same-origin',
    });
    await api()
      .get(`/api/assets/${'0'.repeat(64)}`)
      .expect(404);
    await api().get('/api/assets/..%2f..%2fetc').expect(404);
  });

  it('leaves nothing half-stored', async () => {
    const name = `Nothing ${randomUUID()}`;
    await api().post('/api/pages/from-paste').send({ site: { name }, name: 'x', html: 'just words' }).expect(422);
    await api().post('/api/pages/from-address').send({ site: { name }, address: 'http://127.0.0.1:1/' }).expect(422);
    const { body } = await api().get('/api/sites').expect(200);
    expect(body.sites.some((site: { name: string }) => site.name === name)).toBe(false);
  });

  it('adds a page to a site that is there', async () => {
    const first = await upload('Twice');
    const { body } = await api()
      .post('/api/pages/from-paste')
      .send({ site: { id: first.siteId }, name: 'Second', html: '<a href="#">x</a>', css: 'a { color: red }' })
      .expect(201);
    expect(body.siteId).toBe(first.siteId);
    const site = siteSchema.parse((await api().get(`/api/sites/${first.siteId}`)).body);
    expect(site.pages.map((page) => page.name)).toEqual(['Tide', 'Second']);
  });

  it('keeps the widths of a site, and never overwrites newer ones unseen', async () => {
    const { siteId } = await upload('Widths');
    const site = siteSchema.parse((await api().get(`/api/sites/${siteId}`)).body);
    expect(site.bounds).toEqual({ medium: 1023, narrow: 599 });
    const to = { medium: 900, narrow: 480 };
    const change = (from: object, next: object) =>
      api()
        .patch(`/api/sites/${siteId}`)
        .send({ bounds: { from, to: next } });
    expect(siteSchema.parse((await change(site.bounds, to).expect(200)).body).bounds).toEqual(to);
    const late = await change(site.bounds, { medium: 800, narrow: 400 }).expect(409);
    expect(problemSchema.parse(late.body).detail).toContain('900 and 480 pixels');
    const wrong = await change(to, { medium: 400, narrow: 480 }).expect(400);
    expect(wrong.body.errors[0].message).toBe('Narrow must end below medium.');
    expect(siteSchema.parse((await api().get(`/api/sites/${siteId}`)).body).bounds).toEqual(to);
  });

  it('keeps one component for a site, whichever page it is opened on', async () => {
    const first = await upload('One menu');
    const { body: second } = await api()
      .post('/api/pages/from-paste')
      .send({ site: { id: first.siteId }, name: 'Second', html: '<a class="go" href="#">Go</a>', css: '' })
      .expect(201);
    const here = await openComponent(first);
    const there = await openComponent(second);
    expect(there.id).toBe(here.id);
    const elsewhere = await openComponent(await upload('Another'));
    expect(elsewhere.id).not.toBe(here.id);
  });

  it('removes and restores', async () => {
    const page = await upload('Gone');
    await api().delete(`/api/pages/${page.id}`).expect(204);
    await api().get(`/api/pages/${page.id}`).expect(404);
    await api().post(`/api/pages/${page.id}/restore`).expect(200);
    await api().delete(`/api/sites/${page.siteId}`).expect(204);
    await api().get(`/api/sites/${page.siteId}`).expect(404);
    await api().delete(`/api/sites/${page.siteId}`).expect(404);
    await api().post(`/api/sites/${page.siteId}/restore`).expect(200);
    expect((await api().get(`/api/pages/${page.id}`).expect(200)).body.id).toBe(page.id);
  });
});

describe('changes of a page', () => {
  it('are put into the page that is given out, and taken out again', async () => {
    const page = await upload('Changed');
    const change = {
      kind: null,
      name: 'Go',
      locator,
      place: 'after',
      html: '<b class="new" onclick="x()">New</b><script>x()</script>',
      css: '.new { color: red }',
      before: null,
    };
    const add = (body: object) => api().post(`/api/pages/${page.id}/changes`).send(body);
    const changed = pageSchema.parse((await add(change).expect(201)).body);
    // Nothing in it may run, as with the page itself.
    expect(changed.version.html).toContain('<a class="go" href="#">Go</a><b class="new">New</b></body>');
    expect(changed.version.html).toContain('<style>.new { color: red }</style></head>');
    expect(changed.version.edition).not.toBe(page.version.edition);
    expect(changed.version.id).toBe(page.version.id);
    const gone = { ...change, locator: { ...locator, selector: '.nowhere', classes: ['x'], text: 'y', tag: 'i' } };
    expect(problemSchema.parse((await add(gone).expect(422)).body).title).toBe('That place is not on the page');
    const id = changed.version.changes[0]!.id;
    const back = pageSchema.parse((await api().delete(`/api/pages/${page.id}/changes/${id}`).expect(200)).body);
    expect(back.version).toEqual(page.version);
    const again = await api().post(`/api/pages/${page.id}/changes/${id}/restore`).expect(200);
    expect(pageSchema.parse(again.body).version).toEqual(changed.version);
    await api().delete(`/api/pages/${page.id}/changes/${page.id}`).expect(404);
  });
});

describe('keeping a look', () => {
  const save = (component: Component, baseRevision: number, value: string, saveId: string = randomUUID()) =>
    api()
      .put(`/api/components/${component.id}/trials/${component.currentTrialId}/look`)
      .send({ baseRevision, saveId, look: look(value) });

  it('opens the same component once', async () => {
    const page = await upload('Once');
    const [a, b] = await Promise.all([openComponent(page), openComponent(page)]);
    expect(a.id).toBe(b.id);
    await api().delete(`/api/components/${a.id}`).expect(204);
    expect((await openComponent(page)).id).toBe(a.id);
  });

  it('counts revisions, and answers a retry as the first time', async () => {
    const component = await openComponent(await upload('Retry'));
    const saveId = randomUUID();
    const first = await save(component, 0, 'red', saveId).expect(200);
    const again = await save(component, 0, 'red', saveId).expect(200);
    expect(again.body).toEqual(first.body);
    await save(component, 1, 'green').expect(200);
    // Even after later saves the old id is no conflict.
    expect((await save(component, 0, 'red', saveId).expect(200)).body.revision).toBe(1);
    const { body } = await api().get(`/api/components/${component.id}`);
    expect(body.trials[0]).toMatchObject({ revision: 2, look: look('green') });
  });

  it('refuses a save on an older revision with the newer look', async () => {
    const component = await openComponent(await upload('Conflict'));
    await save(component, 0, 'red').expect(200);
    const { body } = await save(component, 0, 'blue').expect(409);
    expect(problemSchema.parse(body).type).toBe('urn:retoque:problem:newer-revision');
    expect(body.current).toMatchObject({ revision: 1, look: look('red') });
  });

  it('lets exactly one of several at once through', async () => {
    const component = await openComponent(await upload('Race'));
    const answers = await Promise.all(Array.from({ length: 8 }, (_, i) => save(component, 0, `rgb(${i} 0 0)`)));
    expect(answers.map((answer) => answer.status).sort()).toEqual([200, 409, 409, 409, 409, 409, 409, 409]);
  });

  it('saves looks of several components all or none', async () => {
    const page = await upload('Several');
    const first = await openComponent(page);
    const { body: second } = await api()
      .post('/api/components')
      .send({ pageId: page.id, kind: 'link', name: 'Another', locator: { ...first.locator, selector: '.another' } })
      .expect(200);
    const several = (siteId: string, ...revisions: number[]) =>
      api()
        .put(`/api/sites/${siteId}/looks`)
        .send({
          looks: [first, second as Component].map((component, i) => ({
            componentId: component.id,
            trialId: component.currentTrialId,
            baseRevision: revisions[i],
            saveId: randomUUID(),
            look: look('teal'),
          })),
        });
    const { body } = await several(page.siteId, 0, 0).expect(200);
    expect(body.saved.map(({ revision }: { revision: number }) => revision)).toEqual([1, 1]);
    // The second was saved since, so the first is left alone too.
    await save(second as Component, 1, 'red').expect(200);
    const refused = await several(page.siteId, 1, 1).expect(409);
    expect(problemSchema.parse(refused.body).title).toMatch(/newer version of “Another”/);
    const kept = await api().get(`/api/components/${first.id}`).expect(200);
    expect(kept.body.trials[0]).toMatchObject({ revision: 1, look: look('teal') });
    await several(randomUUID(), 1, 2).expect(404);
    await api().put(`/api/sites/${page.siteId}/looks`).send({ looks: [] }).expect(400);
  });

  it('keeps both as trials', async () => {
    const component = await openComponent(await upload('Both'));
    const { body } = await api()
      .post(`/api/components/${component.id}/trials`)
      .send({ look: look('blue') })
      .expect(201);
    expect(body.trials.map((trial: { name: string }) => trial.name)).toEqual(['A', 'B']);
    expect(body.currentTrialId).toBe(body.trials[1].id);
    await api().patch(`/api/components/${component.id}`).send({ currentTrialId: component.currentTrialId }).expect(200);
    await api().patch(`/api/components/${component.id}`).send({ currentTrialId: randomUUID() }).expect(404);
    await api().patch(`/api/components/${component.id}`).send({}).expect(400);
  });

  it.each(['red; } body { display: none', 'red /* ', '', 'x'.repeat(5000), 'url(</style>)'])(
    'refuses the value %j',
    async (value) => {
      const component = await openComponent(await upload('Bad'));
      const { body } = await save(component, 0, value).expect(400);
      expect(body.errors[0].path).toBe('look.settings.0.value');
    },
  );
});

describe('owners', () => {
  it('cannot reach what is not theirs', async () => {
    const page = await upload('Mine');
    const component = await openComponent(page);
    const database = app.get(Database);
    const { sites, pages, components, blobs } = await import('./database/schema.js');
    const { eq } = await import('drizzle-orm');
    const stranger = database.scopeFor(await database.ownerNamed(`stranger ${randomUUID()}`));
    expect(await stranger.select(sites, eq(sites.id, page.siteId))).toEqual([]);
    expect(await stranger.select(pages, eq(pages.id, page.id))).toEqual([]);
    expect(await stranger.select(blobs, eq(blobs.hash, page.version.assets[0]!.hash))).toEqual([]);
    expect(await stranger.update(components, { name: 'Taken' }, eq(components.id, component.id))).toEqual([]);
    // The database itself refuses a row that points into someone else's.
    const theft = stranger.insert(pages, { siteId: page.siteId, name: 'x', address: 'x', source: 'paste' });
    await expect(theft).rejects.toThrow();
  });

  it('own every table', async () => {
    const { rows } = await onDatabase((client) =>
      client.query(
        `select table_name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'
         except select table_name from information_schema.columns where column_name = 'owner_id'`,
      ),
    );
    expect(rows.map((row: { table_name: string }) => row.table_name)).toEqual(['owners']);
  });
});

describe('the API document', () => {
  it('describes every route from the same schemas', async () => {
    const { body } = await api().get('/api/openapi.json').expect(200);
    expect(Object.keys(body.paths)).toEqual(
      expect.arrayContaining([
        '/api/health',
        '/api/sites',
        '/api/pages/from-address',
        '/api/components/{id}/trials/{trialId}/look',
      ]),
    );
    const save = body.paths['/api/components/{id}/trials/{trialId}/look'].put;
    expect(JSON.stringify(save.requestBody)).toContain('SaveLookDto');
    expect(Object.keys(body.components.schemas.SaveLookDto.properties)).toEqual([
      'baseRevision',
      'saveId',
      'look',
      'step',
    ]);
    await api().get('/api/docs').expect(200);
  });
});
