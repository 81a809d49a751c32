import { div, fromDecimal, mul, toNumber } from './fraction';
import { NOTE_VALUES, type NoteValue } from './noteValue';
import type { Bpm } from './units';

/** A tempo change by "this old note = that new note". */
export interface Modulation {
  bpm: Bpm;
  oldBeat: NoteValue;
  oldNote: NoteValue;
  newNote: NoteValue;
  newBeat: NoteValue;
}

/**
 * The new beats a minute: a new note lasts as long as an old one did, so
 * new = old × (old beat / old note) × (new note / new beat).
 */
export function modulatedBpm({ bpm, oldBeat, oldNote, newNote, newBeat }: Modulation): Bpm {
  const oldNotesAMinute = mul(fromDecimal(bpm), div(NOTE_VALUES[oldBeat], NOTE_VALUES[oldNote]));
  return toNumber(mul(oldNotesAMinute, div(NOTE_VALUES[newNote], NOTE_VALUES[newBeat])));
}
