import { defineConfig } from '@playwright/test';

const root = process.getuid?.() === 0;
const servers = (process.env.RETOQUE_URLS ?? 'http://127.0.0.1:4310').split(',');
/** Each worker has a server of its own. */
const baseURL = servers[Number(process.env.TEST_PARALLEL_INDEX ?? 0) % servers.length]!;

/** Started by tools/test.mjs, which gives the addresses of a real server, database and practice host. */
export default defineConfig({
  testDir: './tests',
  outputDir: '../test-results',
  timeout: 180_000,
  // A busy machine is slow; what never comes is still noticed.
  expect: { timeout: 30_000 },
  projects: [
    { name: 'agreement', testMatch: /(agreement|pixels|sure)\.spec/, fullyParallel: true },
    { name: 'screens', testIgnore: /(agreement|pixels|sure)\.spec/ },
  ],
  forbidOnly: Boolean(process.env.CI),
  use: {
    baseURL,
    viewport: { width: 1280, height: 800 },
    permissions: ['clipboard-read', 'clipboard-write'],
    launchOptions: {
      executablePath: process.env.RETOQUE_CHROMIUM ?? '/usr/bin/chromium',
      args: root ? ['--no-sandbox'] : [],
    },
  },
});
