#!/usr/bin/env node
// Set-up, then all benchmarks; `npm run bench -- keystroke` runs one of them.
import { build } from './lib/build.mjs';
import { ensureInstalled, requireNode } from './lib/install.mjs';
import { failWith } from './lib/log.mjs';
import { CHROMIUM, ensurePackages } from './lib/packages.mjs';
import { dataFolder } from './lib/paths.mjs';
import { freePort } from './lib/ports.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { run } from './lib/run.mjs';
import { running } from './lib/running.mjs';
import { startPracticeHost, startServer } from './lib/services.mjs';

const { started, stopAll } = running();

let exit = 1;
try {
  requireNode();
  await ensurePackages('postgresql', 'chromium');
  await ensureInstalled();
  await build();
  const [port, practicePort] = [await freePort(), await freePort()];
  const database = await started(startPostgres(dataFolder(`bench-${process.pid}`), { throwaway: true }));
  await started(startPracticeHost(practicePort));
  await started(startServer({ port, databaseUrl: database.url, practicePort, seed: false }));
  const { code } = await run(process.execPath, ['bench/run.mjs', ...process.argv.slice(2)], {
    env: { RETOQUE_CHROMIUM: CHROMIUM, RETOQUE_URL: `http://127.0.0.1:${port}` },
  });
  exit = code;
} catch (error) {
  failWith(error);
}
await stopAll();
process.exit(exit);
