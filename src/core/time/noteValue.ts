import { div, exact, frac, fromDecimal, mul, toNumber, type Fraction, type WholeNotes } from './fraction';
import type { Bpm, Ms } from './units';

/** Every note value by the name a teacher says, in whole notes. A triplet value is 2/3 of its plain one. */
export const NOTE_VALUES = {
  whole: exact('1'),
  'dotted half': exact('3/4'),
  half: exact('1/2'),
  'dotted quarter': exact('3/8'),
  'half triplet': exact('1/3'),
  quarter: exact('1/4'),
  'dotted 8th': exact('3/16'),
  'quarter triplet': exact('1/6'),
  '8th': exact('1/8'),
  'dotted 16th': exact('3/32'),
  '8th triplet': exact('1/12'),
  '16th': exact('1/16'),
  '16th quintuplet': exact('1/20'),
  '16th triplet': exact('1/24'),
  '16th septuplet': exact('1/28'),
  '32nd': exact('1/32'),
} as const satisfies Record<string, WholeNotes>;

export type NoteValue = keyof typeof NOTE_VALUES;

/** "8ths", "dotted halves". */
export const valuesInWords = (value: NoteValue): string =>
  value.endsWith('half') ? value.replace(/half$/, 'halves') : `${value}s`;

/** A note value against the beat: exact fraction and its percentage, how long it lasts, how many a second. */
export interface ValueFigures {
  ofBeat: Fraction;
  percentOfBeat: number;
  ms: Ms;
  perSecond: number;
}

/** Figures of one note value when `beat` goes at `bpm` a minute. */
export function valueFigures(value: NoteValue, beat: NoteValue, bpm: Bpm): ValueFigures {
  const ofBeat = div(NOTE_VALUES[value], NOTE_VALUES[beat]);
  const ms = toNumber(mul(ofBeat, div(frac(60_000), fromDecimal(bpm))));
  return { ofBeat, percentOfBeat: toNumber(mul(ofBeat, frac(100))), ms, perSecond: 1000 / ms };
}
