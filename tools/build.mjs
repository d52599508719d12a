#!/usr/bin/env node
import { build } from './lib/build.mjs';
import { ensureInstalled, requireNode } from './lib/install.mjs';
import { failWith } from './lib/log.mjs';

try {
  requireNode();
  await ensureInstalled();
  await build();
} catch (error) {
  failWith(error);
  process.exit(1);
}
