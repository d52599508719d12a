#!/usr/bin/env node
// Hostile inputs in every format, brought and opened; `npm run attack -- --short` takes one of each sort.
import { runAgainst } from './lib/against.mjs';

await runAgainst('e2e/attack/run.mjs', { browser: true });
