import { z } from 'zod';
import { slotsOfBar, type Cell } from '../groove/grid';
import { add, compare, div, exact, floor, frac, fromDecimal, less, mul, parse, sub, sum, toNumber, ZERO, type WholeNotes } from './fraction';
import { countsOf, type Meter, type Reading } from './meter';
import { NOTE_VALUES, type NoteValue } from './noteValue';
import type { Bpm } from './units';

const positive = z
  .string()
  .max(20)
  .refine((value) => (parse(value)?.n ?? 0) > 0, 'Write a number of counts above 0, like 2 or 1/3.');
const notNegative = z
  .string()
  .max(20)
  .refine((value) => (parse(value)?.n ?? -1) >= 0, 'Write a number of counts from 0, like 1.');

/**
 * Where the metronome sounds. `slots`: every slot of the grid. `value`: one note value without a break.
 * `every`: once every so many counts (a fraction is allowed), the first after `from` counts, running on
 * over bar lines. `on`: these counts of each bar. `silent`: nowhere.
 */
export const clickPlanShape = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('slots') }),
  z.strictObject({ kind: z.literal('value'), value: z.enum(Object.keys(NOTE_VALUES) as [NoteValue, ...NoteValue[]]) }),
  z.strictObject({ kind: z.literal('every'), counts: positive, from: notNegative }),
  z.strictObject({ kind: z.literal('on'), counts: z.array(z.number().int().min(1).max(32)).min(1).max(32) }),
  z.strictObject({ kind: z.literal('silent') }),
]);
export type ClickPlan = z.infer<typeof clickPlanShape>;

/** The plans by the name a teacher says, from the thickest to the thinnest. */
export const CLICK_PLANS = {
  'every slot': { kind: 'slots' },
  '8ths': { kind: 'value', value: '8th' },
  counts: { kind: 'every', counts: '1', from: '0' },
  '2 and 4': { kind: 'on', counts: [2, 4] },
  '1 only': { kind: 'on', counts: [1] },
} as const satisfies Record<string, ClickPlan>;

export type ClickPlanName = keyof typeof CLICK_PLANS;
export const CLICK_PLAN_NAMES = Object.keys(CLICK_PLANS) as ClickPlanName[];

/** The three click voices: the first count of a bar, the other counts, and what lies between counts. */
export type ClickVoice = 'one' | 'count' | 'division';

/** A bar as the click needs it: where it starts in whole notes, and its grid. */
export interface ClickedBar {
  start: WholeNotes;
  meter: Meter;
  reading: Reading;
  cells: readonly Cell[];
}

/** `written` is the place before swing, `bar` the index of its bar. */
export interface Click {
  bar: number;
  written: WholeNotes;
  voice: ClickVoice;
}

/** Every click of a plan over bars that follow one another, in order; places from the start of each bar. */
export function clicks(plan: ClickPlan, bars: readonly ClickedBar[]): Click[] {
  if (plan.kind === 'silent') return [];
  if (plan.kind === 'every') return clicksEvery(exact(plan.counts), exact(plan.from), bars);
  return bars.flatMap((one, bar) => {
    const counts = countsOf(one.meter, one.reading);
    return placesInBar(plan, one).map((written) => {
      const number = counts.find((count) => compare(count.at, written) === 0)?.number;
      return { bar, written, voice: voiceOf(number) };
    });
  });
}

const voiceOf = (count: number | undefined): ClickVoice => (count === undefined ? 'division' : count === 1 ? 'one' : 'count');

function placesInBar(plan: Extract<ClickPlan, { kind: 'slots' | 'value' | 'on' }>, { meter, reading, cells }: ClickedBar): WholeNotes[] {
  if (plan.kind === 'slots') return slotsOfBar(meter, reading, cells).map((slot) => slot.at);
  const counts = countsOf(meter, reading);
  if (plan.kind === 'on') return counts.filter((count) => plan.counts.includes(count.number)).map((count) => count.at);
  const step = NOTE_VALUES[plan.value];
  const length = sum(counts.map((count) => count.length));
  const places: WholeNotes[] = [];
  for (let at = ZERO; less(at, length); at = add(at, step)) places.push(at);
  return places;
}

function clicksEvery(step: WholeNotes, from: WholeNotes, bars: readonly ClickedBar[]): Click[] {
  const counts = bars.flatMap(({ meter, reading }, bar) => countsOf(meter, reading).map((count) => ({ ...count, bar })));
  const found: Click[] = [];
  for (let place = from; less(place, frac(counts.length)); place = add(place, step)) {
    const count = counts[floor(place)]!;
    const into = sub(place, frac(floor(place)));
    found.push({
      bar: count.bar,
      written: add(count.at, mul(count.length, into)),
      voice: voiceOf(into.n === 0 ? count.number : undefined),
    });
  }
  return found;
}

/** What to set a plain metronome to, and whether most can be set there (below 30 or above 250 they cannot). */
export interface PlainMetronome {
  bpm: Bpm;
  outOfRange: boolean;
}

/** Undefined when the plan does not click evenly, so that no plain metronome can play it. */
export function plainMetronome(plan: ClickPlan, bar: ClickedBar, bpm: Bpm): PlainMetronome | undefined {
  const counts = countsOf(bar.meter, bar.reading);
  const countsPerClick = plan.kind === 'every' ? exact(plan.counts) : evenSpacing(plan, bar, counts.length);
  if (!countsPerClick) return undefined;
  const set = toNumber(div(fromDecimal(bpm), countsPerClick));
  return { bpm: set, outOfRange: set < 30 || set > 250 };
}

/** Counts from one click to the next when they are the same all round the bar. */
function evenSpacing(plan: ClickPlan, bar: ClickedBar, counts: number): WholeNotes | undefined {
  const places = clicks(plan, [bar]).map((click) => click.written);
  if (!places.length) return undefined;
  const length = sum(countsOf(bar.meter, bar.reading).map((count) => count.length));
  const gaps = places.map((place, index) => sub(places[index + 1] ?? add(places[0]!, length), place));
  return gaps.every((gap) => compare(gap, gaps[0]!) === 0) ? mul(div(gaps[0]!, length), frac(counts)) : undefined;
}
