#!/usr/bin/env node
// Looks drawn at random, handed over and put into the pages of the corpus in Chromium: node tools/prove-corpus.mjs
// [looks [site …]]; a site gets the same looks by itself as among all, so that the whole can be done in parts.
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build } from './lib/build.mjs';
import { ensureCorpus, ensureInstalled, requireNode } from './lib/install.mjs';
import { failWith, say } from './lib/log.mjs';
import { CHROMIUM, ensurePackages } from './lib/packages.mjs';
import { root } from './lib/paths.mjs';
import { run } from './lib/run.mjs';

const [, , LOOKS = '200', ...sites] = process.argv;
/** In milliseconds: 200 looks take about three hours on two cores. */
const LONGEST = 6 * 60 * 60_000;
const chosen = sites.length ? ['-g', sites.join('|')] : [];
const folder = mkdtempSync(join(tmpdir(), 'retoque-proof-'));

try {
  requireNode();
  await ensurePackages('chromium');
  await ensureInstalled();
  await ensureCorpus();
  await build();
  const outcomes = join(folder, 'outcomes.ndjson');
  const { code } = await run(
    join(root, 'node_modules/.bin/playwright'),
    ['test', '--workers=2', '--reporter=list', '--project=agreement', 'tests/proof.spec.ts', ...chosen],
    {
      cwd: join(root, 'e2e'),
      env: { LOOKS, RETOQUE_PROOF: outcomes, RETOQUE_CHROMIUM: CHROMIUM },
      timeout: LONGEST,
    },
  );
  const lines = readFileSync(outcomes, 'utf8').trim().split('\n').map(JSON.parse);
  const sum = (name) => lines.reduce((total, line) => total + line[name], 0);
  say(
    `looks ${sum('looks')}, values ${sum('values')}, differing ${sum('differing')}, foreign elements changed ${sum('foreign')}, rows not promised ${sum('unpromised')}`,
  );
  process.exitCode = code;
} catch (error) {
  failWith(error);
} finally {
  rmSync(folder, { recursive: true, force: true });
}
