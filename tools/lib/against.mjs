import { build } from './build.mjs';
import { ensureInstalled, requireNode } from './install.mjs';
import { failWith } from './log.mjs';
import { CHROMIUM, ensurePackages } from './packages.mjs';
import { dataFolder } from './paths.mjs';
import { freePort } from './ports.mjs';
import { startPostgres } from './postgres.mjs';
import { run } from './run.mjs';
import { running } from './running.mjs';
import { startPracticeHost, startServer } from './services.mjs';

/**
 * Runs a script against a server with a database of its own, both on loopback and thrown away afterwards, and ends with
 * the script's exit code.
 *
 * @param script path from the root; it is told the addresses in its environment
 */
export async function runAgainst(script, { browser = false, seed = false, keepUp = (start) => start() } = {}) {
  const { started, stopAll } = running();
  let exit = 1;
  try {
    requireNode();
    await ensurePackages('postgresql', ...(browser ? ['chromium'] : []));
    await ensureInstalled();
    await build();
    const [port, practicePort] = [await freePort(), await freePort()];
    const database = await started(startPostgres(dataFolder(`run-${process.pid}`), { throwaway: true }));
    await started(startPracticeHost(practicePort));
    const server = await started(keepUp(() => startServer({ port, databaseUrl: database.url, practicePort, seed })));
    const { code } = await run(process.execPath, [script, ...process.argv.slice(2)], {
      env: {
        RETOQUE_CHROMIUM: CHROMIUM,
        RETOQUE_URL: `http://127.0.0.1:${port}`,
        DATABASE_URL: database.url,
        // A server that is killed and started anew has no one id.
        ...(typeof server.pid === 'number' ? { RETOQUE_SERVER_PID: String(server.pid) } : {}),
      },
    });
    exit = code;
  } catch (error) {
    failWith(error);
  }
  await stopAll();
  process.exit(exit);
}
