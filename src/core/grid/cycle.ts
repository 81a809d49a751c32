import { div, floor, frac, gcd, lcm, mul, type Fraction, type WholeNotes } from '../time/fraction';
import { barLength, type Meter } from './meter';
import { NOTE_VALUES, type NoteValue } from '../time/noteValue';

/** When a cell of equal notes repeated over a meter falls on a count again, and on 1 again. */
export interface Cycle {
  cellInCounts: Fraction;
  backOnACount: { counts: number; cells: number };
  backOnOne: { bars: number; cells: number };
}

/** The shortest length that both a and b divide: lcm(a.n, b.n) / gcd(a.d, b.d) for fractions in lowest terms. */
const commonLength = (a: WholeNotes, b: WholeNotes): WholeNotes => frac(lcm(a.n, b.n), gcd(a.d, b.d));

/** A cell of `notes` equal notes of a value over a meter counted in numbers. */
export function cycleOf(notes: number, value: NoteValue, meter: Meter): Cycle {
  const cell = mul(NOTE_VALUES[value], frac(notes));
  const count = frac(1, meter.unit);
  const onCount = commonLength(cell, count);
  const onOne = commonLength(cell, barLength(meter));
  const howMany = (length: WholeNotes, of: WholeNotes) => floor(div(length, of));
  return {
    cellInCounts: div(cell, count),
    backOnACount: { counts: howMany(onCount, count), cells: howMany(onCount, cell) },
    backOnOne: { bars: howMany(onOne, barLength(meter)), cells: howMany(onOne, cell) },
  };
}
