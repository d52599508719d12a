#!/usr/bin/env node
// Set-up, then all benchmarks.
import { build } from './lib/build.mjs';
import { ensureInstalled, requireNode } from './lib/install.mjs';
import { failWith } from './lib/log.mjs';
import { CHROMIUM, ensurePackages } from './lib/packages.mjs';
import { run } from './lib/run.mjs';

try {
  requireNode();
  await ensurePackages('chromium');
  await ensureInstalled();
  await build();
  const { code } = await run(process.execPath, ['bench/run.mjs'], { env: { RETOQUE_CHROMIUM: CHROMIUM } });
  process.exit(code);
} catch (error) {
  failWith(error);
  process.exit(1);
}
