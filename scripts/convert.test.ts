import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { strToU8, zipSync } from 'fflate';
import { afterAll, expect, test } from 'vitest';
import { readGroove, writeGroove } from '@/core/documents/groove';
import { midiStrokes } from '@/core/format/midi/midiFile';
import { STARTERS } from '@/core/testing/starters';

const SWUNG = { ...STARTERS[0]!, swing: { value: '8th', ratio: '2' } as const };
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'mochila-convert-'));
afterAll(() => fs.rmSync(folder, { recursive: true }));

const convert = (...files: string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['scripts/convert.mjs', ...files], {
    encoding: 'utf8',
  });
  return { status, said: stdout + stderr };
};
const given = path.join(folder, 'given.json');
fs.writeFileSync(given, JSON.stringify(writeGroove(STARTERS[0]!)));

test('a groove becomes each kind of file, and its own again', () => {
  const made = (ending: string) => {
    const to = path.join(folder, `made.${ending}`);
    expect(convert(given, to)).toMatchObject({ status: 0 });
    return fs.readFileSync(to);
  };
  const midi = midiStrokes(new Uint8Array(made('mid')));
  expect(midi.ok && midi.value.length).toBe(STARTERS[0]!.bars.reduce((sum, { strokes }) => sum + strokes.length, 0));
  expect(made('musicxml').toString()).toContain('<score-partwise version="4.0">');
  expect(made('txt').toString()).toContain('BD|');
  expect(JSON.parse(made('json').toString())).toEqual(writeGroove(STARTERS[0]!));

  made('mxl');
  for (const ending of ['musicxml', 'mxl', 'txt', 'mid']) {
    const back = path.join(folder, `back from ${ending}.json`);
    expect(convert(path.join(folder, `made.${ending}`), back)).toMatchObject({ status: 0 });
    const again = readGroove(JSON.parse(fs.readFileSync(back, 'utf8')));
    expect(again.ok && again.value.bars.map(({ strokes }) => strokes.length)).toEqual(
      STARTERS[0]!.bars.map(({ strokes }) => strokes.length),
    );
  }
}, 60_000);

test('what a file leaves open is said, and taken otherwise where it is answered', () => {
  const [file, to] = ['swung.mid', 'swung.json'].map((name) => path.join(folder, name)) as [string, string];
  fs.writeFileSync(path.join(folder, 'swung.json'), JSON.stringify(writeGroove(SWUNG)));
  convert(path.join(folder, 'swung.json'), file);
  expect(convert(file, to).said).toContain('swing=2. Or none, 3/2, 3.');
  expect(convert(file, to, 'swing=none')).toMatchObject({ status: 0 });
  const again = readGroove(JSON.parse(fs.readFileSync(to, 'utf8')));
  expect(again.ok && again.value.swing).toBeUndefined();
  expect(convert(file, to, 'graces=strokes').said).toContain('does not ask for graces. It asks for swing.');
}, 60_000);

test('what cannot be done is said in a line', () => {
  fs.writeFileSync(path.join(folder, 'none.json'), 'none');
  fs.writeFileSync(path.join(folder, 'other.json'), '{"version":1}');
  const two = path.join(folder, 'two.zip');
  fs.writeFileSync(two, zipSync({ 'a.txt': strToU8('HH|x---|'), 'b.txt': strToU8('HH|x---|') }));
  fs.writeFileSync(path.join(folder, 'none.mxl'), 'none');
  expect(convert(two, given).said).toContain('two.zip holds 2 files. Unpack it, and give one of them.');
  expect(convert(path.join(folder, 'none.mxl'), given).said).toContain('It is damaged, or no archive.');
  expect(convert().said).toContain('Two files are wanted.');
  expect(convert(given, 'x.doc').said).toContain('Nothing is known of .doc.');
  expect(convert('nowhere.json', 'x.mid').said).toContain('nowhere.json is not there.');
  expect(convert(path.join(folder, 'none.json'), 'x.mid').said).toContain('is no JSON.');
  expect(convert(path.join(folder, 'other.json'), 'x.mid')).toMatchObject({
    status: 1,
    said: expect.stringContaining('other.json:') as string,
  });
}, 60_000);
