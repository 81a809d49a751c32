import { fail, ok, type Result } from '../result';
import {
  add,
  compare,
  div,
  floor,
  format,
  frac,
  mul,
  sub,
  ZERO,
  type Fraction,
  type WholeNotes,
} from '../time/fraction';

/** The numbers above and below: 7/8 grouped 2+2+3 is { beats: 7, unit: 8, grouping: [2, 2, 3] }. */
export interface Meter {
  beats: number;
  unit: 2 | 4 | 8 | 16;
  grouping?: number[];
}

/** `numbers`: every denominator unit is a count. `pulse`: 6/8, 9/8, 12/8 (and /16) in dotted pulses. */
export type Reading = 'numbers' | 'pulse';

/** One numbered pulse of a bar. `at` and `length` in whole notes from the start of the bar. */
export interface Count {
  number: number;
  at: WholeNotes;
  length: WholeNotes;
}

export const UNITS = [2, 4, 8, 16] as const;
export const MOST_BEATS = 32;

/** Reads "7/8" or "7/8 (2+2+3)". Problems say which part is wrong and what would work. */
export function parseMeter(text: string): Result<Meter> {
  const problem = (code: string, where: string, say: string, remedy: string) =>
    fail({ code, path: ['meter'], where, say, remedy });
  const match = /^\s*(\d+)\s*\/\s*(\d+)\s*(?:\(?\s*(\d+(?:\s*\+\s*\d+)*)\s*\)?)?\s*$/.exec(text);
  if (!match) return problem('no-meter', text, 'is not a meter.', 'Write it like 4/4, 6/8 or 7/8 (2+2+3).');
  const beats = Number(match[1]);
  const unit = UNITS.find((known) => known === Number(match[2]));
  if (beats < 1 || beats > MOST_BEATS) {
    return problem('too-many-counts', match[1]!, 'counts in a bar cannot be counted here.', `Use 1 to ${MOST_BEATS}.`);
  }
  if (!unit) return problem('no-such-unit', match[2]!, 'cannot stand below the line.', 'Use 2, 4, 8 or 16.');
  if (!match[3]) return ok({ beats, unit });
  const grouping = match[3].split('+').map(Number);
  if (grouping.some((group) => group < 1) || grouping.reduce((a, b) => a + b, 0) !== beats) {
    return problem(
      'grouping-does-not-add-up',
      match[3],
      `does not add up to ${beats}.`,
      'Let the groups add up to the number above the line.',
    );
  }
  return ok({ beats, unit, grouping });
}

/** A meter with its groups, where it has some: "7/8 (2+2+3)". */
export const meterInWords = (meter: Meter): string =>
  meter.grouping ? `${formatMeter(meter)} (${meter.grouping.join('+')})` : formatMeter(meter);

/** A length as counts of a length: "3 1/2 counts", "1 count". */
export function countsInWords(length: WholeNotes, count: WholeNotes): string {
  const counts = div(length, count);
  const [whole, rest] = [floor(counts), sub(counts, frac(floor(counts)))];
  const said = [whole > 0 || rest.n === 0 ? String(whole) : '', rest.n > 0 ? format(rest) : '']
    .filter(Boolean)
    .join(' ');
  return `${said} ${counts.n <= counts.d ? 'count' : 'counts'}`;
}

export const formatMeter = ({ beats, unit }: Meter): string => `${beats}/${unit}`;

export const barLength = ({ beats, unit }: Meter): WholeNotes => frac(beats, unit);

/** 6, 9, 12 … over 8 or 16 can be counted in dotted pulses. */
export const isCompound = ({ beats, unit }: Meter): boolean => unit >= 8 && beats >= 6 && beats % 3 === 0;

/** The counts of one bar. `pulse` on a meter that has no dotted pulses reads as `numbers`. */
export function countsOf(meter: Meter, reading: Reading = 'numbers'): Count[] {
  const unitsPerCount = reading === 'pulse' && isCompound(meter) ? 3 : 1;
  const length = frac(unitsPerCount, meter.unit);
  return Array.from({ length: meter.beats / unitsPerCount }, (_, index) => ({
    number: index + 1,
    at: index === 0 ? ZERO : mul(length, frac(index)),
    length,
  }));
}

/** A bar as it is counted: of a meter, and where it is only the end of a bar, a pick-up, of the one it ends. */
export interface CountedMeter {
  meter: Meter;
  endOf?: Meter;
}

/** Where a pick-up begins in the bar it ends; at the beginning for any other bar. */
export const cutOff = ({ meter, endOf }: CountedMeter): WholeNotes =>
  endOf ? sub(barLength(endOf), barLength(meter)) : ZERO;

/** The counts that lie in a bar, those of a pick-up by their numbers in the bar it ends. */
export function countsIn(bar: CountedMeter, reading: Reading = 'numbers'): Count[] {
  const from = cutOff(bar);
  return countsOf(bar.endOf ?? bar.meter, reading).flatMap((count) => {
    const at = sub(count.at, from);
    return at.n < 0 ? [] : [{ ...count, at }];
  });
}

/**
 * The count a place belongs to, of a pick-up one of the bar it ends, and how far after it, as a share of that count.
 */
export function countAt(bar: CountedMeter, reading: Reading, at: WholeNotes): { count: number; after: Fraction } {
  const place = add(cutOff(bar), at);
  const count = countsOf(bar.endOf ?? bar.meter, reading).findLast((one) => compare(one.at, place) <= 0)!;
  return { count: count.number, after: div(sub(place, count.at), count.length) };
}

/** Starts of many bars one after another, and where the last one ends: one longer than `bars`. */
export function barStarts(lengths: readonly WholeNotes[]): WholeNotes[] {
  const starts: WholeNotes[] = [ZERO];
  for (const length of lengths) starts.push(add(starts.at(-1)!, length));
  return starts;
}
