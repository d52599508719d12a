#!/usr/bin/env node
// All tests, from a fresh clone: lint, types, unit, API and end to end; or the ones that are named.
import { readFileSync, rmSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { build } from './lib/build.mjs';
import { changedFiles, nearest } from './lib/changed.mjs';
import { ensureCorpus, ensureInstalled, requireNode } from './lib/install.mjs';
import { failWith, say, SetupError, step } from './lib/log.mjs';
import { CHROMIUM, CHROMIUM_SHELL, ensurePackages } from './lib/packages.mjs';
import { dataFolder, root } from './lib/paths.mjs';
import { freePort } from './lib/ports.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { run } from './lib/run.mjs';
import { running } from './lib/running.mjs';
import { startPracticeHost, startServer } from './lib/services.mjs';

const bin = (name) => join(root, 'node_modules', '.bin', name);
const esm = { NODE_OPTIONS: '--experimental-vm-modules --no-warnings' };
const { started, stopAll } = running();
let passed = 0;
let failed = 0;
/** As many browsers at a time, each with a server of its own: they compute most of the time, so no more than cores. */
const WORKERS = 2;

const database = () => startPostgres(dataFolder(`test-${process.pid}-${Date.now()}`), { throwaway: true });

/** A step without a count of its own counts as one test. */
async function check(name, command, args) {
  step(name);
  const { code } = await run(command, args);
  if (code === 0) passed++;
  else failed++;
}

async function jest(project, env = {}, extra = []) {
  const report = join(tmpdir(), `retoque-${project}-${process.pid}.json`);
  // A test that hangs fails after a minute; what it leaves open must not keep Jest from its end.
  const bounds = ['--testTimeout=60000', '--forceExit'];
  await run(bin('jest'), ['--selectProjects', project, '--json', `--outputFile=${report}`, ...bounds, ...extra], {
    env: { ...esm, ...env },
  });
  try {
    const result = JSON.parse(readFileSync(report, 'utf8'));
    passed += result.numPassedTests;
    // A file that cannot even be loaded runs no test, and is a failure all the same.
    failed += result.numFailedTests + result.numRuntimeErrorTestSuites;
    if (!result.numTotalTests) failed++;
  } catch {
    failed++;
  }
  rmSync(report, { force: true });
}

/** One run of Playwright over a project of its configuration, or over what is named. */
async function playwright(name, env, args) {
  const report = join(tmpdir(), `retoque-e2e-${name}-${process.pid}.json`);
  const output = join(root, 'test-results', name);
  await run(bin('playwright'), ['test', '--reporter=list,json', `--output=${output}`, ...args], {
    cwd: join(root, 'e2e'),
    env: {
      ...env,
      RETOQUE_CHROMIUM: CHROMIUM,
      RETOQUE_CHROMIUM_SHELL: CHROMIUM_SHELL,
      PLAYWRIGHT_JSON_OUTPUT_NAME: report,
    },
  });
  try {
    const { stats } = JSON.parse(readFileSync(report, 'utf8'));
    passed += stats.expected + stats.flaky;
    failed += stats.unexpected;
    if (!stats.expected) failed++;
  } catch {
    failed++;
  }
  rmSync(report, { force: true });
}

/** A server with a database of its own, so that what tests do to the demo site is theirs alone. */
async function ownServer(practicePort) {
  const port = await freePort();
  const db = await started(database());
  await started(startServer({ port, databaseUrl: db.url, practicePort }));
  return `http://127.0.0.1:${port}`;
}

async function endToEnd(extra = []) {
  const practicePort = await freePort();
  await started(startPracticeHost(practicePort));
  const servers = [];
  for (let i = 0; i < WORKERS; i++) servers.push(await ownServer(practicePort));
  const env = { RETOQUE_URLS: servers.join(','), PRACTICE_URL: `http://127.0.0.1:${practicePort}` };
  const parallel = [`--workers=${WORKERS}`];
  if (extra.length) await playwright('named', env, [...parallel, ...extra]);
  else {
    await playwright('all', env, parallel);
  }
  await stopAll();
}

/** Test files of one project of Jest that a change reaches. */
async function reached(project, files) {
  const { output } = await run(
    bin('jest'),
    ['--selectProjects', project, '--listTests', '--findRelatedTests', ...files.map((file) => join(root, file))],
    { capture: true, env: esm },
  );
  return output.split('\n').filter((line) => line.startsWith(root));
}

/** So many test files run in about a minute on two cores. */
const MOST_QUICK = 24;

/** What a change touches, in about two minutes: its lint, types and nearest tests. */
async function quick() {
  const files = await changedFiles();
  if (!files.length) return say('Nothing has changed.');
  step(`Changed: ${files.length} files`);
  const code = files.filter((file) => /\.(ts|tsx|mjs|js)$/.test(file));
  if (code.length) await check('Lint', bin('eslint'), ['--max-warnings', '0', '--no-warn-ignored', ...code]);
  await check('Format', bin('prettier'), ['--check', '--ignore-unknown', '--log-level', 'warn', ...files]);
  await STEPS.types();
  const sources = code.filter((file) => /^(packages|apps)\//.test(file));
  const tests = sources.length ? await reached('unit', sources) : [];
  if (tests.length) {
    const some = nearest(
      tests,
      sources.map((file) => join(root, file)),
      MOST_QUICK,
    );
    step(`Unit tests: ${some.length} files of the ${tests.length} that the change reaches; npm test runs all`);
    await jest('unit', {}, ['--runTestsByPath', ...some]);
  }
  const specs = files.filter((file) => file.startsWith('e2e/tests/') && file.endsWith('.spec.ts'));
  const apis = files.filter((file) => file.endsWith('.api.test.ts'));
  if (specs.length || apis.length) await ensurePackages('postgresql', 'chromium', 'chromium-headless-shell');
  if (apis.length) await STEPS.api(apis);
  if (specs.length) {
    await build();
    await STEPS.e2e(specs.map((file) => file.slice('e2e/'.length)));
  }
}

const STEPS = {
  lint: async () => {
    await check('Lint', bin('eslint'), ['.', '--max-warnings', '0']);
    await check('Format', bin('prettier'), ['--check', '--log-level', 'warn', '.']);
    await check('Direction of imports', bin('depcruise'), ['packages', 'apps', '--config', '.dependency-cruiser.cjs']);
    await check('What nobody uses', bin('knip'), ['--no-progress']);
    for (const name of ['core', 'contract', 'decode']) {
      await check(`The package ${name}`, bin('publint'), [`packages/${name}`, '--strict']);
    }
  },
  types: () => check('Types', bin('tsc'), ['-b', 'tsconfig.check.json']),
  unit: async (extra) => {
    step('Unit tests');
    // One for each core, where it would leave one free.
    await jest('unit', {}, [`--maxWorkers=${availableParallelism()}`, ...extra]);
  },
  api: async (extra) => {
    step('API tests');
    const db = await started(database());
    await jest('api', { DATABASE_URL: db.url, RETOQUE_LOG: 'fatal' }, extra);
    await stopAll();
  },
  // What others bring must not take longer than it is long; counted in steps, not in time.
  linear: () => check('Steps over texts of others', process.execPath, ['bench/linear.mjs']),
  corpus: async () => {
    await ensureCorpus();
    await check('Components on pages of others', process.execPath, ['e2e/corpus/run.mjs']);
  },
  attack: () => check('Hostile inputs', process.execPath, ['tools/attack.mjs', '--short']),
  faults: () => check('Faults', process.execPath, ['tools/faults.mjs', '--rounds=8']),
  e2e: async (extra) => {
    await ensureCorpus();
    step('End-to-end tests');
    await endToEnd(extra);
  },
};
/** Not a part of the whole run. */
const NAMED = { ...STEPS, quick };

try {
  const [first, ...extra] = process.argv.slice(2);
  const wanted = first ? [first] : Object.keys(STEPS);
  const unknown = wanted.filter((name) => !NAMED[name]);
  if (unknown.length)
    throw new SetupError(
      `There are no tests called ${unknown.join(', ')}; there are: ${Object.keys(NAMED).join(', ')}.`,
    );
  requireNode();
  const needs = [
    ...(wanted.some((name) => ['api', 'e2e', 'attack', 'faults'].includes(name)) ? ['postgresql'] : []),
    ...(wanted.some((name) => ['e2e', 'attack'].includes(name)) ? ['chromium'] : []),
    ...(wanted.includes('e2e') ? ['chromium-headless-shell'] : []),
  ];
  await ensurePackages(...needs);
  await ensureInstalled();
  if (wanted.some((name) => ['lint', 'types', 'e2e', 'api', 'linear', 'corpus'].includes(name))) await build();
  // What reads the sources alone runs beside its like; the rest needs the machine for itself.
  const groups = first
    ? [wanted]
    : [['lint', 'types', 'unit'], ['api', 'linear', 'corpus'], ['faults'], ['attack'], ['e2e']];
  for (const group of groups) await Promise.all(group.map((name) => NAMED[name](extra)));
} catch (error) {
  failWith(error);
  failed++;
}
await stopAll();
say(`${passed} passed, ${failed} failed`);
process.exit(failed ? 1 : 0);
