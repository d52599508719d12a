import 'reflect-metadata';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import {
  componentSchema,
  finishSchema,
  pageLedgerSchema,
  pageSchema,
  siteLooksSchema,
  siteSchema,
} from '@retoque/contract';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { createApp } from '../create-app.js';
import { ownPages } from '../testing/api.js';

let app: NestExpressApplication;
const api = () => ownPages(app);

const locator = { selector: '.go', tag: 'a', classes: ['go'], attributes: {}, text: 'Board', ancestry: [] };
const look = (value: string, more: object = {}) => ({
  settings: [{ part: 'button', property: 'color', when: { states: [] }, value, ...more }],
  exceptions: [],
  muted: [],
});

async function newPage() {
  const html = '<!doctype html><title>Quay</title><main><a class="go" href="#">Board</a></main>';
  const sent = { site: { name: 'Finish' }, name: 'Quay', html, css: '.go { color: #999; background: #fff }' };
  return pageSchema.parse((await api().post('/api/pages/from-paste').send(sent)).body);
}
const add = (siteId: string, body: object = {}) =>
  api()
    .post(`/api/sites/${siteId}/finishes`)
    .send({ kind: 'button', name: 'Plain', look: look('#222222'), ...body });
const of = async (siteId: string) => siteSchema.parse((await api().get(`/api/sites/${siteId}`)).body).finishes;

beforeAll(async () => {
  app = await createApp();
  await app.init();
});
afterAll(() => app.close());

describe('finishes of a site', () => {
  it('come with it, are changed, removed and brought back', async () => {
    const { siteId } = await newPage();
    const finish = finishSchema.parse((await add(siteId).expect(201)).body);
    expect(await of(siteId)).toEqual([finish]);
    const body = { baseRevision: 0, name: 'Bold', look: look('#000000') };
    await api().put(`/api/finishes/${finish.id}`).send(body).expect(200);
    expect(await of(siteId)).toMatchObject([{ name: 'Bold', revision: 1 }]);
    const { body: problem } = await api().put(`/api/finishes/${finish.id}`).send(body).expect(409);
    expect(problem.current).toMatchObject({ name: 'Bold', revision: 1 });
    await api().delete(`/api/finishes/${finish.id}`).expect(204);
    expect(await of(siteId)).toEqual([]);
    await api().delete(`/api/finishes/${finish.id}`).expect(404);
    await api().post(`/api/finishes/${finish.id}/restore`).expect(200);
    expect(await of(siteId)).toHaveLength(1);
  });

  it('are worn by what follows them, in whatever is reported', async () => {
    const page = await newPage();
    const finish = finishSchema.parse((await add(page.siteId)).body);
    const body = { pageId: page.id, kind: 'button', name: 'Board', locator };
    const component = componentSchema.parse((await api().post('/api/components').send(body)).body);
    const own = { settings: [], exceptions: [], muted: [], finish: finish.id };
    await api()
      .put(`/api/components/${component.id}/trials/${component.currentTrialId}/look`)
      .send({ baseRevision: 0, saveId: '00000000-0000-4000-8000-00000000f001', look: own })
      .expect(200);
    const { checks } = pageLedgerSchema.parse((await api().get(`/api/pages/${page.id}/checks`).expect(200)).body);
    expect(checks.find(({ text, state }) => text === 'Board' && state === 'default')).toMatchObject({
      foreground: '#222222',
      verdict: 'passes',
    });
    const worn = siteLooksSchema.parse((await api().get(`/api/sites/${page.siteId}/looks`)).body);
    expect(worn.finishes).toEqual([{ id: finish.id, look: finish.look }]);
  });

  it.each([
    ['a kind that there is none of', { kind: 'sail' }, /No kind of component/],
    ['a finish without a name', { name: ' ' }, /Give the finish a name/],
    [
      'values of one page',
      { look: look('red', { when: { states: [], page: '00000000-0000-4000-8000-000000000000' } }) },
      /of one page/,
    ],
    ['values of single members', { look: look('red', { exception: 'x' }) }, /single members/],
    [
      'a finish that follows another',
      { look: { ...look('red'), finish: '00000000-0000-4000-8000-000000000000' } },
      /follows no other/,
    ],
  ])('refuse %s, and say why', async (_, body, why) => {
    const { siteId } = await newPage();
    expect(JSON.stringify((await add(siteId, body).expect(400)).body)).toMatch(why);
    expect(await of(siteId)).toEqual([]);
  });
});
