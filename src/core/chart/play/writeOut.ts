import type { ChartFeel, ChartForm } from '../../documents/chart';
import type { WrittenChart } from '../../documents/writtenChart';
import type { ExerciseName } from '../../form/exercises';
import type { Feel, Passage } from '../../form/form';
import { cellAt, isSwingable, type Cell } from '../../grid/cells';
import { barLength, countsOf, formatMeter, isCompound, type Meter, type Reading } from '../../grid/meter';
import type { Bar, Groove, Stroke } from '../../groove/groove';
import type { Limb, Surface } from '../../groove/limbs';
import { cellsFor } from '../../groove/place';
import { FASTEST, LONGEST_TAKE_MS, MOST_BARS, MOST_EXERCISES, MOST_PLACES, MOST_ROUNDS, SLOWEST } from '../../limits';
import { fail, ok, problemAt, type Result } from '../../result';
import {
  add,
  compare,
  div,
  equal,
  format,
  frac,
  less,
  toNumber,
  ZERO,
  type Fraction,
  type WholeNotes,
} from '../../time/fraction';
import { unroll, type Hit, type PlayedBar } from './unroll';
import { seconds } from './whole';

/** Grooves by their ids. */
export type GroovesById = ReadonlyMap<string, Pick<Groove, 'bars' | 'reading'>>;

/** What a feel does to what is written: long and short are 2:1. */
export const FEELS_PLAYED: Record<ChartFeel, Feel> = {
  straight: 'straight',
  'swing 8ths': { value: '8th', ratio: '2' },
  shuffle: { value: '8th', ratio: '2' },
  'half-time shuffle': { value: '8th', ratio: '2' },
  'swing 16ths': { value: '16th', ratio: '2' },
};

/** A hit is caught by a hand and the foot: one that rings on the crash, a short one on the snare. */
const CAUGHT: Record<'long' | 'short', [Limb, Surface][]> = {
  long: [
    ['right hand', 'crash'],
    ['right foot', 'kick'],
  ],
  short: [
    ['left hand', 'snare'],
    ['right foot', 'kick'],
  ],
};

/** A chart is counted by number; where numbers over 8 would go by faster than a tempo can be, in dotted pulses. */
function readingOf(played: readonly PlayedBar[]): Reading {
  const isFast = ({ meter, speed }: PlayedBar) => isCompound(meter) && compare(speed, frac(FASTEST, meter.unit)) > 0;
  return played.some(isFast) ? 'pulse' : 'numbers';
}

/** The cells of a bar without strokes: its halves, so that it can be counted along. */
const emptyCells = (meter: Meter, reading: Reading): Cell[] =>
  countsOf(meter, reading).map(({ length }) => ({ counts: 1, parts: toNumber(length) >= 1 / 4 ? 2 : 1 }));

/** What is struck in a bar: its section's groove where time is kept, and over it the hits. */
function barOf(played: PlayedBar, kept: Bar | undefined, reading: Reading): { bar: Bar; caught: WholeNotes[] } {
  const { meter, hits } = played;
  // In triplets nothing is swung: a hit stands there where it sounds.
  const isTriplet = (at: WholeNotes) => kept !== undefined && !isSwingable(cellAt(meter, reading, kept.cells, at));
  // Named twice, a count is caught once, as it was named first.
  const once = hits.filter(({ written }, index) => hits.findIndex((hit) => equal(hit.written, written)) === index);
  const caught = once.map(({ written, sounding }) => (isTriplet(written) ? sounding : written));
  const struck = once.flatMap((hit, index) => strokesOf(hit, caught[index]!));
  const isOver = ({ limb, at }: Stroke) => struck.some((hit) => hit.limb === limb && equal(hit.at, at));
  const around = kept?.strokes.filter((one) => !isOver(one)) ?? [];
  // Where no grid holds both, the hits alone: they are what has to land.
  for (const strokes of [[...around, ...struck], struck]) {
    const places = strokes.map(({ at }) => at);
    const cells = strokes.length ? cellsFor(meter, reading, places, kept?.cells) : emptyCells(meter, reading);
    if (cells) return { bar: { meter, cells, strokes }, caught };
  }
  return { bar: { meter, cells: emptyCells(meter, reading), strokes: [] }, caught: [] };
}

/** The bar of a section's groove that goes with a bar of it: they go round from its first bar on. */
function grooveBar(played: PlayedBar, reading: Reading, grooves: GroovesById): Bar | undefined {
  const { groove, place, meter, isRest, free } = played;
  const found = groove === undefined || isRest || free ? undefined : grooves.get(groove);
  const bar = found?.bars[place % found.bars.length];
  if (!bar || formatMeter(bar.meter) !== formatMeter(meter)) return undefined;
  if (found.reading === reading) return bar;
  const cells = cellsFor(
    meter,
    reading,
    bar.strokes.map(({ at }) => at),
  );
  return cells && { ...bar, cells };
}

const strokesOf = ({ length = 'long' }: Hit, at: WholeNotes): Stroke[] =>
  CAUGHT[length].map(([limb, surface]) => ({ limb, surface, at, height: 'accent' }));

/** A section as it is played, from where it is come to until it is left. */
interface Stretch {
  name: ExerciseName;
  key: string;
}

const keyOf = ({ section, time, times }: PlayedBar): Stretch => ({
  key: `${section} ${time}`,
  name: { say: times > 1 ? `${section}, time ${time} of ${times}` : section, places: [], section },
});

/** All of a passage but where it lies. */
type Manner = Omit<Passage, 'from' | 'bars' | 'times'>;

/** Bars one after another as passages: a stretch of bars that stand beside one another, and how often it comes. */
class Passages {
  readonly all: Passage[] = [];
  #manner = '';

  add(bar: number, manner: Manner): void {
    const before = this.all.at(-1);
    const said = JSON.stringify(manner);
    if (before && said === this.#manner && before.times === 1 && before.from + before.bars === bar) before.bars++;
    else this.all.push({ from: bar, bars: 1, times: 1, ...manner });
    this.#manner = said;
    this.#fold();
  }

  /** The last passage comes as often once more where it is the one before it again. */
  #fold(): void {
    const [before, last] = this.all.slice(-2);
    if (!before || !last || before === last) return;
    const { times, ...one } = before;
    const { times: _, ...other } = last;
    if (JSON.stringify(one) !== JSON.stringify(other)) return;
    before.times = times + 1;
    this.all.pop();
  }
}

/** So many times as fast as a speed in whole notes a minute, said in the first count of a bar. */
function speedIn({ meter, speed }: PlayedBar, reading: Reading, tempo: Fraction): Passage['speed'] {
  const beat = countsOf(meter, reading)[0]!.length;
  return { times: format(div(div(speed, beat), tempo)), beat: format(beat) };
}

/** The meter of the bar that a pick-up is the end of: that of the one after it, where it is shorter. */
function pickupOf([first, next]: readonly PlayedBar[]): Meter | undefined {
  return first && next && less(barLength(first.meter), barLength(next.meter)) ? next.meter : undefined;
}

/**
 * A chart written out to be played. Each bar that differs stands once, by section, so that what is found in one is
 * said of the other; passages go through them with the feel and tempo of every bar. What a section's groove does not
 * fit, rests and bars that are the player's own hold only their hits. Problems when it cannot be played, or needs
 * more bars than a groove has.
 */
export function writeOutChart(form: ChartForm, title: string, grooves: GroovesById = new Map()): Result<WrittenChart> {
  const unrolled = unroll(form);
  if (!unrolled.ok) return unrolled;
  const played = unrolled.value;
  const reading = readingOf(played);
  const bars: Bar[] = [];
  const barNamed = new Map<string, number>();
  const exercises: ExerciseName[] = [];
  const passages = new Passages();
  const first = played[0]!;
  const tempo = div(first.speed, countsOf(first.meter, reading)[0]!.length);
  const pickup = form.pickup ? pickupOf(played) : undefined;
  let before = '';
  let from = ZERO;
  for (const one of played) {
    const kept = grooveBar(one, reading, grooves);
    const { bar: plain, caught } = barOf(one, kept, reading);
    const bar = pickup && one.written === first.written ? { ...plain, endOf: pickup } : plain;
    const isFree = !one.isRest && !kept;
    const name = JSON.stringify([one.section, formatMeter(bar.meter), bar.cells, bar.strokes]);
    if (!barNamed.has(name)) barNamed.set(name, bars.push(bar) - 1);
    const stretch = keyOf(one);
    if (stretch.key !== before || one.place === 0) {
      exercises.push(stretch.name);
      from = ZERO;
    }
    before = stretch.key;
    exercises.at(-1)!.places.push(...caught.map((at) => format(add(from, at))));
    from = add(from, barLength(one.meter));
    passages.add(barNamed.get(name)!, {
      exercise: exercises.length - 1,
      swing: FEELS_PLAYED[one.feel],
      speed: speedIn(one, reading, tempo),
      ...(one.held.n > 0 && one.heldAt && { hold: { at: format(one.heldAt), more: format(one.held) } }),
      ...(isFree && { isFree }),
    });
  }
  const bpm = toNumber(tempo);
  if (bpm < SLOWEST || bpm > FASTEST)
    return tooMuch(
      'no-such-tempo',
      `It begins at ${Math.round(bpm)} counts a minute.`,
      `Let it go from ${SLOWEST} to ${FASTEST}.`,
    );
  if (bars.length > MOST_BARS)
    return tooMuch(
      'too-many-bars',
      `${bars.length} of its bars differ, more than can be played in one go.`,
      `Let at most ${MOST_BARS} differ: fewer hits, or shorter grooves.`,
    );
  if (
    exercises.length > MOST_EXERCISES ||
    passages.all.length > MOST_ROUNDS ||
    exercises.some(({ places }) => places.length > MOST_PLACES)
  )
    return tooMuch('too-long', 'It goes through too many sections, or hits of one section.', 'Play it fewer times.');
  const lasts = seconds(played);
  if (1000 * lasts > LONGEST_TAKE_MS)
    return tooMuch(
      'too-long',
      `It lasts ${Math.round(lasts / 60)} minutes.`,
      'Half an hour is the most that is played in one go.',
    );
  const groove: Groove = { version: 1, title, reading, tempo: bpm, bars };
  return ok({ form, groove, passages: passages.all, exercises, bars: played.length, seconds: lasts });
}

const tooMuch = (code: string, say: string, remedy: string) => fail(problemAt('sections', code, say, remedy));
