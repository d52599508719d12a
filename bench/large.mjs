// A page of 5,000 elements with 10,000 rules, every element in four states and two viewports, in a process of its own.
import { DESKTOP, VIEWPORTS } from '@retoque/core';
import { resolveAll, sessionOf, STATES } from './lib/core.mjs';
import { largePage } from './lib/pages.mjs';

const [elements, rules] = [Number(process.argv[2] ?? 5000), Number(process.argv[3] ?? 10000)];
const page = largePage(elements, rules);
const start = performance.now();
const session = sessionOf(page);
const parsed = performance.now();
const viewports = [DESKTOP, { ...DESKTOP, ...VIEWPORTS.narrow }];
resolveAll(session, session.tree.elements, STATES, viewports);
const done = performance.now();
const memory = process.resourceUsage().maxRSS / 1024;
process.stdout.write(
  JSON.stringify({
    elements: session.tree.elements.length,
    rules,
    parse: parsed - start,
    resolve: done - parsed,
    total: done - start,
    megabytes: memory,
  }),
);
