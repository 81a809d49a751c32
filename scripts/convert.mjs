/**
 * A groove from one file into another, without a browser: `node scripts/convert.mjs in.musicxml out.mid`. Read are
 * .json (Mochila's own, of any version), .musicxml, .mxl, .mid and .txt (plain text), also one of them in a .zip; written
 * are .mid, .musicxml, .mxl, .txt (plain text), .ly and .json. What of a file is not in the groove is said, and what it leaves open with how it was
 * taken; another answer is given as `grid=4` after the two files.
 */
import fs from 'node:fs';
import path from 'node:path';
import { register } from 'tsx/esm/api';
import { main, refuse, say } from './lib/say.mjs';

await main(async () => {
  register();
  const { grooveFile } = await import('../src/core/format/grooveFile.ts');
  const { GROOVE_FILES } = await import('../src/core/format/grooveFileKinds.ts');
  const { SCHOOLS } = await import('../src/core/counting/schools.ts');
  const [from, to, ...given] = process.argv.slice(2);
  if (!from || !to) refuse('Two files are wanted.', 'node scripts/convert.mjs in.musicxml out.mid');
  const format = Object.entries(GROOVE_FILES).find(([, { ending }]) => path.extname(to) === `.${ending}`)?.[0];
  const endings = Object.values(GROOVE_FILES).map(({ ending }) => `.${ending}`);
  if (!format)
    refuse(`Nothing is known of ${path.extname(to) || 'a name without an ending'}.`, `Write ${endings.join(', ')}.`);
  if (!fs.existsSync(from))
    refuse(`${from} is not there.`, 'Give the name of a groove, in JSON, MusicXML, MIDI or plain text.');
  const answers = Object.fromEntries(given.map((one) => one.split(/=(.*)/s)));
  const { groove, left, questions = [] } = await grooveIn(from, answers);
  const ids = questions.map(({ id }) => id);
  const unasked = Object.keys(answers).find((id) => !ids.includes(id));
  if (unasked)
    refuse(`${from} does not ask for ${unasked}.`, ids.length ? `It asks for ${ids.join(', ')}.` : 'It asks nothing.');
  fs.writeFileSync(to, grooveFile(groove, format, SCHOOLS[0]));
  say(`${to}: ${groove.title}, ${groove.bars.length} bars.${left.length ? ` Left out: ${left.join('; ')}.` : ''}`);
  for (const { id, ask, choices, taken } of questions)
    say(`${ask}: ${id}=${taken}. Or ${choices.flatMap(([one]) => (one === taken ? [] : [one])).join(', ')}.`);
});

/** The groove of a file, what of the file is not in it, and what it leaves open. */
async function grooveIn(file, answers) {
  const { readGrooveFile } = await import('../src/core/format/grooveFileIn.ts');
  const { sentence } = await import('../src/core/result.ts');
  const { filesIn } = await import('../src/core/format/unpack.ts');
  const found = filesIn({ name: path.basename(file), bytes: new Uint8Array(fs.readFileSync(file)) });
  if ('say' in found) refuse(`${file}: ${found.say}`, 'Give another file.');
  const [one, ...others] = found;
  if (others.length) refuse(`${file} holds ${found.length} files.`, 'Unpack it, and give one of them.');
  const read = readGrooveFile(one.name, one.bytes, answers);
  if (!read.ok) refuse(`${file}: ${sentence(read.problems[0])}`, 'Mend it, or save it once more.');
  return read.value;
}
