#!/usr/bin/env node
// Kills connections, the server and the database while looks are saved, and counts what was acknowledged and is gone.
import { rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { build } from './lib/build.mjs';
import { ensureInstalled, requireNode } from './lib/install.mjs';
import { keptUp } from './lib/kept-up.mjs';
import { failWith, say, step } from './lib/log.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { dataFolder, root } from './lib/paths.mjs';
import { freePort } from './lib/ports.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { running } from './lib/running.mjs';
import { bringPage, saver } from './lib/savers.mjs';
import { startServer } from './lib/services.mjs';

const given = process.argv.find((argument) => argument.startsWith('--rounds='));
const ROUNDS = Number(given?.slice('--rounds='.length) ?? 60);
const CLIENTS = 6;
const FAULTS = ['connection', 'connection', 'server', 'database'];

const wait = (millis) => new Promise((resolve) => setTimeout(resolve, millis));
const { started, stopAll } = running();
const folder = dataFolder(`faults-${process.pid}`);
let lost = 1;
let acknowledged = 0;

async function untilHealthy(url) {
  for (let tries = 0; tries < 300; tries++) {
    const isWell = await fetch(`${url}/api/health`).then(
      ({ ok }) => ok,
      () => false,
    );
    if (isWell) return;
    await wait(100);
  }
  throw new Error('The server was not well again within 30 seconds.');
}

try {
  requireNode();
  await ensurePackages('postgresql');
  await ensureInstalled();
  await build();
  const [port, databasePort] = [await freePort(), await freePort()];
  // Not a throwaway: what is acknowledged must be on the disk.
  let database = await startPostgres(folder, { port: databasePort });
  await started({ stop: () => database.stop() });
  const server = await started(
    keptUp(() => startServer({ port, databaseUrl: database.url, practicePort: 1, seed: false }), { tries: ROUNDS }),
  );
  const url = `http://127.0.0.1:${port}`;
  const page = await bringPage(url);
  const clients = [];
  for (let i = 0; i < CLIENTS; i++) clients.push(await saver(url, page.id, i));

  const faults = {
    connection: async () => {
      const pg = createRequire(join(root, 'apps/server/package.json'))('pg');
      const client = new pg.Client({ connectionString: database.url });
      await client.connect();
      await client.query(
        `select pg_terminate_backend(pid) from pg_stat_activity
         where pid <> pg_backend_pid() and backend_type = 'client backend' order by random() limit 3`,
      );
      await client.end();
    },
    server: async () => process.kill(server.pid(), 'SIGKILL'),
    database: async () => {
      await database.crash();
      database = await startPostgres(folder, { port: databasePort });
    },
  };

  const ended = new AbortController();
  const saving = clients.map(async (client) => {
    while (!ended.signal.aborted) await client.save({ signal: ended.signal });
  });
  const failed = Promise.race(saving.map((client) => client.then(() => new Promise(() => undefined))));
  for (let round = 0; round < ROUNDS; round++) {
    const fault = FAULTS[round % FAULTS.length];
    await wait(100 + Math.random() * 300);
    await Promise.race([faults[fault]().then(() => untilHealthy(url)), failed]);
    if ((round + 1) % 10 === 0) step(`${round + 1} of ${ROUNDS} rounds`);
  }
  await untilHealthy(url);
  ended.abort();
  await Promise.all(saving);
  lost = 0;
  for (const client of clients) {
    lost += await client.lost();
    acknowledged += client.acknowledged;
  }
} catch (error) {
  failWith(error);
}
await stopAll();
rmSync(folder, { recursive: true, force: true });
say(`rounds ${ROUNDS}, acknowledged ${acknowledged}, lost ${lost}`);
process.exit(lost ? 1 : 0);
