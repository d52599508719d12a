#!/usr/bin/env node
import { existsSync } from 'node:fs';

const main = new URL('../dist/main.js', import.meta.url);
if (existsSync(main)) await import(main.href);
else {
  process.stderr.write('retoque: the command is not built yet. Run: npm run build\n');
  process.exitCode = 2;
}
