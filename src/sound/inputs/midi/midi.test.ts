// @vitest-environment happy-dom
import fc from 'fast-check';
import { afterEach, describe, expect, test, vi } from 'vitest';
import type { MidiEars } from '@/core/documents/ears';
import type { Strike } from '../input';
import { hatPosition, loudnessOfVelocity, surfaceOfNote } from '@/core/format/midi/drumNotes';
import { midiMessage } from './message';
import { Midi, MIDI_WORDS } from './midi';

test('a note that sounds is a stroke; one that ends, a choked cymbal, clocks and what is cut off are none', () => {
  expect(midiMessage([0x99, 38, 100])).toEqual({ kind: 'struck', note: 38, velocity: 100 });
  expect(midiMessage([0x90, 38, 1])).toEqual({ kind: 'struck', note: 38, velocity: 1 });
  expect(midiMessage([0xb9, 4, 90])).toEqual({ kind: 'pedal', position: 90 });
  for (const bytes of [[0x99, 38, 0], [0x89, 38, 64], [0xa9, 49, 127], [0xf8], [0x99, 38], [], [0xb9, 7, 100], null])
    expect(midiMessage(bytes)).toBeUndefined();
});

describe('what a note is struck on', () => {
  test('is as it was learnt, else as is common', () => {
    const ears: MidiEars = { notes: { 38: 'pad', 90: 'clap' } };
    expect([38, 90, 36].map((note) => surfaceOfNote(note, ears))).toEqual(['pad', 'clap', 'kick']);
    expect(surfaceOfNote(38, undefined)).toBe('snare');
    expect(surfaceOfNote(1, undefined)).toBeUndefined();
  });

  test('of a hat the pedal says whether it is open', () => {
    expect([0, 39, 40, 89, 90, 127].map(hatPosition)).toEqual(['open', 'open', 'half', 'half', 'closed', 'closed']);
    expect(surfaceOfNote(42, undefined, 20)).toBe('open hat');
    expect(surfaceOfNote(46, undefined, 127)).toBe('closed hat');
    expect(surfaceOfNote(44, undefined, 20)).toBe('hat pedal');
    expect(surfaceOfNote(42, undefined)).toBe('closed hat');
  });
});

test('harder is never softer, whatever three strokes it was set by, and the hardest is 1', () => {
  const three = fc
    .uniqueArray(fc.integer({ min: 1, max: 127 }), { minLength: 3, maxLength: 3 })
    .map((all) => all.sort((a, b) => a - b) as [number, number, number]);
  fc.assert(
    fc.property(three, fc.integer({ min: 1, max: 126 }), (strokes, velocity) => {
      const [here, harder] = [velocity, velocity + 1].map((one) => loudnessOfVelocity(one, strokes));
      expect(harder!).toBeGreaterThanOrEqual(here!);
      expect(here!).toBeGreaterThan(0);
    }),
  );
  expect(loudnessOfVelocity(127)).toBe(1);
  expect(loudnessOfVelocity(60, [60, 60, 60])).toBeLessThanOrEqual(0.1);
});

/** A browser’s MIDI, as far as we use it. */
function fakeAccess(names: string[]) {
  type Port = { name: string; state: string; onmidimessage: ((event: unknown) => void) | null };
  const ports = names.map((name): Port => ({ name, state: 'connected', onmidimessage: null }));
  const access = {
    inputs: new Map(ports.map((port) => [port.name, port])),
    onstatechange: null as null | (() => void),
  };
  vi.stubGlobal('navigator', { requestMIDIAccess: async () => access });
  const send = (port: number, bytes: number[], timeStamp: number) =>
    ports[port]?.onmidimessage?.({ data: Uint8Array.from(bytes), timeStamp });
  return { access, ports, send };
}

describe('a MIDI kit', () => {
  afterEach(() => vi.unstubAllGlobals());
  const opened = async (names: string[]) => {
    const fake = fakeAccess(names);
    const [struck, said]: [Strike[], string[]] = [[], []];
    const midi = new Midi({
      who: (surface) => (surface === 'snare' ? 'left hand' : undefined),
      onSay: (say) => said.push(say),
    });
    await midi.open((strike) => struck.push(strike));
    return { ...fake, midi, struck, said };
  };

  test('strikes with its limb, loudness and the browser’s time, from every device that is connected', async () => {
    const { send, struck } = await opened(['kit', 'pad']);
    send(0, [0x99, 38, 110], 1000);
    send(1, [0x99, 36, 70], 1020);
    expect(struck).toEqual([
      { input: 'MIDI', surface: 'snare', limb: 'left hand', at: { pageMs: 1000 }, loudness: 0.71 },
      { input: 'MIDI', surface: 'kick', at: { pageMs: 1020 }, loudness: 0.28 },
    ]);
  });

  test('a stroke that bounced in the trigger is one; a flam is two', async () => {
    const { send, struck } = await opened(['kit']);
    for (const ms of [0, 5, 30]) send(0, [0x99, 38, 100], ms);
    expect(struck.map(({ at }) => at)).toEqual([{ pageMs: 0 }, { pageMs: 30 }]);
  });

  test('that comes later is taken up, and that none is there is said', async () => {
    const { access, said, struck } = await opened([]);
    expect(said).toEqual([MIDI_WORDS.empty]);
    const port = { name: 'kit', state: 'connected', onmidimessage: null as null | ((event: unknown) => void) };
    access.inputs.set('kit', port);
    access.onstatechange!();
    expect(said.at(-1)).toBe('Listening to kit.');
    port.onmidimessage!({ data: Uint8Array.of(0x99, 38, 90), timeStamp: 5 });
    expect(struck).toHaveLength(1);
  });

  test('that floods is not listened to, which is said once', async () => {
    const { send, said, struck } = await opened(['kit']);
    for (let index = 0; index < 600; index++) send(0, [0x99, 36 + (index % 8), 90], index);
    expect(struck.length).toBeLessThanOrEqual(200);
    expect(said).toEqual([MIDI_WORDS.flood]);
    send(0, [0x99, 38, 90], 5000);
    expect(struck.at(-1)!.at).toEqual({ pageMs: 5000 });
  });

  test('that is closed strikes no more; a browser without MIDI, or that refuses, says so', async () => {
    const { midi, ports, struck } = await opened(['kit']);
    midi.close();
    expect(ports[0]!.onmidimessage).toBeNull();
    expect(struck).toEqual([]);
    vi.stubGlobal('navigator', {});
    await expect(new Midi({ who: () => undefined }).open(() => {})).rejects.toThrow(MIDI_WORDS.none);
    vi.stubGlobal('navigator', { requestMIDIAccess: () => Promise.reject(new Error('no')) });
    await expect(new Midi({ who: () => undefined }).open(() => {})).rejects.toThrow(MIDI_WORDS.refused);
  });
});
