import { defineConfig } from '@playwright/test';

const root = process.getuid?.() === 0;
const servers = (process.env.RETOQUE_URLS ?? 'http://127.0.0.1:4310').split(',');
/** Each worker has a server of its own. */
const baseURL = servers[Number(process.env.TEST_PARALLEL_INDEX ?? 0) % servers.length]!;

const args = root ? ['--no-sandbox'] : [];
/** The whole browser, for what is compared with what it computes and paints. */
const whole = { executablePath: process.env.RETOQUE_CHROMIUM ?? '/usr/bin/chromium', args };
/** The same without a window of its own, which is quicker: for what only uses the interface. */
const shell = { executablePath: process.env.RETOQUE_CHROMIUM_SHELL ?? whole.executablePath, args };

const COMPARED = /(agreement|colour-use|pixels|honest|sure|corpus|kinds|parts|scrollbar|visited|proof)\.spec/;

/** Started by tools/test.mjs, which gives the addresses of a real server, database and practice host. */
export default defineConfig({
  testDir: './tests',
  outputDir: '../test-results',
  timeout: 180_000,
  // A busy machine is slow; what never comes is still noticed.
  expect: { timeout: 30_000 },
  projects: [
    {
      name: 'agreement',
      testMatch: COMPARED,
      fullyParallel: true,
      use: { launchOptions: whole },
    },
    // What is clicked through is tried once more if it fails: the report names it as flaky, and it has to be looked into.
    { name: 'screens', testIgnore: COMPARED, retries: 1, use: { launchOptions: shell } },
  ],
  forbidOnly: Boolean(process.env.CI),
  use: {
    baseURL,
    viewport: { width: 1280, height: 800 },
    permissions: ['clipboard-read', 'clipboard-write'],
  },
});
