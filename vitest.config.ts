import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const alias = { '@': fileURLToPath(new URL('./src', import.meta.url)) };

export default defineConfig({
  test: {
    projects: [
      // A machine that is busy with others takes its time.
      {
        resolve: { alias },
        test: {
          name: 'unit',
          include: ['src/**/*.test.ts'],
          exclude: ['src/server/**'],
          environment: 'node',
          testTimeout: 60_000,
        },
      },
      {
        resolve: { alias },
        // A real server is asked, and two of these files start clusters: generous, and one file at a time.
        test: {
          name: 'database',
          include: ['src/server/**/*.test.ts', 'scripts/**/*.test.ts'],
          environment: 'node',
          fileParallelism: false,
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
