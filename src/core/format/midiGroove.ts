import type { Cell } from '../grid/cells';
import { barLength, countsOf, parseMeter, type Count, type Meter } from '../grid/meter';
import type { Bar, Groove, Stroke } from '../groove/groove';
import { usualLimb, type Height, type Ornament, type Surface } from '../groove/limbs';
import { cellsFor } from '../groove/place';
import { FASTEST, MOST_BARS, MOST_HITS, MOST_TITLE, SLOWEST } from '../limits';
import { fail, problem, type Result } from '../result';
import { add, div, frac, less, mul, sub, toNumber, ZERO, type WholeNotes } from '../time/fraction';
import { asRead, LeftOut, limbFor, type GrooveRead } from './grooveRead';
import { VELOCITIES } from './midiOut';
import { midiEvents } from './midiFile';
import { surfaceWritten } from './drumNotes';

/**
 * Strokes on one surface nearer than this, the first of them softer, are a grace and its stroke: farther apart they
 * are two notes.
 */
const MOST_GRACE_MS = 45;
/** How much softer a grace is. */
const SOFTER = 0.7;
/** Velocities from which on a stroke is a tap, and an accent: midway between those that are written. */
const [TAP, ACCENT] = [48, 91];
/**
 * Where all are within so few velocities of one another, and not as we write them, none of them is meant to be
 * louder.
 */
const ALIKE = 10;
const WRITTEN = Object.values(VELOCITIES);
/** The bell and the click of a metronome, which nobody strikes. */
const CLICKS = [33, 34];
/**
 * Divisions of a count that are looked through where a file was played and not written, and how far a stroke may lie
 * from its place.
 */
const DIVISIONS = [1, 2, 3, 4, 6, 8] as const;
const NEAR = 1 / 16;

interface Note {
  /** From the beginning of the file. */
  at: WholeNotes;
  surface: Surface;
  velocity: number;
  ornament?: Ornament;
}

/**
 * A groove from a Standard MIDI File: its bars from the first that is struck on, on the grid that holds every stroke
 * exactly, or where it was played and not written on the nearest. Soft strokes just before others on the same surface
 * are graces; limbs are those that usually play a surface. What was left out or moved is told in words.
 */
export function readMidiGroove(bytes: Uint8Array): Result<GrooveRead> {
  const refuse = (code: string, say: string, remedy: string) => fail(problem(code, say, remedy));
  const file = midiEvents(bytes);
  if (!file.ok) return file;
  const { header, events, notes } = file.value;
  const { ticksPerBeat } = header;
  if (!ticksPerBeat)
    return refuse('frames', 'It counts frames and no beats, so it has no bars.', 'Save it with a tempo.');
  if (!notes.length) return refuse('empty', 'There is no note in this MIDI file.', 'Choose one with a drum part.');
  if (notes.length > MOST_HITS)
    return refuse(
      'too-many-notes',
      `It has ${notes.length.toLocaleString('en')} notes, more than a groove of ${MOST_BARS} bars needs.`,
      'Save the bars that are wanted by themselves.',
    );
  const placeOf = (tick: number): WholeNotes => frac(tick, 4 * ticksPerBeat);
  const left = new LeftOut();
  const leave = (what: string, many?: number) => left.leave(what, many);

  const tempos = events.filter(({ type, microsecondsPerBeat }) => type === 'setTempo' && microsecondsPerBeat);
  const quarterMs = (tempos[0]?.microsecondsPerBeat ?? 500_000) / 1000;
  const changed = tempos.filter(
    ({ microsecondsPerBeat }) => microsecondsPerBeat !== tempos[0]!.microsecondsPerBeat,
  ).length;
  if (changed) leave('tempo change', changed);

  const known = notes.flatMap(({ tick, noteNumber, velocity }): Note[] => {
    if (CLICKS.includes(noteNumber)) return [];
    const surface = surfaceWritten(noteNumber);
    if (!surface) leave('note of no surface that is known');
    return surface ? [{ at: placeOf(tick), surface, velocity }] : [];
  });
  const struck = withoutGraces(known, (length) => toNumber(length) * 4 * quarterMs);
  if (!struck.length)
    return refuse('empty', 'No note in it is struck on a surface of a kit.', 'Choose one with a drum part.');

  const meters = events.flatMap(({ type, tick, numerator, denominator }) => {
    const read = type === 'timeSignature' ? parseMeter(`${String(numerator)}/${String(denominator)}`) : undefined;
    return read?.ok ? [{ at: placeOf(tick), meter: read.value }] : [];
  });
  const all = barsOver(meters, struck.at(-1)!.at);
  if (all.length > MOST_BARS + MOST_BARS) leave('bar beyond the last that is read', all.length - 2 * MOST_BARS);
  const from = all.findIndex(({ start, meter }) =>
    struck.some(({ at }) => !less(at, start) && less(at, add(start, barLength(meter)))),
  );
  if (from < 0)
    return refuse('far', 'Its first stroke comes after hundreds of empty bars.', 'Save it from the bar it begins in.');
  if (from) leave('empty bar before the first stroke', from);
  const bars = all.slice(from, from + MOST_BARS);
  if (all.length - from > MOST_BARS) leave(`bar beyond the first ${MOST_BARS}`, all.length - from - MOST_BARS);

  const heights = heightsOf(struck);
  const gridded = gridOf(bars, struck, leave);
  const name = events.find(({ type, text }) => type === 'trackName' && text)?.text;
  const groove: Groove = {
    version: 1,
    title: titleFrom(name) || 'From a file',
    reading: 'numbers',
    tempo: tempoOf(quarterMs, bars[0]!.meter),
    bars: gridded.map(({ meter, cells, placed }): Bar => {
      const strokes: Stroke[] = [];
      for (const { at, note } of placed) {
        const limb = limbFor(usualLimb(note.surface), at, strokes);
        if (!limb) leave('stroke that no limb is free for');
        else
          strokes.push({
            limb,
            surface: note.surface,
            at,
            height: heights(note),
            ...(note.ornament && { ornament: note.ornament }),
          });
      }
      return { meter, cells, strokes };
    }),
  };
  return asRead(groove, left);
}

/** The name of a track is written a byte a letter: as UTF-8 where it is. */
function titleFrom(name: unknown): string {
  if (typeof name !== 'string') return '';
  const bytes = Uint8Array.from(name, (letter) => letter.charCodeAt(0) & 0xff);
  return new TextDecoder().decode(bytes).replace(/\p{C}/gu, ' ').trim().slice(0, MOST_TITLE);
}

const tempoOf = (quarterMs: number, { unit }: Meter): number => {
  const tempo = Math.round((60_000 / quarterMs) * (unit / 4) * 1000) / 1000;
  // A tempo is written in whole microseconds a quarter: what is nearer to a whole number than that is one.
  const whole = Math.round(tempo);
  return Math.min(FASTEST, Math.max(SLOWEST, Math.abs(tempo - whole) < 0.002 * (unit / 4) ? whole : tempo));
};

/** Notes in order, graces made into the ornaments of the strokes they come before: one is a flam, two a drag. */
function withoutGraces(notes: readonly Note[], msOf: (length: WholeNotes) => number): Note[] {
  const isGrace = new Set<Note>();
  const bySurface = new Map<Surface, Note[]>();
  for (const note of notes) {
    const line = bySurface.get(note.surface) ?? [];
    bySurface.set(note.surface, line);
    line.push(note);
  }
  const ornaments = new Map<Note, Ornament>();
  for (const line of bySurface.values())
    for (const [index, note] of line.entries()) {
      const leadsTo = (one: Note | undefined, next: Note) => {
        const apart = one ? msOf(sub(next.at, one.at)) : 0;
        return one && apart > 0 && apart <= MOST_GRACE_MS && one.velocity <= SOFTER * note.velocity ? one : undefined;
      };
      const near = leadsTo(line[index - 1], note);
      const far = near && leadsTo(line[index - 2], near);
      if (!near || isGrace.has(note)) continue;
      for (const one of [near, far]) if (one) isGrace.add(one);
      ornaments.set(note, far ? 'drag' : 'flam');
    }
  return notes
    .filter((note) => !isGrace.has(note))
    .map((note) => ({ ...note, ...(ornaments.has(note) && { ornament: ornaments.get(note)! }) }));
}

function heightsOf(notes: readonly Note[]): (note: Note) => Height {
  const velocities = notes.map(({ velocity }) => velocity);
  const most = velocities.reduce((a, b) => Math.max(a, b), 0);
  const least = velocities.reduce((a, b) => Math.min(a, b), 127);
  if (most - least < ALIKE && !WRITTEN.includes(most)) return () => 'tap';
  return ({ velocity }) => {
    if (velocity < TAP) return 'ghost';
    return velocity < ACCENT ? 'tap' : 'accent';
  };
}

interface FileBar {
  start: WholeNotes;
  meter: Meter;
}

/** The bars of a file up to the one in which the last stroke falls; a meter holds from the next bar line on. */
function barsOver(meters: readonly { at: WholeNotes; meter: Meter }[], last: WholeNotes): FileBar[] {
  const bars: FileBar[] = [];
  let start: WholeNotes = ZERO;
  let meter: Meter = { beats: 4, unit: 4 };
  let next = 0;
  while (!less(last, start) && bars.length < 4 * MOST_BARS) {
    for (; meters[next] && !less(start, meters[next]!.at); next++) meter = meters[next]!.meter;
    bars.push({ start, meter });
    start = add(start, barLength(meter));
  }
  return bars;
}

interface GriddedBar {
  meter: Meter;
  cells: Cell[];
  placed: { at: WholeNotes; note: Note }[];
}

/**
 * Each bar on the grid that holds its strokes exactly, else on the nearest; what lies just before a bar line falls on
 * it.
 */
function gridOf(
  bars: readonly FileBar[],
  notes: readonly Note[],
  leave: (what: string, many?: number) => void,
): GriddedBar[] {
  const gridded: GriddedBar[] = [];
  let carried: Note[] = [];
  for (const { start, meter } of bars) {
    const end = add(start, barLength(meter));
    const here = notes
      .filter(({ at }) => !less(at, start) && less(at, end))
      .map((note) => ({ at: sub(note.at, start), note }));
    const own = [...carried.map((note) => ({ at: ZERO, note })), ...here];
    carried = [];
    const exact = cellsFor(
      meter,
      'numbers',
      own.map(({ at }) => at),
    );
    if (exact) {
      gridded.push({ meter, cells: exact, placed: own });
      continue;
    }
    const { cells, placed, beyond } = nearestGrid(countsOf(meter), own);
    leave('stroke moved to the nearest place of the grid', own.length);
    carried = beyond;
    gridded.push({ meter, cells, placed });
  }
  return gridded;
}

/** The grid whose counts are divided no further than strokes near their places need, and the strokes on it. */
function nearestGrid(counts: readonly Count[], own: readonly { at: WholeNotes; note: Note }[]) {
  const cells: Cell[] = [];
  const placed: { at: WholeNotes; note: Note }[] = [];
  const beyond: Note[] = [];
  const ofCount = counts.map(({ at, length }) =>
    own.flatMap((one) => {
      const share = toNumber(div(sub(one.at, at), length));
      return share >= 0 && share < 1 ? [{ share, note: one.note }] : [];
    }),
  );
  for (const [index, { at, length }] of counts.entries()) {
    const here = ofCount[index]!;
    const farthest = (parts: number) =>
      here.reduce((far, { share }) => Math.max(far, Math.abs(share - Math.round(share * parts) / parts)), 0);
    const parts =
      DIVISIONS.find((one) => farthest(one) <= NEAR) ?? DIVISIONS.toSorted((a, b) => farthest(a) - farthest(b))[0]!;
    cells.push({ counts: 1, parts });
    for (const { share, note } of here) {
      const slot = Math.round(share * parts);
      if (slot === parts && index === counts.length - 1) beyond.push(note);
      else placed.push({ at: add(at, mul(length, frac(slot, parts))), note });
    }
  }
  return { cells, placed, beyond };
}
