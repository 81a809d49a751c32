import { parseMidi, type MidiData, type MidiEvent } from 'midi-file';
import type { Surface } from '../../groove/limbs';
import { fail, ok, problem, type Result } from '../../result';
import type { Ms } from '../../time/units';
import { loudnessOfVelocity, surfaceWritten } from './drumNotes';

/** A stroke in a Standard MIDI File. */
export interface MidiStroke {
  ms: Ms;
  /** As the percussion map of General MIDI has it; undefined for a note that is no drum there. */
  surface?: Surface;
  /** 0 to 1. */
  loudness: number;
}

/** Twenty minutes of a kit are under a megabyte. */
export const MOST_MIDI_BYTES = 5_000_000;
const MOST_STROKES = 20_000;
/** Drums are on channel 10 (General MIDI, 1991), which is 9 where one counts from 0. */
const DRUMS = 9;
/** The foot controller, by which kits tell how far the hat is closed. */
const FOOT = 4;
/** Where a file says no tempo, it is 120 (Standard MIDI Files 1.0). */
const USUAL_TEMPO = 500_000;

/** Whether bytes begin like a Standard MIDI File. */
export const isMidiFile = (bytes: ArrayLike<number>): boolean => nameAt(bytes, 0) === 'MThd';

const nameAt = (bytes: ArrayLike<number>, at: number): string =>
  String.fromCharCode(...[0, 1, 2, 3].map((index) => bytes[at + index] ?? 0));

/**
 * The strokes of a Standard MIDI File in order: those of the drum channel, or where it has none those of the channel
 * with the most notes. Times are exact to the tick until they become milliseconds.
 */
export function midiStrokes(bytes: Uint8Array): Result<MidiStroke[]> {
  const file = midiEvents(bytes);
  if (!file.ok) return file;
  const { header, events, notes, channel } = file.value;
  const msOf = clockOf(header, events);
  if (!msOf) return refuse('unreadable', 'It does not say how long a beat is.', 'Save it once more.');
  let pedal: number | undefined;
  const strokes: MidiStroke[] = [];
  for (const one of events) {
    if (one.channel !== channel) continue;
    if (one.type === 'controller' && one.controllerType === FOOT) pedal = one.value;
    if (!isStruck(one)) continue;
    const surface = surfaceWritten(one.noteNumber, pedal);
    strokes.push({ ms: msOf(one.tick), loudness: loudnessOfVelocity(one.velocity), ...(surface && { surface }) });
  }
  if (!notes.length) return refuse('empty', 'There is no note in this MIDI file.', 'Choose one that was played.');
  if (strokes.length > MOST_STROKES || strokes.some(({ ms }) => !Number.isFinite(ms)))
    return refuse(
      'too-long',
      `It has more than ${MOST_STROKES.toLocaleString('en')} notes, or lasts for days.`,
      'Save the take alone.',
    );
  return ok(strokes);
}

const refuse = (code: string, say: string, remedy: string) => fail(problem(code, say, remedy));

/** A file with its events in the order of their ticks, and which of them are struck on which channel. */
export interface MidiEvents {
  header: MidiData['header'];
  events: Placed[];
  /** What is struck, on the drum channel or else on the one with the most notes. */
  notes: Struck[];
  channel: number | undefined;
}

/** The events of a Standard MIDI File, or why it cannot be read. */
export function midiEvents(bytes: Uint8Array): Result<MidiEvents> {
  if (!isMidiFile(bytes)) return refuse('no-midi', 'This is no MIDI file.', 'Its name ends in .mid as a rule.');
  if (bytes.length > MOST_MIDI_BYTES)
    return refuse(
      'too-long',
      `A MIDI file of ${Math.round(bytes.length / 1e6)} MB is no take.`,
      'Save the take alone.',
    );
  let data: MidiData;
  try {
    data = parseMidi(knownChunks(bytes));
  } catch {
    return refuse('unreadable', 'It begins like a MIDI file but cannot be read.', 'Save it once more.');
  }
  const events = inOrder(data);
  const struck = events.filter(isStruck);
  const channel = struck.some((one) => one.channel === DRUMS) ? DRUMS : busiest(struck);
  return ok({ header: data.header, events, notes: struck.filter((one) => one.channel === channel), channel });
}

/** The file with its header and tracks alone: other chunks are to be passed over (Standard MIDI Files 1.0). */
function knownChunks(bytes: Uint8Array): Uint8Array {
  const parts: Uint8Array[] = [];
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let at = 0; at + 8 <= bytes.length;) {
    const end = at + 8 + view.getUint32(at + 4);
    if (['MThd', 'MTrk'].includes(nameAt(bytes, at))) parts.push(bytes.subarray(at, end));
    at = end;
  }
  const whole = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

type Placed = MidiEvent & { tick: number };

/** The events of all tracks, in the order of their ticks. */
const inOrder = ({ tracks }: MidiData): Placed[] =>
  tracks
    .flatMap((track) => {
      let tick = 0;
      return track.map((event): Placed => ({ ...event, tick: (tick += event.deltaTime) }));
    })
    .sort((a, b) => a.tick - b.tick);

type Struck = Placed & { noteNumber: number; velocity: number; channel: number };
const isStruck = (event: Placed): event is Struck => event.type === 'noteOn' && (event.velocity ?? 0) > 0;

function busiest(notes: readonly Placed[]): number | undefined {
  const counts = new Map<number, number>();
  for (const { channel = 0 } of notes) counts.set(channel, (counts.get(channel) ?? 0) + 1);
  return [...counts].sort(([, a], [, b]) => b - a)[0]?.[0];
}

/** When a tick is, by the file's tempos, or by frames where it counts those; undefined where it says neither. */
function clockOf(header: MidiData['header'], events: readonly Placed[]): ((tick: number) => Ms) | undefined {
  const { ticksPerBeat, framesPerSecond, ticksPerFrame } = header;
  if (framesPerSecond && ticksPerFrame) return (tick) => (1000 * tick) / (framesPerSecond * ticksPerFrame);
  if (!ticksPerBeat) return undefined;
  // Microseconds times ticks a beat, in whole numbers: nothing is rounded before the end.
  const marks = [{ tick: 0, sum: 0, tempo: USUAL_TEMPO }];
  for (const { tick, type, microsecondsPerBeat } of events) {
    if (type !== 'setTempo' || !microsecondsPerBeat) continue;
    const last = marks.at(-1)!;
    marks.push({ tick, sum: last.sum + (tick - last.tick) * last.tempo, tempo: microsecondsPerBeat });
  }
  return (tick) => {
    const { tick: from, sum, tempo } = marks.findLast((mark) => mark.tick <= tick) ?? marks[0]!;
    return (sum + (tick - from) * tempo) / ticksPerBeat / 1000;
  };
}
