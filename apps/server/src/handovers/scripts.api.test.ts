import 'reflect-metadata';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { behaviourScriptSchema } from '@retoque/contract';
import { starterOf } from '@retoque/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { strFromU8, unzipSync } from 'fflate';
import { createApp } from '../create-app.js';
import { ownPages } from '../testing/api.js';

let app: NestExpressApplication;
const api = () => ownPages(app);

beforeAll(async () => {
  app = await createApp();
  await app.init();
});
afterAll(() => app.close());

describe('the script of behaviours', () => {
  it('is put together for those that are named, in whichever order', async () => {
    const script = async (names: string) =>
      behaviourScriptSchema.parse((await api().get(`/api/behaviours/script?names=${names}`).expect(200)).body);
    const one = await script('ticker,countdown');
    expect(one).toEqual(await script('countdown,ticker'));
    expect(one.minified).toContain('rq-ticker');
    expect(one.minified).not.toContain('rq-consent');
    expect(one.minified.length).toBeLessThan(one.source.length);
  });

  it('says what is wrong with names that are none', async () => {
    for (const names of ['', '../../main', 'ticker,', 'a'.repeat(300)]) {
      const { body } = await api()
        .get(`/api/behaviours/script?names=${encodeURIComponent(names)}`)
        .expect(400);
      expect(JSON.stringify(body)).toContain('names');
    }
  });

  it('goes along with a site that has components which need it, and with each as one block', async () => {
    const { html, css } = starterOf('ticker')!;
    const pasted = await api()
      .post('/api/pages/from-paste')
      .send({ site: { name: 'Line' }, name: 'Quay', html: '<!doctype html><main><p id="a">Words</p></main>', css: '' })
      .expect(201);
    const { id, siteId } = pasted.body as { id: string; siteId: string };
    const locator = { selector: '#a', tag: 'p', classes: [], attributes: { id: 'a' }, text: 'Words', ancestry: [] };
    await api()
      .post(`/api/pages/${id}/changes`)
      .send({ kind: 'ticker', name: 'News', locator, place: 'after', html, css, before: null })
      .expect(201);
    const delivered = await api()
      .post(`/api/sites/${siteId}/handovers`)
      .send({})
      .buffer(true)
      .parse((response, done) => {
        const chunks: Buffer[] = [];
        response.on('data', (chunk: Buffer) => chunks.push(chunk));
        response.on('end', () => done(null, Buffer.concat(chunks)));
      })
      .expect(200);
    const files = Object.fromEntries(
      Object.entries(unzipSync(new Uint8Array(delivered.body as Buffer))).map(([path, bytes]) => [
        path.replace(/^[^/]+\//, ''),
        strFromU8(bytes),
      ]),
    );
    const script = files['retoque-behaviours.js']!;
    expect(script).toContain('rq-ticker');
    expect(files['retoque-behaviours.source.js']).toContain('/**');
    expect(files['read-me.txt']).toContain(
      '<script type="module" async blocking="render" src="retoque-behaviours.js">',
    );
    const block = files['html/1-block.html']!;
    for (const piece of [html, css, script.trim()]) expect(block).toContain(piece);
  });
});
