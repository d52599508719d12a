import 'reflect-metadata';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { pageSchema, problemSchema, storageSchema, type Page } from '@retoque/contract';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { randomUUID } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import request from 'supertest';
import { createApp } from './create-app.js';
import { onDatabase, ownPages } from './testing/api.js';

// What a hostile page, a broken connection or a hostile body must not be able to do.
let app: NestExpressApplication;
let port: number;
const api = () => ownPages(app);
const raw = () => request(`http://127.0.0.1:${port}`);

beforeAll(async () => {
  process.env.RETOQUE_ORIGIN = 'https://retoque.example';
  app = await createApp();
  await app.listen(0, '127.0.0.1');
  ({ port } = app.getHttpServer().address() as AddressInfo);
});
afterAll(async () => {
  delete process.env.RETOQUE_ORIGIN;
  await app.close();
});

const BUTTON = '<!doctype html><title>T</title><main><a class="go" href="#">Go</a></main>';
async function paste(html = BUTTON, css = '.go { color: red }'): Promise<Page> {
  const body = { site: { name: `Site ${randomUUID()}` }, name: 'Page', html, css };
  return pageSchema.parse((await api().post('/api/pages/from-paste').send(body).expect(201)).body);
}
const locator = { selector: '.go', tag: 'a', classes: ['go'], attributes: {}, text: 'Go', ancestry: [] };
const change = (html: string) => ({ kind: null, name: 'Go', locator, place: 'after', html, css: '', before: null });

describe('who may speak to the server', () => {
  const site = { site: { name: 'x' }, name: 'x', html: BUTTON };

  it.each(['evil.example', `evil.example:1`, '127.0.0.1:1', 'localhost'])('refuses the host %s', async (host) => {
    for (const path of ['/', '/api/sites', '/api/docs', '/api/health']) {
      const answer = await raw().get(path).set('Host', host);
      expect(answer.status).toBe(421);
      expect(problemSchema.parse(answer.body).type).toMatch(/not-our-host/);
    }
  });

  it('answers under loopback names, and under what it was told', async () => {
    for (const host of [`127.0.0.1:${port}`, `localhost:${port}`, `LOCALHOST:${port}`, 'retoque.example'])
      await raw().get('/api/health').set('Host', host).expect(200);
  });

  it('changes something only for its own pages', async () => {
    const own = `http://127.0.0.1:${port}`;
    const send = (headers: Record<string, string>) => raw().post('/api/pages/from-paste').set(headers).send(site);
    expect((await send({ Origin: own })).status).toBe(201);
    expect((await send({ 'Sec-Fetch-Site': 'same-origin', Origin: own })).status).toBe(201);
    for (const headers of [
      {},
      { Origin: 'https://evil.example' },
      { Origin: 'null' },
      { Origin: `http://127.0.0.1:${port + 1}` },
      { 'Sec-Fetch-Site': 'cross-site', Origin: own },
      { 'Sec-Fetch-Site': 'same-site' },
      { 'Sec-Fetch-Site': 'none' },
      { 'Sec-Fetch-Site': 'same-origin', Origin: 'https://evil.example' },
    ]) {
      const answer = await send(headers as Record<string, string>);
      expect([headers, answer.status]).toEqual([headers, 403]);
      expect(problemSchema.parse(answer.body).detail).toContain(`Origin: ${own}`);
    }
  });

  it('takes no form of another page', async () => {
    const answer = await raw()
      .post('/api/pages/from-upload')
      .set({ Origin: 'https://evil.example', 'Sec-Fetch-Site': 'cross-site' })
      .field('siteName', 'Forged')
      .attach('files', Buffer.from(BUTTON), 'page.html');
    expect(answer.status).toBe(403);
    const { body } = await api().get('/api/sites').expect(200);
    expect(body.sites.some(({ name }: { name: string }) => name === 'Forged')).toBe(false);
  });

  it('lets no other site read the API, and is opened by links all the same', async () => {
    await raw().get('/api/sites').set('Sec-Fetch-Site', 'cross-site').expect(403);
    await raw().get('/api/sites').set('Sec-Fetch-Site', 'same-site').expect(403);
    await raw().get('/api/sites').set('Sec-Fetch-Site', 'none').expect(200);
    expect((await raw().get('/').set('Sec-Fetch-Site', 'cross-site')).status).not.toBe(403);
  });

  it('cannot be framed, the documentation of the API neither, and does not say what it runs on', async () => {
    for (const path of ['/api/docs', '/api/health', '/api/nothing']) {
      const { headers } = await raw().get(path);
      expect(headers['content-security-policy']).toContain("frame-ancestors 'none'");
      expect(headers['x-content-type-options']).toBe('nosniff');
      expect(headers['x-powered-by']).toBeUndefined();
    }
  });
});

describe('text that cannot be stored', () => {
  const NUL = 'a\0b';
  const LONE = 'a\ud800b';

  it.each([NUL, LONE])('is refused with its field named', async (bad) => {
    const page = await paste();
    const look = (value: string) => ({
      settings: [{ part: 'link', property: 'color', when: { states: [] }, value }],
      exceptions: [],
      muted: [],
    });
    const opened = await api().post('/api/components').send({ pageId: page.id, kind: 'link', name: 'Go', locator });
    const { id, currentTrialId } = opened.body as { id: string; currentTrialId: string };
    const tries: [string, string, object, string][] = [
      ['post', '/api/pages/from-paste', { site: { name: bad }, name: 'x', html: BUTTON }, 'site.name'],
      ['post', '/api/pages/from-paste', { site: { name: 'x' }, name: bad, html: BUTTON }, 'name'],
      ['post', '/api/pages/from-paste', { site: { name: 'x' }, name: 'x', html: bad }, 'html'],
      ['post', '/api/pages/from-paste', { site: { name: 'x' }, name: 'x', html: BUTTON, css: bad }, 'css'],
      ['patch', `/api/sites/${page.siteId}`, { name: bad }, 'name'],
      ['patch', `/api/components/${id}`, { name: bad }, 'name'],
      ['post', `/api/pages/${page.id}/changes`, { ...change('<b></b>'), name: bad }, 'name'],
      ['post', `/api/pages/${page.id}/changes`, change(bad), 'html'],
      [
        'post',
        '/api/components',
        { pageId: page.id, kind: 'link', name: 'x', locator: { ...locator, attributes: { id: bad } } },
        'locator.attributes.id',
      ],
      [
        'put',
        `/api/components/${id}/trials/${currentTrialId}/look`,
        { baseRevision: 0, saveId: randomUUID(), look: look(bad) },
        'look.settings.0.value',
      ],
      [
        'put',
        `/api/pages/${page.id}/geometry`,
        { edition: bad, measurements: [{ viewport: { width: 1, height: 1 }, elements: {} }] },
        'edition',
      ],
    ];
    for (const [method, path, body, field] of tries) {
      const answer = await api()[method as 'post'](path).send(body);
      expect([path, field, answer.status]).toEqual([path, field, 400]);
      expect(problemSchema.parse(answer.body).errors!.map((error) => error.path)).toContain(field);
    }
  });

  it('is refused in the paths of uploaded files, and mended in what files themselves say', async () => {
    const upload = (paths: unknown) =>
      api()
        .post('/api/pages/from-upload')
        .field('siteName', 'Paths')
        .field('paths', JSON.stringify(paths))
        .attach('files', Buffer.from('<title>a&#0;b</title><a href="#">x</a><img src="q%00z.png">'), 'page.html');
    expect((await upload([`${LONE}.html`])).status).toBe(400);
    expect((await upload({ length: 4 })).status).toBe(400);
    const page = pageSchema.parse((await upload(['page.html']).expect(201)).body);
    expect(page.version.notes.join(' ')).toContain('q\ufffdz.png');
  });
});

describe('bodies out of bounds', () => {
  const send = (text: string) => api().post('/api/pages/from-paste').set('Content-Type', 'application/json').send(text);

  it('are refused before anything is built of them', async () => {
    const nested = problemSchema.parse((await send('['.repeat(100_000)).expect(413)).body);
    expect(nested.detail).toContain('64 levels');
    const many = `{${Array.from({ length: 1_000_000 }, (_, i) => `"k${i}":1`).join()}}`;
    expect(problemSchema.parse((await send(many).expect(413)).body).detail).toContain('600,000 members');
    // Brackets and colons within texts are no structure.
    await send(JSON.stringify({ html: '[{:"\\'.repeat(10_000) })).expect(400);
  });

  it('are counted as they stream', async () => {
    const files = api().post('/api/pages/from-upload').field('siteName', 'Large');
    for (let i = 0; i < 4; i++) files.attach('files', Buffer.alloc(7 * 1024 * 1024), `${i}.png`);
    const answer = await files;
    expect(answer.status).toBe(413);
    expect(problemSchema.parse(answer.body).detail).toContain('20 MB');
  });
});

describe('a change that a page cannot bear', () => {
  it('is refused with its reason, and leaves the page as it was', async () => {
    const page = await paste();
    const add = (html: string) => api().post(`/api/pages/${page.id}/changes`).send(change(html));
    const deep = await add('<div>'.repeat(19_000)).expect(422);
    expect(problemSchema.parse(deep.body).detail).toContain('512 levels');
    expect(pageSchema.parse((await api().get(`/api/pages/${page.id}`).expect(200)).body).version).toEqual(page.version);
    await add('<b>fine</b>').expect(201);
  });

  it('is set aside with its reason where it is stored already', async () => {
    const page = await paste();
    const add = (html: string) => api().post(`/api/pages/${page.id}/changes`).send(change(html));
    await add('<b>first</b>').expect(201);
    await onDatabase((client) =>
      client.query(
        `insert into page_changes (owner_id, page_id, name, locator, place, html, css)
         select owner_id, page_id, 'Deep', locator, place, $2, '' from page_changes where page_id = $1`,
        [page.id, '<div>'.repeat(19_000)],
      ),
    );
    const { version } = pageSchema.parse((await api().get(`/api/pages/${page.id}`).expect(200)).body);
    expect(version.html).toContain('<b>first</b>');
    expect(version.changes.map(({ name, applied, problem }) => [name, applied, problem])).toEqual([
      ['Go', true, null],
      ['Deep', false, expect.stringContaining('512 levels')],
    ]);
    await add('<b>third</b>').expect(201);
  });
});

describe('a connection to the database that dies', () => {
  it('is answered with 503 and when to ask again, and nothing else suffers', async () => {
    const page = await paste();
    const opened = await api().post('/api/components').send({ pageId: page.id, kind: 'link', name: 'Go', locator });
    const { id, currentTrialId } = opened.body as { id: string; currentTrialId: string };
    await onDatabase(async (client) => {
      const look = { settings: [], exceptions: [], muted: [] };
      const answers: number[] = [];
      let revision = 0;
      for (let round = 0; round < 15; round++) {
        const saveId = randomUUID();
        const save = () =>
          api()
            .put(`/api/components/${id}/trials/${currentTrialId}/look`)
            .send({ baseRevision: revision, saveId, look });
        const kill = client.query(
          `select pg_terminate_backend(pid) from pg_stat_activity where pid <> pg_backend_pid() and backend_type = 'client backend'`,
        );
        const [answer] = await Promise.all([save(), kill]);
        answers.push(answer.status);
        expect([200, 503]).toContain(answer.status);
        if (answer.status === 503) expect(answer.headers['retry-after']).toMatch(/^\d+$/);
        // Sent again with the same id it is stored once, whatever became of the first.
        revision = ((await save().expect(200)).body as { revision: number }).revision;
        expect(revision).toBe(round + 1);
      }
    });
    // Connections that died were not lost to the pool.
    const many = await Promise.all(Array.from({ length: 12 }, () => api().get('/api/health')));
    expect(many.map(({ status }) => status)).toEqual(many.map(() => 200));
  });
});

describe('pictures that ask for too much', () => {
  const svg = (inner: string) =>
    `<svg xmlns="http://www.w3.org/2000/svg" width="2000" height="2000"><rect width="2000" height="2000" fill="#246"/>${inner}</svg>`;

  it('are stored undecoded, with that as the reason, while the server goes on answering', async () => {
    const wide =
      '<filter id="f" width="2000" height="2000"><feMorphology radius="400"/></filter><g filter="url(#f)"><rect width="2000" height="2000"/></g>';
    const uploaded = await api()
      .post('/api/pages/from-upload')
      .field('siteName', 'Costly')
      .field('paths', JSON.stringify(['page.html', 'wide.svg']))
      .attach('files', Buffer.from('<body style="background: url(wide.svg)"><p>Read me</p></body>'), 'page.html')
      .attach('files', Buffer.from(svg(wide)), 'wide.svg')
      .expect(201);
    const page = pageSchema.parse(uploaded.body);
    const { hash } = page.version.assets[0]!;
    const answer = await api().get(`/api/assets/${hash}/pixels`).expect(422);
    expect(problemSchema.parse(answer.body).title).toContain('too long or too much memory');
    // A browser is not given to draw what would hold it up; the file itself can be taken home.
    await api().get(`/api/assets/${hash}`).set('Sec-Fetch-Dest', 'image').expect(422);
    await api().get(`/api/assets/${hash}`).set('Sec-Fetch-Dest', 'document').expect(200);
    const { body } = await api().get(`/api/pages/${page.id}/checks`).expect(200);
    const text = (body.checks as { criterion: string; state: string; verdict: string; reason: string }[]).find(
      ({ criterion, state }) => criterion === '1.4.3' && state === 'default',
    );
    expect(text).toMatchObject({ verdict: 'unsure', reason: expect.stringContaining('too long or too much memory') });
  });
});

describe('checks on the server', () => {
  it('are worked out once for the same question, and told from another', async () => {
    const page = await paste();
    const ask = (width: number) => api().get(`/api/pages/${page.id}/checks?width=${width}`).expect(200);
    const [a, b, c] = await Promise.all([ask(1280), ask(1280), ask(600)]);
    expect(a.body).toEqual(b.body);
    expect(c.body.viewport.width).toBe(600);
    expect((await ask(1280)).body).toEqual(a.body);
  });

  it('are refused past the queue, with when to ask again', async () => {
    const links = Array.from({ length: 80 }, (_, i) => `<li class="c${i}"><a class="go" href="#">Go ${i}</a></li>`);
    const page = await paste(`<!doctype html><title>T</title><ul>${links.join('')}</ul>`);
    const answers = await Promise.all(
      Array.from({ length: 40 }, (_, i) => api().get(`/api/pages/${page.id}/checks?width=${300 + i}`)),
    );
    const statuses = new Set(answers.map(({ status }) => status));
    expect([...statuses].sort()).toEqual([200, 429]);
    const late = answers.find(({ status }) => status === 429)!;
    expect(late.headers['retry-after']).toMatch(/^\d+$/);
    expect(problemSchema.parse(late.body).type).toMatch(/busy/);
  }, 60_000);
});

describe('what an owner may store', () => {
  it('is told, bounded, and freed by deleting for good what was removed', async () => {
    const before = storageSchema.parse((await api().get('/api/storage').expect(200)).body);
    const page = await paste(`${BUTTON}<p>${'words '.repeat(50_000)}</p>`);
    const filled = storageSchema.parse((await api().get('/api/storage').expect(200)).body);
    expect(filled.used - before.used).toBeGreaterThan(300_000);
    process.env.RETOQUE_STORAGE_MB = String(Math.ceil(filled.used / 1024 / 1024));
    try {
      const body = { site: { name: 'Full' }, name: 'x', html: `${BUTTON}<i>${'y'.repeat(2_000_000)}</i>` };
      const full = problemSchema.parse((await api().post('/api/pages/from-paste').send(body).expect(507)).body);
      expect(full.detail).toMatch(/MB of \d+ MB/);
      // Nothing of it is left half-stored.
      expect((await api().get('/api/sites')).body.sites.some(({ name }: { name: string }) => name === 'Full')).toBe(
        false,
      );
    } finally {
      delete process.env.RETOQUE_STORAGE_MB;
    }
    await api().delete(`/api/sites/${page.siteId}`).expect(204);
    const freed = storageSchema.parse((await api().post('/api/storage/purge').expect(200)).body);
    expect(freed.removed).toBe(0);
    expect(freed.used).toBeLessThan(filled.used - 300_000);
    await api().post(`/api/sites/${page.siteId}/restore`).expect(404);
  });

  it('keeps a component whose first page is gone with its site', async () => {
    const first = await paste();
    const { body: second } = await api()
      .post('/api/pages/from-paste')
      .send({ site: { id: first.siteId }, name: 'Second', html: BUTTON })
      .expect(201);
    const opened = await api().post('/api/components').send({ pageId: first.id, kind: 'link', name: 'Go', locator });
    await api().delete(`/api/pages/${first.id}`).expect(204);
    await api().post('/api/storage/purge').expect(200);
    const { body } = await api().get(`/api/components/${opened.body.id}`).expect(200);
    expect(body.pageId).toBe(second.id);
    await api().get(`/api/pages/${second.id}`).expect(200);
  });
});
