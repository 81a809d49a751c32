import type { ChartFeel, Dynamic } from '../../documents/chart';
import { barLength, formatMeter, type Meter } from '../../grid/meter';
import { add, div, equal, frac, mul, toNumber, type Fraction } from '../../time/fraction';
import { NOTE_VALUES, type NoteValue } from '../../time/noteValue';
import type { PlayedBar } from './unroll';

/** What a chart comes to as it is played: how long it lasts, and where meter, feel, tempo and loudness change. */

/** The note a tempo is said in: the meter's beat. */
function beatOf(meter: Meter): NoteValue {
  if (meter.unit === 8 && [6, 9, 12].includes(meter.beats)) return 'dotted quarter';
  return ({ 2: 'half', 4: 'quarter', 8: '8th', 16: '16th' } as const)[meter.unit];
}

/** A tempo as it is said from a bar on; beats a minute, exact. */
export interface TempoFrom {
  bar: number;
  beat: NoteValue;
  bpm: Fraction;
}

/** The tempo of a bar, said in the beat of its meter. */
export function tempoOfBar({ meter, speed }: Pick<PlayedBar, 'meter' | 'speed'>): Omit<TempoFrom, 'bar'> {
  const beat = beatOf(meter);
  return { beat, bpm: div(speed, NOTE_VALUES[beat]) };
}

/** An entry wherever the speed changes, or the beat it is said in. */
export function tempos(played: readonly PlayedBar[]): TempoFrom[] {
  const all: TempoFrom[] = [];
  for (const one of played) {
    const { beat, bpm } = tempoOfBar(one);
    const { number } = one;
    const last = all.at(-1);
    if (last?.beat !== beat || !equal(last.bpm, bpm)) all.push({ bar: number, beat, bpm });
  }
  return all;
}

function runs<T>(all: readonly T[]): [T, number][] {
  const found: [T, number][] = [];
  for (const one of all) {
    const last = found.at(-1);
    if (last?.[0] === one) last[1]++;
    else found.push([one, 1]);
  }
  return found;
}

/** Meters one after another, each with how many bars it holds. */
export const meterRuns = (played: readonly PlayedBar[]): [string, number][] =>
  runs(played.map(({ meter }) => formatMeter(meter)));

/** Feels one after another, each with how many bars it holds. */
export const feelRuns = (played: readonly PlayedBar[]): [ChartFeel, number][] => runs(played.map(({ feel }) => feel));

/** How loud it is from a bar on, or how loud it grows by the end of another. */
export type LoudnessFrom = { bar: number; level: Dynamic } | { bar: number; swellTo: Dynamic; by: number };

export const dynamics = (played: readonly PlayedBar[]): LoudnessFrom[] =>
  played.flatMap(({ number, marks: { dynamic, swell } }): LoudnessFrom[] => [
    ...(dynamic ? [{ bar: number, level: dynamic }] : []),
    ...(swell ? [{ bar: number, swellTo: swell.to, by: number + swell.bars - 1 }] : []),
  ]);

/** How long a bar lasts with what is held in it, in minutes. */
const minutesOf = ({ meter, speed, held }: PlayedBar): Fraction => div(add(barLength(meter), held), speed);

/** How long it lasts with everything that is held, in seconds. */
export function seconds(played: readonly PlayedBar[]): number {
  // Bars of one length are counted before they are added, so that no sum of many tempos outgrows its fraction.
  const alike = new Map<string, { minutes: Fraction; bars: number }>();
  for (const bar of played) {
    const minutes = minutesOf(bar);
    const key = `${minutes.n}/${minutes.d}`;
    const found = alike.get(key) ?? { minutes, bars: 0 };
    found.bars++;
    alike.set(key, found);
  }
  return [...alike.values()].reduce((total, { minutes, bars }) => total + toNumber(mul(minutes, frac(60 * bars))), 0);
}
