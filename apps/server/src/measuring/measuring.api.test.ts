import 'reflect-metadata';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import {
  geometryListSchema,
  pageLedgerSchema,
  pageSchema,
  pageWaysSchema,
  problemSchema,
  type Page,
} from '@retoque/contract';
import { unpackField } from '@retoque/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import sharp from 'sharp';
import { createApp } from '../create-app.js';
import { ownPages } from '../testing/api.js';

let app: NestExpressApplication;
let page: Page;
const api = () => ownPages(app);

const HTML =
  '<!doctype html><html><head><title>Over</title><link rel="stylesheet" href="s.css"></head><body><div class="banner"></div><div class="bar"><a class="btn" href="#">Board</a></div></body></html>';
const CSS =
  '.banner { height: 100px; background: url(night.png) #fff } .bar { position: absolute; top: 0 } .btn { color: #fff }';
const BODY = ':root > body:nth-child(2)';
const measured = (left: number) => ({
  viewport: { width: 1280, height: 800 },
  elements: {
    ':root': { box: [0, 0, 1280, 800] },
    [BODY]: { box: [0, 0, 1280, 800] },
    [`${BODY} > div:nth-child(1)`]: { box: [0, 0, 200, 100] },
    [`${BODY} > div:nth-child(2)`]: { box: [0, 0, 200, 40] },
    [`${BODY} > div:nth-child(2) > a:nth-child(1)`]: { box: [left, 0, 60, 40], lines: [[left, 10, 60, 20]] },
  },
});
const put = (body: object) => api().put(`/api/pages/${page.id}/geometry`).send(body);
const text = async () => {
  const { body } = await api().get(`/api/pages/${page.id}/checks`).expect(200);
  return pageLedgerSchema.parse(body).checks.filter(({ text: own, state }) => own === 'Board' && state === 'default');
};

beforeAll(async () => {
  app = await createApp();
  await app.init();
  const night = await sharp({ create: { width: 200, height: 100, channels: 3, background: '#102030' } })
    .png()
    .toBuffer();
  const brought = await api()
    .post('/api/pages/from-upload')
    .field('siteName', 'Measured')
    .field('paths', JSON.stringify(['index.html', 's.css', 'night.png']))
    .attach('files', Buffer.from(HTML), 'index.html')
    .attach('files', Buffer.from(CSS), 's.css')
    .attach('files', night, 'night.png')
    .expect(201);
  page = pageSchema.parse(brought.body);
});
afterAll(() => app.close());

describe('pixels of pictures', () => {
  it('are decoded once and given out as a field', async () => {
    const { hash } = page.version.assets.find(({ contentType }) => contentType === 'image/png')!;
    const answer = await api()
      .get(`/api/assets/${hash}/pixels`)
      .buffer(true)
      .parse((response, done) => {
        const parts: Buffer[] = [];
        response.on('data', (part: Buffer) => parts.push(part));
        response.on('end', () => done(null, Buffer.concat(parts)));
      })
      .expect(200);
    const field = unpackField(new Uint8Array(answer.body as Buffer));
    expect(field).toMatchObject({ width: 200, height: 100, opaque: true });
    expect([...field.data.subarray(0, 4)]).toEqual([16, 32, 48, 255]);
  });

  it('are not to be had of files that are not there', async () => {
    await api()
      .get(`/api/assets/${'0'.repeat(64)}/pixels`)
      .expect(404);
    await api().get('/api/assets/nothing/pixels').expect(404);
  });
});

describe('geometry of a page', () => {
  it('is an input of its checks: without it they are unsure, with it they name where they were measured', async () => {
    expect((await text())[0]).toMatchObject({ verdict: 'unsure', basis: 'ancestors', criterion: '1.4.3' });
    await put({ edition: page.version.edition, measurements: [measured(20)] }).expect(200);
    const [over, bare] = await text();
    expect(over).toMatchObject({ verdict: 'passes', basis: 'geometry', background: '#102030' });
    expect(bare).toMatchObject({ verdict: 'short', demand: 'Picture missing' });
    // What is measured again replaces what was measured before.
    await put({ edition: page.version.edition, measurements: [measured(170)] }).expect(200);
    expect((await text())[0]).toMatchObject({ verdict: 'short', basis: 'geometry' });
    const listed = geometryListSchema.parse((await api().get(`/api/pages/${page.id}/geometry`).expect(200)).body);
    expect(listed).toHaveLength(1);
  });

  it('is refused when the page has changed since, or when it is none', async () => {
    const late = await put({ edition: 'another', measurements: [measured(1)] }).expect(409);
    expect(problemSchema.parse(late.body).title).toMatch(/has changed/);
    await put({ edition: page.version.edition, measurements: [] }).expect(400);
    await put({ edition: page.version.edition, measurements: [{ viewport: { width: 0, height: 1 } }] }).expect(400);
    await api().get(`/api/pages/${page.id}/checks?width=wide`).expect(400);
  });
});

describe('suggested fixes of what falls short', () => {
  it('are given as CSS for each component, and for each check on request', async () => {
    await put({ edition: page.version.edition, measurements: [measured(170)] }).expect(200);
    const ways = async (query = '') =>
      pageWaysSchema.parse((await api().get(`/api/pages/${page.id}/remedies${query}`).expect(200)).body).components;
    const [together] = await ways();
    expect(together!.checks).toEqual([]);
    expect(together!.together.css).toMatch(/#|rgb/);
    expect(together!.together.mended.length).toBeGreaterThan(0);
    const each = (await ways('?each=true&width=1280')).flatMap(({ checks }) => checks);
    const text = each.find(({ criterion }) => criterion === '1.4.3')!;
    expect(text.measured).toBeLessThan(text.needed);
    for (const way of text.ways) expect(way.measured).toBeGreaterThanOrEqual(3);
    await api().get(`/api/pages/${page.id}/remedies?each=perhaps`).expect(400);
  });
});

describe('a picture that its address holds itself', () => {
  const night = encodeURIComponent(
    '<svg xmlns="http://www.w3.org/2000/svg" width="200" height="100"><rect width="200" height="100" fill="#102030"/></svg>',
  );

  it('is decoded when the page is brought, and measured as others are', async () => {
    const css = CSS.replace('night.png', `"data:image/svg+xml,${night}"`);
    const brought = await api()
      .post('/api/pages/from-paste')
      .send({ site: { name: 'Held' }, name: 'Held', html: HTML.replace(/<link[^>]*>/, ''), css })
      .expect(201);
    const held = pageSchema.parse(brought.body);
    const [asset] = held.version.assets;
    expect(asset).toMatchObject({ contentType: 'image/svg+xml' });
    const field = await api().get(`/api/assets/${asset!.hash}/pixels`).buffer(true).expect(200);
    expect(unpackField(new Uint8Array(field.body as Buffer)).natural).toEqual({ width: 200, height: 100 });
    const body = { edition: held.version.edition, measurements: [measured(20)] };
    await api().put(`/api/pages/${held.id}/geometry`).send(body).expect(200);
    const { body: answer } = await api().get(`/api/pages/${held.id}/checks`).expect(200);
    const checks = pageLedgerSchema
      .parse(answer)
      .checks.filter(({ text: own, state }) => own === 'Board' && state === 'default');
    expect(checks.find(({ criterion, demand }) => criterion === '1.4.3' && demand === null)).toMatchObject({
      verdict: 'passes',
      background: '#102030',
    });
  });

  it('is left out where it is none', async () => {
    const broken = '<img src="data:image/png;base64,@@@"><a href="#">Board</a>';
    const brought = await api()
      .post('/api/pages/from-paste')
      .send({ site: { name: 'Broken' }, name: 'Broken', html: broken, css: '' })
      .expect(201);
    expect(pageSchema.parse(brought.body).version.assets).toEqual([]);
  });
});
