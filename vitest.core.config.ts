import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

/** The tests of the core alone, for `npm run mutate`. */
export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: { include: ['src/core/**/*.test.ts'], environment: 'node', testTimeout: 60_000 },
});
