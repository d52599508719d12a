import 'reflect-metadata';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { MOST_SWATCHES, pageSchema, paletteSchema, siteLooksSchema } from '@retoque/contract';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { createApp } from '../create-app.js';
import { ownPages } from '../testing/api.js';

let app: NestExpressApplication;
const api = () => ownPages(app);
const sea = { id: 'sea', name: 'Sea', css: '#0b5563' };

async function newSite(): Promise<string> {
  const html = '<!doctype html><title>Quay</title><p>Words</p>';
  const sent = { site: { name: 'Palette' }, name: 'Quay', html, css: '' };
  return pageSchema.parse((await api().post('/api/pages/from-paste').send(sent)).body).siteId;
}
const save = (siteId: string, body: object) =>
  api()
    .put(`/api/sites/${siteId}/palette`)
    .send({ swatches: [sea], handedOverAs: 'literals', baseRevision: 0, ...body });

beforeAll(async () => {
  app = await createApp();
  await app.init();
});
afterAll(() => app.close());

describe('the palette of a site', () => {
  it('is empty at first, and what was saved last', async () => {
    const siteId = await newSite();
    const path = `/api/sites/${siteId}/palette`;
    expect(paletteSchema.parse((await api().get(path).expect(200)).body)).toMatchObject({ swatches: [], revision: 0 });
    expect(paletteSchema.parse((await save(siteId, {}).expect(200)).body).revision).toBe(1);
    await save(siteId, { baseRevision: 1, handedOverAs: 'properties' }).expect(200);
    expect((await api().get(path).expect(200)).body).toEqual({
      swatches: [sea],
      handedOverAs: 'properties',
      revision: 2,
    });
    const { palette } = siteLooksSchema.parse((await api().get(`/api/sites/${siteId}/looks`).expect(200)).body);
    expect(palette).toEqual({ swatches: [sea], handedOverAs: 'properties' });
  });

  it('never overwrites a newer one, whoever is first', async () => {
    const siteId = await newSite();
    const answers = await Promise.all(
      Array.from({ length: 6 }, (_, i) => save(siteId, { swatches: [{ ...sea, name: `Sea ${i}` }] })),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409, 409, 409, 409]);
    const kept = answers.find(({ status }) => status === 200)!.body.swatches;
    expect(answers.find(({ status }) => status === 409)!.body.current).toMatchObject({ swatches: kept, revision: 1 });
  });

  it.each([
    ['a colour that is none', { swatches: [{ ...sea, css: 'blu' }] }, /not a colour/],
    ['a colour without a name', { swatches: [{ ...sea, name: ' ' }] }, /Give the colour a name/],
    ['two with one id', { swatches: [sea, sea] }, /the same id/],
    ['an id that no value can name', { swatches: [{ ...sea, id: 'A b' }] }, /An id holds/],
    [
      'ten thousand colours',
      { swatches: Array.from({ length: 10_000 }, (_, i) => ({ ...sea, id: `s${i}` })) },
      new RegExp(`at most ${MOST_SWATCHES}`),
    ],
    ['CSS that ends its rule', { swatches: [{ ...sea, css: 'red } body { color: red' }] }, /not a colour/],
  ])('refuses %s, and says why', async (_, body, why) => {
    const siteId = await newSite();
    const { body: problem } = await save(siteId, body).expect(400);
    expect(JSON.stringify(problem)).toMatch(why);
    expect((await api().get(`/api/sites/${siteId}/palette`)).body.revision).toBe(0);
  });

  it('is of a site that is there', async () => {
    await api().get('/api/sites/00000000-0000-4000-8000-000000000000/palette').expect(404);
    await save('00000000-0000-4000-8000-000000000000', {}).expect(404);
  });
});
