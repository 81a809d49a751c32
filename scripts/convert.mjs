/**
 * A groove from one file into another, without a browser: `node scripts/convert.mjs in.musicxml out.mid`. Read are
 * .json (Mochila's own, of any version), .musicxml, .mid and .txt (plain text); written are .mid, .musicxml, .txt
 * (plain text), .ly and .json. What of a file is not in the groove is said.
 */
import fs from 'node:fs';
import path from 'node:path';
import { register } from 'tsx/esm/api';
import { main, refuse, say } from './lib/say.mjs';

await main(async () => {
  register();
  const { grooveFile } = await import('../src/core/format/grooveFile.ts');
  const { GROOVE_FILES } = await import('../src/core/format/grooveFileKinds.ts');
  const { SCHOOLS } = await import('../src/core/count/schools.ts');
  const [from, to] = process.argv.slice(2);
  if (!from || !to) refuse('Two files are wanted.', 'node scripts/convert.mjs in.musicxml out.mid');
  const format = Object.entries(GROOVE_FILES).find(([, { ending }]) => path.extname(to) === `.${ending}`)?.[0];
  const endings = Object.values(GROOVE_FILES).map(({ ending }) => `.${ending}`);
  if (!format)
    refuse(`Nothing is known of ${path.extname(to) || 'a name without an ending'}.`, `Write ${endings.join(', ')}.`);
  if (!fs.existsSync(from))
    refuse(`${from} is not there.`, 'Give the name of a groove, in JSON, MusicXML, MIDI or plain text.');
  const { groove, left } = await grooveIn(from);
  fs.writeFileSync(to, grooveFile(groove, format, SCHOOLS[0]));
  say(`${to}: ${groove.title}, ${groove.bars.length} bars.${left.length ? ` Left out: ${left.join('; ')}.` : ''}`);
});

/** The groove of a file, and what of the file is not in it. */
async function grooveIn(file) {
  const { readGrooveFile } = await import('../src/core/format/grooveFileIn.ts');
  const { sentence } = await import('../src/core/result.ts');
  const read = readGrooveFile(path.basename(file), new Uint8Array(fs.readFileSync(file)));
  if (!read.ok) refuse(`${file}: ${sentence(read.problems[0])}`, 'Mend it, or save it once more.');
  return read.value;
}
