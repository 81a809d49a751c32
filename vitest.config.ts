import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const alias = { '@': fileURLToPath(new URL('./src', import.meta.url)) };

/** What asks no server, and is tested with the rest of the code, though it stands beside what does. */
const WITHOUT_A_SERVER = [
  'src/server/asJson.test.ts',
  'src/server/byteRange.test.ts',
  'src/server/calls.test.ts',
  'src/server/demo/grooves.test.ts',
  'src/server/sent.test.ts',
];

/** Scripts that ask for a server; the others run by themselves. */
const SCRIPTS_WITH_A_SERVER = ['scripts/start.test.ts', 'scripts/backup.test.ts'];

export default defineConfig({
  test: {
    projects: [
      {
        resolve: { alias },
        test: {
          name: 'unit',
          include: ['src/**/*.test.ts', 'scripts/lib/**/*.test.ts'],
          exclude: ['src/server/**/!(asJson|byteRange|calls|grooves|sent).test.ts'],
          environment: 'node',
          // Modules hold nothing between tests, so that a worker loads the core once and not once a file.
          pool: 'threads',
          isolate: false,
          // A machine that is busy with others takes its time.
          testTimeout: 60_000,
        },
      },
      {
        resolve: { alias },
        // Programs of ours and second readers of files, each a process of its own.
        test: {
          name: 'scripts',
          include: ['scripts/*.test.ts'],
          exclude: SCRIPTS_WITH_A_SERVER,
          environment: 'node',
          testTimeout: 120_000,
        },
      },
      {
        resolve: { alias },
        // A real server is asked; each file has a database of its own, copied from a template.
        test: {
          name: 'database',
          include: ['src/server/**/*.test.ts', ...SCRIPTS_WITH_A_SERVER],
          exclude: WITHOUT_A_SERVER,
          globalSetup: 'src/server/testing/templates.ts',
          environment: 'node',
          testTimeout: 120_000,
          hookTimeout: 120_000,
        },
      },
      {
        resolve: { alias },
        // Asked over HTTP, as anybody can: scripts/test.mjs serves Mochila for them.
        test: {
          name: 'served',
          include: ['e2e/served/**/*.test.ts'],
          environment: 'node',
          fileParallelism: false,
          testTimeout: 300_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
});
