import { defineConfig } from '@playwright/test';

/** Started by scripts/test.mjs, which serves a demo workshop at DEMO_URL and empty ones at OWN_URL and WEEK_URL. */
export default defineConfig({
  testDir: 'e2e',
  // What is asked over HTTP alone is run by vitest.
  testMatch: '**/*.spec.ts',
  // Timing varies tenfold on a small machine: generous, since states are waited for and never times.
  timeout: 300_000,
  expect: { timeout: 60_000 },
  // A machine that stalls for seconds can fail what is right; what fails three times is wrong. Flaky ones are printed.
  retries: 2,
  workers: 2,
  fullyParallel: false,
  forbidOnly: Boolean(process.env.CI),
  reporter: [['list']],
  use: {
    baseURL: process.env.DEMO_URL,
    viewport: { width: 1280, height: 800 },
    actionTimeout: 60_000,
    trace: 'retain-on-failure',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
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
