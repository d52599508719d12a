#!/usr/bin/env node
// Set-up, then all benchmarks; `npm run bench -- keystroke` runs one of them.
import { runAgainst } from './lib/against.mjs';

await runAgainst('bench/run.mjs', { browser: true });
