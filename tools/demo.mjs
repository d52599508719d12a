#!/usr/bin/env node
// Everything from a fresh clone to a running application with demo data.
import { build } from './lib/build.mjs';
import { ensureInstalled, requireNode } from './lib/install.mjs';
import { failWith, say, SetupError } from './lib/log.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { keptUp } from './lib/kept-up.mjs';
import { dataFolder } from './lib/paths.mjs';
import { requireFree } from './lib/ports.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { startPracticeHost, startServer } from './lib/services.mjs';

const unknown = process.argv.slice(2).filter((argument) => argument !== '--reset');
const reset = process.argv.includes('--reset');
const port = Number(process.env.RETOQUE_PORT ?? 4310);
const practicePort = Number(process.env.RETOQUE_PRACTICE_PORT ?? 4311);

/** What was started, in order; stopped in reverse. */
const running = [];
let stopping;
const stopAll = () =>
  (stopping ??= (async () => {
    for (const service of [...running].reverse()) await service.stop().catch(() => undefined);
  })());

for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
  process.on(signal, () => {
    void stopAll().then(() => process.exit(0));
  });
}

const started = async (promise) => {
  const service = await promise;
  running.push(service);
  if (stopping) {
    await service.stop();
    throw new SetupError('Stopped.');
  }
  return service;
};

try {
  if (unknown.length) throw new SetupError(`Unknown option ${unknown.join(' ')}. The only one is --reset.`);
  requireNode();
  await requireFree(port, 'the application', 'RETOQUE_PORT');
  await requireFree(practicePort, 'the practice host', 'RETOQUE_PRACTICE_PORT');
  await ensurePackages('postgresql');
  await ensureInstalled();
  await build();
  const database = await started(startPostgres(dataFolder('demo'), { reset }));
  const practice = await started(startPracticeHost(practicePort));
  const server = await started(keptUp(() => startServer({ port, databaseUrl: database.url, practicePort })));
  say(`The practice host is at http://127.0.0.1:${practicePort}`);
  say(`Retoque is ready at http://127.0.0.1:${port}`);
  for (const [name, service] of [
    ['database', database],
    ['practice host', practice],
    ['server', server],
  ]) {
    void service.closed.then(async () => {
      if (stopping) return;
      failWith(new SetupError(`The ${name} ended by itself, so everything is stopped. Start again with: npm run demo`));
      await stopAll();
      process.exit(1);
    });
  }
} catch (error) {
  if (!stopping) failWith(error);
  await stopAll();
  process.exit(stopping && !error ? 0 : 1);
}
