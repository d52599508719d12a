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

/** Runs `npm ci` when what is installed is not what the lock file asks for. */
export async function ensureInstalled() {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const stamp = join(root, 'node_modules', '.retoque-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  step('Installing npm packages');
  await must('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund'], 'npm ci failed:');
  writeFileSync(stamp, lock);
}
