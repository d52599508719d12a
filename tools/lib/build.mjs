import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { step } from './log.mjs';
import { root } from './paths.mjs';
import { must } from './run.mjs';

const bin = (name) => join(root, 'node_modules', '.bin', name);

/** A digest of every source that goes into the web build. */
function webSources() {
  const hash = createHash('sha256');
  const visit = (folder) => {
    for (const entry of readdirSync(folder, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1))) {
      if (['node_modules', 'dist', 'dist-types'].includes(entry.name)) continue;
      const path = join(folder, entry.name);
      if (entry.isDirectory()) visit(path);
      else hash.update(path.slice(root.length)).update(readFileSync(path));
    }
  };
  for (const folder of ['apps/web', 'packages/core', 'packages/contract', 'packages/behaviours'])
    visit(join(root, folder));
  hash.update(readFileSync(join(root, 'package-lock.json')));
  return hash.digest('hex');
}

const changedAt = (path) => (existsSync(join(root, path)) ? statSync(join(root, path)).mtimeMs : 0);

/** Puts the command into one file, where anything that it is made of was compiled since. */
async function bundleCommand() {
  const parts = ['packages/core', 'packages/contract', 'packages/decode', 'apps/cli'];
  const sources = [
    'apps/cli/rolldown.config.mjs',
    'package-lock.json',
    ...parts.map((one) => `${one}/dist/.tsbuildinfo`),
  ];
  const made = changedAt('apps/cli/dist/retoque.mjs');
  if (sources.every((source) => changedAt(source) < made)) return;
  await must(bin('rolldown'), ['-c', '--silent'], 'The command cannot be built:', { cwd: join(root, 'apps/cli') });
}

/** Compiles what changed: TypeScript by its own build info, the web application by a digest of its sources. */
export async function build() {
  step('Building what changed');
  await must(bin('tsc'), ['-b', 'tsconfig.build.json'], 'The TypeScript build failed:');
  await bundleCommand();
  const digest = webSources();
  const stamp = join(root, 'apps/web/dist/.sources');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === digest) return;
  step('Building the web application');
  await must(bin('vite'), ['build', '--logLevel', 'warn'], 'The web build failed:', { cwd: join(root, 'apps/web') });
  mkdirSync(join(root, 'apps/web/dist'), { recursive: true });
  writeFileSync(stamp, digest);
}
