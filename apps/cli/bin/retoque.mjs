#!/usr/bin/env node
import { existsSync } from 'node:fs';

const command = new URL('../dist/retoque.mjs', import.meta.url);
if (existsSync(command)) await import(command.href);
else {
  process.stderr.write('retoque: the command is not built yet. Run: npm run build\n');
  process.exitCode = 2;
}
