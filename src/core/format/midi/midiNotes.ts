import { SURFACES, type Height, type Ornament, type Surface } from '../../groove/limbs';
import { sub, type WholeNotes } from '../../time/fraction';
import type { Ms } from '../../time/units';
import { surfaceWritten } from './drumNotes';
import type { Asker, LeftOut } from '../imported/grooveRead';
import { VELOCITIES } from './midiOut';

/** A stroke of a MIDI file, from the beginning of the file. */
export interface Note {
  at: WholeNotes;
  surface: Surface;
  velocity: number;
  ornament?: Ornament;
}

/**
 * Strokes on one surface nearer than this, the first of them softer, are a grace and its stroke: farther apart they
 * are two notes.
 */
const MOST_GRACE_MS: Ms = 45;
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
/** Of notes that no surface is known for, so many are asked about, those that are struck most. */
const MOST_ASKED = 12;

/** What the percussion map of General MIDI (1991) calls the notes that we have no surface for. */
const NAMES: Partial<Record<number, string>> = {
  52: 'Chinese cymbal',
  54: 'tambourine',
  55: 'splash cymbal',
  56: 'cowbell',
  58: 'vibraslap',
  60: 'high bongo',
  61: 'low bongo',
  62: 'muted high conga',
  63: 'open high conga',
  64: 'low conga',
  65: 'high timbale',
  66: 'low timbale',
  67: 'high agogo',
  68: 'low agogo',
  69: 'cabasa',
  70: 'maracas',
  75: 'claves',
  77: 'low wood block',
  80: 'muted triangle',
  81: 'open triangle',
};
const NOT_READ = 'left out';

/**
 * What each note number is struck on: as is common on the drum channel; what nobody knows, or is on another channel,
 * is asked. A note that is not in the answer is left out.
 */
export function surfacesOf(
  notes: readonly { noteNumber: number }[],
  isDrums: boolean,
  asker: Asker,
  left: LeftOut,
): Map<number, Surface> {
  const counts = new Map<number, number>();
  for (const { noteNumber } of notes)
    if (!CLICKS.includes(noteNumber)) counts.set(noteNumber, (counts.get(noteNumber) ?? 0) + 1);
  const surfaces = new Map<number, Surface>();
  let asked = 0;
  for (const [note, many] of [...counts].toSorted(([, a], [, b]) => b - a)) {
    const common = surfaceWritten(note);
    const isOpen = !(common && isDrums) && asked++ < MOST_ASKED;
    const taken = isOpen ? askSurface(note, many, common, asker) : (common ?? NOT_READ);
    if (taken === NOT_READ) left.leave('note of no surface that is known', many);
    else surfaces.set(note, taken);
  }
  return surfaces;
}

function askSurface(note: number, many: number, common: Surface | undefined, asker: Asker) {
  const name = NAMES[note];
  return asker.ask(
    `note ${note}`,
    `Note ${note}${name ? ` (${name})` : ''}, ${many === 1 ? 'once' : `${many} times`}`,
    [[NOT_READ, 'Left out'], ...SURFACES.map((one) => [one, one] as const)],
    common ?? NOT_READ,
  );
}

/**
 * Notes in order, graces made into the ornaments of the strokes they come before: one is a flam, two a drag. Where
 * there are some it is asked whether they are meant so.
 */
export function withoutGraces(notes: readonly Note[], msOf: (length: WholeNotes) => Ms, asker: Asker): readonly Note[] {
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
  if (!isGrace.size) return notes;
  const taken = asker.ask(
    'graces',
    `Soft strokes just before others, ${isGrace.size === 1 ? 'one' : isGrace.size}`,
    [
      ['graces', 'Graces: flams and drags'],
      ['strokes', 'Strokes of their own'],
    ],
    'graces',
  );
  if (taken === 'strokes') return notes;
  return notes
    .filter((note) => !isGrace.has(note))
    .map((note) => ({ ...note, ...(ornaments.has(note) && { ornament: ornaments.get(note)! }) }));
}

/** How high each stroke of a file starts, by its velocity. */
export function heightsOf(notes: readonly Note[]): (note: Note) => Height {
  const velocities = notes.map(({ velocity }) => velocity);
  const most = velocities.reduce((a, b) => Math.max(a, b), 0);
  const least = velocities.reduce((a, b) => Math.min(a, b), 127);
  if (most - least < ALIKE && !WRITTEN.includes(most)) return () => 'tap';
  return ({ velocity }) => {
    if (velocity < TAP) return 'ghost';
    return velocity < ACCENT ? 'tap' : 'accent';
  };
}
