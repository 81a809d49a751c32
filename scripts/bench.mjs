/** `npm run bench`: every benchmark, each printing a table; names choose some: `npm run bench -- matching`. */
import fs from 'node:fs';
import path from 'node:path';
import { run } from './lib/run.mjs';
import { main, refuse } from './lib/say.mjs';

process.chdir(path.join(import.meta.dirname, '..'));

await main(async () => {
  // What several benchmarks share is none itself.
  const files = fs.readdirSync('bench').filter((file) => !['table.ts', 'served.mjs', 'live', 'heard'].includes(file));
  const wanted = process.argv.slice(2);
  for (const file of files) {
    if (wanted.length && !wanted.includes(path.parse(file).name)) continue;
    const { code } = await run(process.execPath, ['--expose-gc', '--import', 'tsx', path.join('bench', file)], {
      show: true,
    });
    if (code !== 0) refuse(`The benchmark ${file} failed.`, 'Its words are above.');
  }
});
