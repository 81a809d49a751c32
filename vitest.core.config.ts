import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

/** The tests of one folder of the core and the vectors, for `npm run mutate`; of the whole core without a folder. */
const folder = process.env.MUTATED_FOLDER;

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    include: folder ? [`src/core/${folder}/**/*.test.ts`, 'src/core/*.test.ts'] : ['src/core/**/*.test.ts'],
    environment: 'node',
    testTimeout: 60_000,
  },
});
