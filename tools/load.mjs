#!/usr/bin/env node
// Twenty clients save for a minute: half of it alone, half of it while checks of pages are worked out.
import { runAgainst } from './lib/against.mjs';

await runAgainst('tools/lib/load-run.mjs');
