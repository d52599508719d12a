import { fork } from 'node:child_process';
import { join } from 'node:path';
import { SetupError } from './log.mjs';
import { root } from './paths.mjs';

const wait = (millis) => new Promise((resolve) => setTimeout(resolve, millis));

/** Starts one of our Node programs; it ends with us, even when we are killed. */
function startNode(name, script, env) {
  const child = fork(join(root, script), [], {
    cwd: root,
    env: { ...process.env, ...env },
    detached: true,
    stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
  });
  let errors = '';
  let answers = false;
  child.stdout.on('data', (chunk) => process.env.RETOQUE_VERBOSE && process.stdout.write(chunk));
  child.stderr.on('data', (chunk) => {
    // While starting, the one line that says why is told by us; later its own words are passed on.
    errors = (errors + chunk).slice(-4000);
    if (answers) process.stderr.write(chunk);
  });
  child.stdout.on('error', () => undefined);
  let ended = false;
  const closed = new Promise((resolve) =>
    child.on('close', (code) => {
      ended = true;
      resolve(code);
    }),
  );
  const stop = async () => {
    if (ended) return;
    child.kill('SIGTERM');
    const forced = setTimeout(() => child.kill('SIGKILL'), 4000);
    await closed;
    clearTimeout(forced);
  };
  return {
    name,
    pid: child.pid,
    closed,
    stop,
    hasEnded: () => ended,
    errors: () => errors,
    nowAnswers: () => (answers = true),
  };
}

async function untilAnswers(service, url) {
  for (let tries = 0; tries < 600; tries++) {
    if (service.hasEnded())
      throw new SetupError(service.errors().trim().split('\n').at(-1) || `${service.name} ended at once.`);
    try {
      if ((await fetch(url)).ok) {
        service.nowAnswers();
        return;
      }
    } catch {
      // Not listening yet.
    }
    await wait(100);
  }
  await service.stop();
  throw new SetupError(`${service.name} did not answer at ${url} within a minute.`);
}

export async function startPracticeHost(port) {
  const service = startNode('The practice host', 'apps/practice-host/dist/main.js', {
    RETOQUE_PRACTICE_PORT: String(port),
  });
  await untilAnswers(service, `http://127.0.0.1:${port}/`);
  return service;
}

export async function startServer({ port, databaseUrl, practicePort, seed = true }) {
  const service = startNode('The server', 'apps/server/dist/main.js', {
    DATABASE_URL: databaseUrl,
    RETOQUE_PORT: String(port),
    RETOQUE_PRACTICE_ORIGIN: `http://127.0.0.1:${practicePort}`,
    RETOQUE_WEB_FOLDER: join(root, 'apps/web/dist'),
    ...(seed ? { RETOQUE_SEED: 'demo' } : {}),
  });
  await untilAnswers(service, `http://127.0.0.1:${port}/api/health`);
  await untilAnswers(service, `http://127.0.0.1:${port}/`);
  return service;
}
