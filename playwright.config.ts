import { defineConfig } from '@playwright/test';

/**
 * Started by scripts/test.mjs, which serves a demo workshop for each worker and empty ones at OWN_URL and, by night,
 * WEEK_URL and WEEKS_URL.
 */
const demos = (process.env.DEMO_URLS ?? '').split(',');
process.env.DEMO_URL = demos[Number(process.env.TEST_PARALLEL_INDEX ?? 0)];
/** Stories in which weeks go by. */
const WEEKS = ['**/week.spec.ts', '**/threeWeeks.spec.ts'];
const isNightly = Boolean(process.env.NIGHTLY);

export default defineConfig({
  testDir: 'e2e',
  // What is asked over HTTP alone is run by vitest.
  testMatch: '**/*.spec.ts',
  // Timing varies tenfold on a small machine: generous, since states are waited for and never times.
  timeout: 300_000,
  expect: { timeout: 60_000 },
  // What fails once is a fault: without CI nothing is tried again, and there what passes only later is printed.
  retries: process.env.CI ? 2 : 0,
  workers: demos.length,
  fullyParallel: true,
  // The browser’s stand-in for a microphone stutters on a busy machine: what listens to it has the machine for itself.
  projects: [
    { name: 'pages', testIgnore: ['**/ears.spec.ts', ...(isNightly ? [] : WEEKS)] },
    { name: 'microphone', testMatch: '**/ears.spec.ts', fullyParallel: false, dependencies: process.env.GREP ? [] : ['pages'] },
  ],
  forbidOnly: Boolean(process.env.CI),
  reporter: [['list']],
  use: {
    baseURL: process.env.DEMO_URL,
    viewport: { width: 1280, height: 800 },
    actionTimeout: 60_000,
    trace: process.env.TRACE ? 'on' : 'on-first-retry',
    launchOptions: {
      executablePath: '/usr/bin/chromium-headless-shell',
      args: [
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--autoplay-policy=no-user-gesture-required',
      ],
    },
  },
});
