/**
 * A groove from one file into another, without a browser: `node scripts/convert.mjs in.json out.mid`. What it becomes is said by
 * the ending of the name: .mid, .musicxml, .txt (plain text) or .json (Mochila's own, in today's version).
 */
import fs from 'node:fs';
import path from 'node:path';
import { register } from 'tsx/esm/api';
import { main, refuse, say } from './lib/say.mjs';

await main(async () => {
  register();
  const { grooveFile } = await import('../src/core/format/grooveFile.ts');
  const { GROOVE_FILES } = await import('../src/core/format/grooveFileKinds.ts');
  const { readGroove } = await import('../src/core/documents/groove.ts');
  const { sentence } = await import('../src/core/result.ts');
  const { SCHOOLS } = await import('../src/core/count/schools.ts');
  const [from, to] = process.argv.slice(2);
  const endings = Object.values(GROOVE_FILES).map(({ ending }) => `.${ending}`);
  if (!from || !to) refuse('Two files are wanted.', 'node scripts/convert.mjs in.json out.mid');
  const format = Object.entries(GROOVE_FILES).find(([, { ending }]) => path.extname(to) === `.${ending}`)?.[0];
  if (!format)
    refuse(`Nothing is known of ${path.extname(to) || 'a name without an ending'}.`, `Write ${endings.join(', ')}.`);
  if (!fs.existsSync(from)) refuse(`${from} is not there.`, 'Give the name of a groove as Mochila writes it, in JSON.');
  let document;
  try {
    document = JSON.parse(fs.readFileSync(from, 'utf8'));
  } catch {
    refuse(`${from} is no JSON.`, 'Give a groove as Mochila writes it, in JSON.');
  }
  const read = readGroove(document);
  if (!read.ok)
    refuse(`${from}: ${read.problems.slice(0, 3).map(sentence).join(' ')}`, 'Mend it, or save it once more.');
  fs.writeFileSync(to, grooveFile(read.value, format, SCHOOLS[0]));
  say(`${to}: ${read.value.title}, ${read.value.bars.length} bars.`);
});
