import 'reflect-metadata';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { componentSchema, currentTrial, type Component } from '@retoque/contract';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { randomUUID } from 'node:crypto';
import { createApp } from '../create-app.js';
import { ownPages } from '../testing/api.js';

let app: NestExpressApplication;
const api = () => ownPages(app);

beforeAll(async () => {
  app = await createApp();
  await app.init();
});
afterAll(() => app.close());

const LOOK = { settings: [], exceptions: [], muted: [] };
const read = (body: unknown): Component => componentSchema.parse(body);
const names = ({ trials }: Component) => trials.map(({ name }) => name);

/** A component with some versions; the last is in hand. */
async function withVersions(count: number): Promise<Component> {
  const html = '<!doctype html><title>Quay</title><a class="go" href="#">Board</a>';
  const { body: page } = await api()
    .post('/api/pages/from-paste')
    .send({ site: { name: `Versions ${randomUUID()}` }, name: 'Quay', html, css: '' })
    .expect(201);
  const locator = { selector: '.go', tag: 'a', classes: ['go'], attributes: {}, text: 'Board', ancestry: [] };
  const opened = await api()
    .post('/api/components')
    .send({ pageId: (page as { id: string }).id, kind: 'button', name: 'Board', locator })
    .expect(200);
  let component = read(opened.body);
  for (let i = 1; i < count; i++) {
    component = read(
      (await api().post(`/api/components/${component.id}/trials`).send({ look: LOOK }).expect(201)).body,
    );
  }
  return component;
}

describe('versions', () => {
  it('are renamed, each under a name of its own', async () => {
    const component = await withVersions(2);
    const at = (i: number) => `/api/components/${component.id}/trials/${component.trials[i]!.id}`;
    const renamed = read((await api().patch(at(0)).send({ name: '  Quiet ' }).expect(200)).body);
    expect(names(renamed).sort()).toEqual(['B', 'Quiet']);
    const taken = await api().patch(at(1)).send({ name: 'Quiet' }).expect(409);
    expect((taken.body as { title: string }).title).toBe('Another version is called “Quiet”');
    for (const name of ['', '   ', 'x'.repeat(41)]) await api().patch(at(1)).send({ name }).expect(400);
  });

  it('are discarded, and put back with what they said and in hand as they were', async () => {
    const component = await withVersions(2);
    const inHand = currentTrial(component);
    const path = `/api/components/${component.id}/trials/${inHand.id}`;
    const look = {
      ...LOOK,
      settings: [{ part: 'button', property: 'color', when: { states: [] }, value: '#112233' }],
    };
    await api().put(`${path}/look`).send({ baseRevision: 0, saveId: randomUUID(), look }).expect(200);
    const without = read((await api().delete(path).expect(200)).body);
    expect(names(without)).toEqual(['A']);
    expect(currentTrial(without).name).toBe('A');
    // What was on its way is not lost.
    await api().put(`${path}/look`).send({ baseRevision: 1, saveId: randomUUID(), look }).expect(200);
    const back = read((await api().post(`${path}/restore`).send({ makeCurrent: true }).expect(200)).body);
    expect(currentTrial(back)).toMatchObject({ id: inHand.id, name: 'B', look, revision: 2 });
    await api().post(`${path}/restore`).send({}).expect(404);
  });

  it('the only one stays, and one whose name was given away comes back under another', async () => {
    const component = await withVersions(2);
    const [a, b] = component.trials;
    const of = (id: string) => `/api/components/${component.id}/trials/${id}`;
    await api().delete(of(b!.id)).expect(200);
    const refused = await api().delete(of(a!.id)).expect(422);
    expect((refused.body as { title: string }).title).toBe('A component keeps one version at least');
    const again = read(
      (await api().post(`/api/components/${component.id}/trials`).send({ look: LOOK }).expect(201)).body,
    );
    expect(names(again)).toEqual(['A', 'B']);
    const back = read(
      (
        await api()
          .post(`${of(b!.id)}/restore`)
          .send({})
          .expect(200)
      ).body,
    );
    expect(names(back)).toEqual(['A', 'B', 'C']);
    expect(back.trials.find(({ id }) => id === b!.id)!.name).toBe('C');
  });

  it('discarded at once from two windows, one of them is left', async () => {
    const component = await withVersions(2);
    const answers = await Promise.all(
      component.trials.map(({ id }) => api().delete(`/api/components/${component.id}/trials/${id}`)),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 422]);
    const now = read((await api().get(`/api/components/${component.id}`).expect(200)).body);
    expect(now.trials).toHaveLength(1);
    expect(now.currentTrialId).toBe(now.trials[0]!.id);
  });
});
