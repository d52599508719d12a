#!/usr/bin/env node
// How well components are found on pages of others, by their names and with every class called something else.
import { join } from 'node:path';
import { build } from './lib/build.mjs';
import { ensureCorpus, ensureInstalled, requireNode } from './lib/install.mjs';
import { failWith } from './lib/log.mjs';
import { root } from './lib/paths.mjs';
import { run } from './lib/run.mjs';

try {
  requireNode();
  await ensureInstalled();
  await ensureCorpus();
  await build();
  const { code } = await run(process.execPath, [join(root, 'e2e/corpus/run.mjs'), ...process.argv.slice(2)]);
  process.exit(code);
} catch (error) {
  failWith(error);
}
