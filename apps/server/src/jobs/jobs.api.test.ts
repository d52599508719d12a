import 'reflect-metadata';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { jobResultsSchema, jobSchema, pageLedgerSchema, pageSchema, type Job } from '@retoque/contract';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { fork, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { fileURLToPath } from 'node:url';
import { createApp } from '../create-app.js';
import { ownPages } from '../testing/api.js';
import { JobQueue } from './job-queue.js';

const STALE_MILLIS = 500;
const PAGES = 30;
const KILLS = 20;
const WORKER = fileURLToPath(new URL('../../dist/job-worker.js', import.meta.url));

let app: NestExpressApplication;
let siteId: string;
const api = () => ownPages(app);
const wait = (millis: number) => new Promise((resolve) => setTimeout(resolve, millis));

/** A process that works on jobs. */
function worker(): ChildProcess {
  const env = { ...process.env, RETOQUE_JOB_STALE_MS: String(STALE_MILLIS), NODE_OPTIONS: '' };
  return fork(WORKER, [], { env, stdio: ['ignore', 'ignore', 'ignore', 'ipc'] });
}

const ended = async (child: ChildProcess): Promise<void> => {
  if (child.exitCode === null && child.signalCode === null) await once(child, 'exit');
};

const start = async (width: number): Promise<Job> =>
  jobSchema.parse((await api().post(`/api/sites/${siteId}/checks`).send({ width }).expect(202)).body);
const read = async (id: string): Promise<Job> => jobSchema.parse((await api().get(`/api/jobs/${id}`).expect(200)).body);

async function results(id: string) {
  const all = [];
  for (let from: number | null = 0; from !== null;) {
    const { body } = await api().get(`/api/jobs/${id}/results?from=${from}`).expect(200);
    const part: ReturnType<typeof jobResultsSchema.parse> = jobResultsSchema.parse(body);
    all.push(...part.results);
    from = part.next;
  }
  return all;
}

beforeAll(async () => {
  process.env.RETOQUE_JOB_STALE_MS = String(STALE_MILLIS);
  app = await createApp();
  await app.init();
  for (let i = 0; i < PAGES; i++) {
    const site = siteId ? { id: siteId } : { name: 'Long' };
    const html = `<!doctype html><title>${i}</title><main><a class="go" href="#${i}">Go ${i}</a></main>`;
    const css = `.go { color: #${(i + 100).toString(16).padStart(3, '7')}; padding: ${i}px }`;
    const { body } = await api()
      .post('/api/pages/from-paste')
      .send({ site, name: `Page ${i}`, html, css })
      .expect(201);
    ({ siteId } = pageSchema.parse(body));
  }
}, 60_000);
afterAll(() => app.close());

describe('a job that many processes may work on', () => {
  it(`loses and doubles nothing while these are killed in the middle ${KILLS} times`, async () => {
    const job = await start(1280);
    let kills = 0;
    let next = worker();
    let seen = 0;
    while (kills < KILLS) {
      const child = next;
      // The next one is on its way while this one is killed.
      next = worker();
      const until = Date.now() + 20_000;
      for (;;) {
        const { done, state } = await read(job.id);
        if (state === 'done') break;
        // In the middle of a step, after the first that is new, or where nothing comes of it for long.
        if (done > seen || Date.now() > until) {
          seen = done;
          break;
        }
        await wait(20);
      }
      child.kill('SIGKILL');
      await ended(child);
      kills++;
    }
    for (const until = Date.now() + 60_000; (await read(job.id)).state !== 'done' && Date.now() < until;)
      await wait(50);
    expect(await read(job.id)).toMatchObject({ state: 'done', done: PAGES, of: PAGES, problem: null });
    const all = await results(job.id);
    expect(all.map(({ step }) => step)).toEqual(Array.from({ length: PAGES }, (_, i) => i));
    // What each step came to is what the page says when it is asked by itself.
    for (const { result } of [all[0]!, all[17]!]) {
      const { body } = await api().get(`/api/pages/${result.page.id}/checks?width=1280`).expect(200);
      expect(result.checks).toEqual(pageLedgerSchema.parse(body).checks);
      expect(result.checks.length).toBeGreaterThan(0);
    }
    next.kill('SIGKILL');
    await ended(next);
  }, 240_000);

  it('is cancelled in the middle and taken up again, and does nothing twice', async () => {
    const job = await start(700);
    const child = worker();
    while ((await read(job.id)).done < 2) await wait(20);
    const { body } = await api().post(`/api/jobs/${job.id}/cancel`).expect(200);
    expect(jobSchema.parse(body).state).toBe('cancelled');
    await wait(STALE_MILLIS);
    const { done } = await read(job.id);
    expect(done).toBeGreaterThan(1);
    expect(done).toBeLessThan(PAGES);
    await wait(STALE_MILLIS);
    expect(await read(job.id)).toMatchObject({ state: 'cancelled', done });
    await api().post(`/api/jobs/${job.id}/resume`).expect(200);
    while ((await read(job.id)).state !== 'done') await wait(50);
    expect((await results(job.id)).map(({ step }) => step)).toEqual(Array.from({ length: PAGES }, (_, i) => i));
    child.kill('SIGKILL');
    await ended(child);
  }, 60_000);

  it('is bounded in number, listed with its site, and nobody else’s', async () => {
    const waiting = [await start(801), await start(802), await start(803), await start(804)];
    await api().post(`/api/sites/${siteId}/checks`).send({ width: 805 }).expect(429);
    const { body } = await api().get(`/api/sites/${siteId}/jobs`).expect(200);
    expect((body.jobs as Job[]).slice(0, 4).map(({ id }) => id)).toEqual(waiting.map(({ id }) => id).reverse());
    for (const { id } of waiting) await api().post(`/api/jobs/${id}/cancel`).expect(200);
    await api().get('/api/jobs/6c3f9f0e-6d0f-4a5c-9d1e-0a4a3a1c7b11').expect(404);
    await api().post(`/api/sites/${siteId}/checks`).send({ width: 3 }).expect(400);
  });

  it('is worked on by a server that was told to as soon as there is one', async () => {
    await app.get(JobQueue).serveOnDemand();
    const job = await start(900);
    for (const until = Date.now() + 40_000; (await read(job.id)).state !== 'done' && Date.now() < until;)
      await wait(50);
    expect(await read(job.id)).toMatchObject({ state: 'done', done: PAGES });
  }, 60_000);
});
