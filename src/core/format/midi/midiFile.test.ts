import fc from 'fast-check';
import { writeMidi, type MidiEvent } from 'midi-file';
import { describe, expect, test } from 'vitest';
import { isMidiFile, midiStrokes } from './midiFile';

const file = (tracks: MidiEvent[][], header: object = { ticksPerBeat: 480 }): Uint8Array =>
  Uint8Array.from(writeMidi({ header: { format: 1, numTracks: tracks.length, ...header }, tracks }));
const note = (deltaTime: number, noteNumber: number, velocity = 70, channel = 9): MidiEvent => ({
  deltaTime,
  type: 'noteOn',
  channel,
  noteNumber,
  velocity,
});
const tempo = (deltaTime: number, microsecondsPerBeat: number): MidiEvent => ({
  deltaTime,
  type: 'setTempo',
  meta: true,
  microsecondsPerBeat,
});
const end: MidiEvent = { deltaTime: 0, type: 'endOfTrack', meta: true };
const strokesOf = (bytes: Uint8Array) => {
  const read = midiStrokes(bytes);
  if (!read.ok) throw new Error(read.problems[0]!.say);
  return read.value;
};

describe('a Standard MIDI File', () => {
  test('is read through its tempos, whichever track they are in', () => {
    const bytes = file([
      [tempo(0, 600_000), tempo(960, 300_000), end],
      [note(0, 36), note(480, 38), note(480, 36), note(480, 38), end],
    ]);
    expect(strokesOf(bytes)).toEqual([
      { ms: 0, surface: 'kick', loudness: 0.28 },
      { ms: 600, surface: 'snare', loudness: 0.28 },
      { ms: 1200, surface: 'kick', loudness: 0.28 },
      { ms: 1500, surface: 'snare', loudness: 0.28 },
    ]);
  });

  test('without a tempo it is 120; by frames it is frames', () => {
    expect(strokesOf(file([[note(480, 38), end]]))[0]!.ms).toBe(500);
    const frames = file([[note(1000, 38), end]]);
    // 25 frames a second of 40 ticks: a tick is a millisecond.
    frames.set([0x100 - 25, 40], 12);
    expect(strokesOf(frames)[0]!.ms).toBe(1000);
  });

  test('a third of a beat is not rounded on the way', () => {
    const bytes = file([[tempo(0, 333_333), ...Array.from({ length: 300 }, () => note(160, 38)), end]]);
    const last = strokesOf(bytes).at(-1)!;
    expect(last.ms).toBeCloseTo((300 * 333.333) / 3, 9);
  });

  test('ends of notes, other channels and what is no drum are no strokes; a hat is open or closed by its pedal', () => {
    const foot = (value: number): MidiEvent => ({
      deltaTime: 0,
      type: 'controller',
      channel: 9,
      controllerType: 4,
      value,
    });
    const strokes = strokesOf(
      file([
        [
          note(0, 60, 90, 0),
          foot(127),
          note(10, 46),
          note(10, 46, 0),
          foot(0),
          note(10, 42),
          note(10, 81),
          { ...note(5, 38), type: 'noteOff' },
          end,
        ],
      ]),
    );
    expect(strokes.map(({ surface }) => surface)).toEqual(['closed hat', 'open hat', undefined]);
  });

  test('where nothing is on the channel of drums the busiest one is taken', () => {
    const strokes = strokesOf(file([[note(0, 38, 70, 3), note(10, 60, 70, 2), note(10, 38, 70, 3), end]]));
    expect(strokes).toHaveLength(2);
  });

  test('chunks that are not known are passed over', () => {
    const bytes = file([[note(0, 38), end]]);
    const strange = Uint8Array.from([
      ...bytes.slice(0, 14),
      ...[0x58, 0x58, 0x58, 0x58, 0, 0, 0, 2, 7, 7],
      ...bytes.slice(14),
    ]);
    expect(strokesOf(strange)).toHaveLength(1);
  });

  test.each([
    ['something else', new TextEncoder().encode('RIFF of a lake'), 'no-midi'],
    ['nothing', new Uint8Array(), 'no-midi'],
    ['a header alone', file([]), 'empty'],
    ['no note', file([[end]]), 'empty'],
    ['no beat', file([[note(0, 38), end]]).map((value, at) => (at === 12 || at === 13 ? 0 : value)), 'unreadable'],
    ['far too much', Uint8Array.from({ length: 5_000_001 }, (_, at) => [77, 84, 104, 100][at] ?? 0), 'too-long'],
    ['more notes than a take holds', file([[...Array.from({ length: 20_001 }, () => note(1, 38)), end]]), 'too-long'],
  ])('%s is refused in words', (_, bytes, code) => {
    expect(midiStrokes(bytes)).toMatchObject({ ok: false, problems: [{ code }] });
  });

  test('whatever is in it, it is read or refused, in order and with finite times', () => {
    const good = file([[tempo(0, 500_000), ...Array.from({ length: 20 }, (_, at) => note(at * 7, 35 + at)), end]]);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(good.length - 1), fc.nat(255)), { maxLength: 12 }),
        fc.nat(good.length),
        (changes, cut) => {
          const bytes = good.slice(0, Math.max(4, cut));
          for (const [at, value] of changes) if (at > 3 && at < bytes.length) bytes[at] = value;
          expect(isMidiFile(bytes)).toBe(true);
          const read = midiStrokes(bytes);
          if (!read.ok) return;
          const times = read.value.map(({ ms }) => ms);
          expect(times.every(Number.isFinite)).toBe(true);
          expect(times).toEqual(times.toSorted((a, b) => a - b));
        },
      ),
    );
  });
});
