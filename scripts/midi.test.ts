import { spawnSync } from 'node:child_process';
import { expect, test } from 'vitest';
import { noteWritten } from '@/core/format/midi/drumNotes';
import { midiOf } from '@/core/format/midi/midiOut';
import { formOf, type Plan } from '@/core/form/form';
import { schedule } from '@/core/schedule/schedule';
import { STARTERS } from '@/core/testing/starters';

/** A second reader, of another house: Debian's python3-mido. */
const PYTHON = '/usr/bin/python3';
const hasReader = spawnSync(PYTHON, ['-c', 'import mido']).status === 0;
if (!hasReader) console.error('python3-mido is not here: what it reads of a MIDI file is left out.');

test.runIf(hasReader)('mido reads the same notes at the same times', () => {
  const script = `
import sys, io, json, mido
at, found = 0.0, []
for message in mido.MidiFile(file=io.BytesIO(sys.stdin.buffer.read())):
    at += message.time
    if message.type == 'note_on' and message.velocity > 0: found.append([message.note, message.channel, at * 1000])
print(json.dumps(found))
`;
  for (const groove of STARTERS) {
    const one: Plan = { groove, rounds: 2, bpm: groove.tempo, click: { kind: 'silent' }, countIn: 0 };
    const { stdout } = spawnSync(PYTHON, ['-c', script], { input: midiOf(one) });
    const found = (JSON.parse(stdout.toString()) as [note: number, channel: number, ms: number][]).map(
      ([note, channel, ms]) => [note, channel, Math.round(ms)],
    );
    const due = schedule(formOf(one)).sounds.flatMap((sound) =>
      sound.kind === 'stroke' ? [[noteWritten(sound.surface), 9, Math.max(0, sound.ms)] as const] : [],
    );
    expect(found).toHaveLength(due.length);
    for (const [note, channel, ms] of due)
      expect([
        groove.title,
        note,
        found.some((each) => each[0] === note && each[1] === channel && Math.abs(each[2]! - ms) <= 1),
      ]).toEqual([groove.title, note, true]);
  }
});
