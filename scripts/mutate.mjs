/**
 * `npm run mutate -- time grid`: breaks the core in many small ways and says how many the tests notice, folder by
 * folder. Without names every folder is gone through, which takes an hour or more. Not part of `npm test`.
 */
import fs from 'node:fs';
import path from 'node:path';
import { Stryker } from '@stryker-mutator/core';
import { main, refuse } from './lib/say.mjs';

process.chdir(path.join(import.meta.dirname, '..'));
const CORE = 'src/core';
const folders = fs
  .readdirSync(CORE, { withFileTypes: true })
  .filter((entry) => entry.isDirectory() && !['testing', 'vectors'].includes(entry.name))
  .map(({ name }) => name);

/** What became of the mutants of one folder. */
async function mutate(folder) {
  // Read by vitest.core.config.ts: only the tests of this folder and the vectors. What only tests of other folders
  // would notice counts as not noticed.
  process.env.MUTATED_FOLDER = folder;
  const results = await new Stryker({
    testRunner: 'vitest',
    plugins: ['@stryker-mutator/vitest-runner'],
    vitest: { configFile: 'vitest.core.config.ts', related: false },
    mutate: [`${CORE}/${folder}/**/*.ts`, `!${CORE}/**/*.test.ts`],
    // Words that are shown are looked at by people; what is broken here is arithmetic and order.
    mutator: { excludedMutations: ['StringLiteral'] },
    ignoreStatic: true,
    coverageAnalysis: 'perTest',
    concurrency: Number(process.env.MUTATE_AT_ONCE ?? 2),
    timeoutMS: 20_000,
    reporters: ['json', 'progress-append-only'],
    jsonReporter: { fileName: `coverage/mutants-${folder}.json` },
    tempDirName: 'coverage/mutating',
  }).runMutationTest();
  const count = (...statuses) => results.filter(({ status }) => statuses.includes(status)).length;
  return { folder, killed: count('Killed', 'Timeout'), survived: count('Survived', 'NoCoverage') };
}

await main(async () => {
  const wanted = process.argv.slice(2);
  const unknown = wanted.find((name) => !folders.includes(name));
  if (unknown) refuse(`The core has no folder "${unknown}".`, `Choose from: ${folders.join(', ')}`);
  const rows = [];
  for (const folder of wanted.length ? wanted : folders) rows.push(await mutate(folder));
  console.log('\n| folder | broken | noticed | share |\n| --- | ---: | ---: | ---: |');
  for (const { folder, killed, survived } of rows)
    console.log(
      `| ${folder} | ${killed + survived} | ${killed} | ${((100 * killed) / (killed + survived || 1)).toFixed(1)} % |`,
    );
  console.log('\nThose that lived are named in coverage/mutants-<folder>.json.');
});
