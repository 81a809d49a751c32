import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { parseMidi } from 'midi-file';
import { afterAll, expect, test } from 'vitest';
import { musicXmlOf } from '@/core/format/musicxml/musicXml';
import { formOf } from '@/core/form/form';
import type { Groove } from '@/core/groove/groove';
import { schedule } from '@/core/schedule/schedule';
import { STARTERS } from '@/core/testing/starters';

/** A second reader, of another house: LilyPond, with what it reads MusicXML by. */
const READER = '/usr/bin/musicxml2ly';
const PLAYER = '/usr/bin/lilypond';
const hasReader = fs.existsSync(READER) && fs.existsSync(PLAYER);
if (!hasReader) console.error('LilyPond is not here: what it reads of a MusicXML file is left out.');

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'mochila-ly-'));
afterAll(() => fs.rmSync(folder, { recursive: true }));

/** When the notes of a groove begin, in milliseconds, as LilyPond plays what it read. */
function playedByLilypond(groove: Groove): number[] {
  const at = (ending: string) => path.join(folder, `read.${ending}`);
  fs.writeFileSync(at('musicxml'), musicXmlOf(groove));
  spawnSync(READER, ['--midi', '-o', at('ly'), at('musicxml')], { cwd: folder });
  // On a drum staff it plays names of drums alone; what is asked here is when, not what.
  const read = fs
    .readFileSync(at('ly'), 'utf8')
    .replaceAll('Drum', '')
    .replaceAll(/\\tempo 4 = \d+/g, '');
  fs.writeFileSync(at('ly'), read);
  spawnSync(PLAYER, ['-s', '-dno-print-pages', '-o', path.join(folder, 'read'), at('ly')], { cwd: folder });
  const { header, tracks } = parseMidi(fs.readFileSync(at('midi')));
  const tempo = tracks.flat().find((event) => event.type === 'setTempo');
  const tickMs = tempo!.microsecondsPerBeat! / 1000 / header.ticksPerBeat!;
  const onsets = tracks.flatMap((track) => {
    let ticks = 0;
    return track.flatMap((event) => {
      ticks += event.deltaTime;
      return event.type === 'noteOn' && event.velocity! > 0 ? [Math.round(ticks * tickMs)] : [];
    });
  });
  return [...new Set(onsets)].sort((a, b) => a - b);
}

test.runIf(hasReader)('LilyPond reads every stroke of a groove where it is written', { timeout: 120_000 }, () => {
  for (const groove of STARTERS) {
    const straight = { ...groove, swing: undefined, lean: undefined };
    const { sounds } = schedule(
      formOf({ groove: straight, rounds: 1, bpm: groove.tempo, click: { kind: 'silent' }, countIn: 0 }),
    );
    const due = [
      ...new Set(sounds.flatMap((one) => (one.kind === 'stroke' && one.role === 'main' ? [Math.round(one.ms)] : []))),
    ].sort((a, b) => a - b);
    const played = playedByLilypond(straight);
    expect(played).toHaveLength(due.length);
    played.forEach((ms, index) => expect(Math.abs(ms - due[index]!)).toBeLessThanOrEqual(3));
  }
});
