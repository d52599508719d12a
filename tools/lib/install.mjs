import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { join } from 'node:path';
import { SetupError, step } from './log.mjs';
import { root } from './paths.mjs';
import { must } from './run.mjs';

const OLDEST_NODE = [20, 19];

export function requireNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < OLDEST_NODE[0] || (major === OLDEST_NODE[0] && minor < OLDEST_NODE[1])) {
    throw new SetupError(`Node ${OLDEST_NODE.join('.')} or newer is needed; this is ${process.versions.node}.`);
  }
}

/** Runs `npm ci` in a folder when what is installed is not what its lock file asks for. */
async function install(folder, title) {
  const lock = createHash('sha256')
    .update(readFileSync(join(folder, 'package-lock.json')))
    .digest('hex');
  const stamp = join(folder, 'node_modules', '.retoque-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  step(title);
  await must('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund', '--prefix', folder], 'npm ci failed:');
  writeFileSync(stamp, lock);
}

export const ensureInstalled = () => install(root, 'Installing npm packages');

/** The pages of others on which finding components is measured: large, so the tests alone have them. */
export const ensureCorpus = () => install(join(root, 'e2e', 'corpus'), 'Installing the pages of the corpus');
