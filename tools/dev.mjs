#!/usr/bin/env node
// Hot reload on both sides: Vite for the web application, tsc --watch and a restarting server behind it.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ensureInstalled, requireNode } from './lib/install.mjs';
import { failWith, say } from './lib/log.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { dataFolder, root } from './lib/paths.mjs';
import { freePort, requireFree } from './lib/ports.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { must } from './lib/run.mjs';
import { startPracticeHost } from './lib/services.mjs';

const port = Number(process.env.RETOQUE_PORT ?? 4310);
const practicePort = Number(process.env.RETOQUE_PRACTICE_PORT ?? 4311);
const bin = (name) => join(root, 'node_modules', '.bin', name);
const running = [];
let stopping = false;

async function stopAll(code) {
  if (stopping) return;
  stopping = true;
  for (const service of running.reverse()) await service.stop();
  process.exit(code);
}
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => void stopAll(0));

function keep(command, args, options) {
  const child = spawn(command, args, { cwd: root, stdio: 'inherit', detached: true, ...options });
  const closed = new Promise((resolve) => child.on('close', resolve));
  running.push({
    stop: async () => {
      try {
        process.kill(-child.pid, 'SIGTERM');
      } catch {
        return; // it has ended already
      }
      await closed;
    },
  });
}

try {
  requireNode();
  await requireFree(port, 'the application', 'RETOQUE_PORT');
  await requireFree(practicePort, 'the practice host', 'RETOQUE_PRACTICE_PORT');
  await ensurePackages('postgresql');
  await ensureInstalled();
  await must(bin('tsc'), ['-b', 'tsconfig.build.json'], 'The TypeScript build failed:');
  const database = await startPostgres(dataFolder('dev'));
  running.push(database);
  running.push(await startPracticeHost(practicePort));
  const apiPort = await freePort();
  keep(bin('tsc'), ['-b', 'tsconfig.build.json', '--watch', '--preserveWatchOutput']);
  keep(process.execPath, ['--watch', '--watch-preserve-output', 'apps/server/dist/main.js'], {
    env: {
      ...process.env,
      DATABASE_URL: database.url,
      RETOQUE_PORT: String(apiPort),
      RETOQUE_ORIGIN: `http://127.0.0.1:${port},http://localhost:${port}`,
      RETOQUE_PRACTICE_ORIGIN: `http://127.0.0.1:${practicePort}`,
      RETOQUE_SEED: 'demo',
    },
  });
  keep(bin('vite'), ['--port', String(port), '--strictPort', '--host', '127.0.0.1'], {
    cwd: join(root, 'apps/web'),
    env: { ...process.env, RETOQUE_API: `http://127.0.0.1:${apiPort}` },
  });
  say(`Retoque with hot reload: http://127.0.0.1:${port}`);
} catch (error) {
  failWith(error);
  await stopAll(1);
}
