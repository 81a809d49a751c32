import type { MidiEars } from '../../documents/ears';
import type { Surface } from '../../groove/limbs';

/** The percussion key map of General MIDI, as far as we have a surface for it; hats have edge and bow besides. */
const COMMON: Record<number, Surface> = {
  22: 'closed hat',
  26: 'open hat',
  35: 'kick',
  36: 'kick',
  37: 'cross-stick',
  38: 'snare',
  39: 'clap',
  40: 'rim',
  41: 'floor tom',
  42: 'closed hat',
  43: 'floor tom',
  44: 'hat pedal',
  45: 'mid tom',
  46: 'open hat',
  47: 'mid tom',
  48: 'high tom',
  49: 'crash',
  50: 'high tom',
  51: 'ride',
  53: 'ride bell',
  57: 'crash',
  59: 'ride',
};

/** What is below is an addition of the makers of kits. */
const FIRST_COMMON = 35;

/** How far the pedal of the hat is down: closed from here on, half open to there. */
const [CLOSED, HALF] = [90, 40];
export type HatPosition = 'closed' | 'half' | 'open';
export const hatPosition = (pedal: number): HatPosition => {
  if (pedal >= CLOSED) return 'closed';
  return pedal >= HALF ? 'half' : 'open';
};

/**
 * What a note is struck on: as it was learnt, else as is common. Of a hat the pedal says whether it is open, where it
 * has said anything yet; half open counts as open. Undefined for a note nobody knows.
 */
export function surfaceOfNote(note: number, ears: MidiEars | undefined, pedal?: number): Surface | undefined {
  const surface = ears?.notes[note] ?? COMMON[note];
  if (pedal === undefined || (surface !== 'closed hat' && surface !== 'open hat')) return surface;
  return hatPosition(pedal) === 'closed' ? 'closed hat' : 'open hat';
}

/** How loud a soft, a usual and a loud stroke are: 20, 11 and 3 dB under the loudest there is. */
const LOUDNESSES = [0.1, 0.28, 0.71] as const;
/** As kits are set in the factory, about. */
const USUAL_STROKES: NonNullable<MidiEars['strokes']> = [25, 70, 110];

/**
 * How loud a velocity is, from 0 to 1: straight lines through silence, the three strokes that were tried, and the
 * hardest.
 */
export function loudnessOfVelocity(velocity: number, strokes = USUAL_STROKES): number {
  const points = [[0, 0], ...strokes.map((one, index) => [one, LOUDNESSES[index]!] as const), [127, 1]] as const;
  for (let index = 1; index < points.length; index++) {
    const [[from, low], [to, high]] = [points[index - 1]!, points[index]!];
    if (velocity <= to && to > from) return low + ((high - low) * Math.max(0, velocity - from)) / (to - from);
  }
  return 1;
}

/** The velocity that is told for a loudness: the softest that is at least as loud. */
export function velocityOfLoudness(loudness: number, strokes = USUAL_STROKES): number {
  for (let velocity = 1; velocity < 127; velocity++)
    if (loudnessOfVelocity(velocity, strokes) >= loudness) return velocity;
  return 127;
}

/** The first note that is common for a surface; undefined where none is. */
export function noteOfSurface(surface: Surface): number | undefined {
  const found = Object.entries(COMMON).find(([note, one]) => one === surface && Number(note) >= FIRST_COMMON);
  return found && Number(found[0]);
}

/** Of two kicks the one that most kits send; a pad, which no kit has a note for, as a block of wood. */
const OWN: Partial<Record<Surface, number>> = { kick: 36, pad: 76 };

/** The note a surface is written as in a file. */
export const noteWritten = (surface: Surface): number => OWN[surface] ?? noteOfSurface(surface)!;

/** The surface of a note in a file, as it is common, or as we write it. */
export const surfaceWritten = (note: number, pedal?: number): Surface | undefined =>
  surfaceOfNote(note, undefined, pedal) ?? (note === OWN.pad ? 'pad' : undefined);
