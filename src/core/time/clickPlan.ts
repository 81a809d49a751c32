import { z } from 'zod';
import { slotsOfBar, type Cell } from '../grid/cells';
import {
  add,
  compare,
  div,
  exact,
  floor,
  frac,
  fromDecimal,
  less,
  mul,
  parse,
  sub,
  sum,
  toNumber,
  ZERO,
  type WholeNotes,
} from './fraction';
import { countsOf, type Meter, type Reading } from '../grid/meter';
import { NOTE_VALUES, type NoteValue } from './noteValue';
import { randomFrom } from '../random';
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
 * Where the metronome sounds in each bar. `slots`: every slot of the grid. `value`: one note value without a
 * break. `every`: once every so many counts (a fraction is allowed), the first after `from` counts, running
 * on over bar lines. `on`: these counts of each bar. `offBeats`: half-way between the counts. `silent`: nowhere.
 */
const BASE_PLANS = [
  z.strictObject({ kind: z.literal('slots') }),
  z.strictObject({ kind: z.literal('value'), value: z.enum(Object.keys(NOTE_VALUES) as [NoteValue, ...NoteValue[]]) }),
  z.strictObject({ kind: z.literal('every'), counts: positive, from: notNegative }),
  z.strictObject({ kind: z.literal('on'), counts: z.array(z.number().int().min(1).max(32)).min(1).max(32) }),
  z.strictObject({ kind: z.literal('offBeats') }),
  z.strictObject({ kind: z.literal('silent') }),
] as const;
const basePlanShape = z.discriminatedUnion('kind', BASE_PLANS);
export type BasePlan = z.infer<typeof basePlanShape>;

const someBars = z
  .number({ error: 'Write a whole number of bars, 1 to 32.' })
  .int('Whole bars, please.')
  .min(1, 'At least 1 bar.')
  .max(32, 'At most 32 bars.');

/**
 * And how it thins out. `gaps`: so many bars on, so many silent, round and round. `drops`: each click falls
 * silent with a chance of so many percent, the same ones for the same seed. `thinning`: the first stage for so
 * many bars, then the next, to the last one and back again.
 */
export const clickPlanShape = z.discriminatedUnion('kind', [
  ...BASE_PLANS,
  z.strictObject({ kind: z.literal('gaps'), of: basePlanShape, on: someBars, off: someBars }),
  z.strictObject({
    kind: z.literal('drops'),
    of: basePlanShape,
    percent: z
      .number({ error: 'Write a percentage from 5 to 95.' })
      .int('Whole percent, please.')
      .min(5, 'At least 5 %.')
      .max(95, 'At most 95 %.'),
    seed: z
      .number()
      .int()
      .min(0)
      .max(2 ** 32 - 1),
  }),
  z.strictObject({ kind: z.literal('thinning'), stages: z.array(basePlanShape).min(2).max(8), bars: someBars }),
]);
export type ClickPlan = z.infer<typeof clickPlanShape>;

const COUNTS = { kind: 'every', counts: '1', from: '0' } as const;
/** The stages a click thins through, from the thickest. */
export const THINNING_STAGES: BasePlan[] = [
  { kind: 'value', value: '8th' },
  COUNTS,
  { kind: 'on', counts: [2, 4] },
  { kind: 'on', counts: [1] },
];

/** The plans by the name a teacher says, from the thickest to the thinnest. */
export const CLICK_PLANS = {
  'every slot': { kind: 'slots' },
  '8ths': { kind: 'value', value: '8th' },
  counts: COUNTS,
  '2 and 4': { kind: 'on', counts: [2, 4] },
  '1 only': { kind: 'on', counts: [1] },
  'every second bar': { kind: 'gaps', of: { kind: 'on', counts: [1] }, on: 1, off: 1 },
  '2 bars on, 2 silent': { kind: 'gaps', of: COUNTS, on: 2, off: 2 },
  'off-beats': { kind: 'offBeats' },
  'thin out and back': { kind: 'thinning', stages: THINNING_STAGES, bars: 4 },
  silent: { kind: 'silent' },
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
  switch (plan.kind) {
    case 'silent':
      return [];
    case 'every':
      return clicksEvery(exact(plan.counts), exact(plan.from), bars);
    case 'gaps':
      return clicks(plan.of, bars).filter(({ bar }) => bar % (plan.on + plan.off) < plan.on);
    case 'drops': {
      const random = randomFrom(plan.seed);
      return clicks(plan.of, bars).filter(() => random() * 100 >= plan.percent);
    }
    case 'thinning':
      return plan.stages
        .flatMap((stage, index) => clicks(stage, bars).filter(({ bar }) => stageOf(plan, bar) === index))
        .sort((a, b) => a.bar - b.bar);
    default:
      return bars.flatMap((one, bar) => {
        const counts = countsOf(one.meter, one.reading);
        return placesInBar(plan, one).map((written) => {
          const number = counts.find((count) => compare(count.at, written) === 0)?.number;
          return { bar, written, voice: voiceOf(number) };
        });
      });
  }
}

/** Which stage a bar is in: there and back, each end once (0 1 2 3 2 1 0 1 …). */
function stageOf({ stages, bars }: Extract<ClickPlan, { kind: 'thinning' }>, bar: number): number {
  const step = Math.floor(bar / bars) % (2 * stages.length - 2);
  return step < stages.length ? step : 2 * stages.length - 2 - step;
}

const voiceOf = (count: number | undefined): ClickVoice =>
  count === undefined ? 'division' : count === 1 ? 'one' : 'count';

function placesInBar(
  plan: Extract<BasePlan, { kind: 'slots' | 'value' | 'on' | 'offBeats' }>,
  { meter, reading, cells }: ClickedBar,
): WholeNotes[] {
  if (plan.kind === 'slots') return slotsOfBar(meter, reading, cells).map((slot) => slot.at);
  const counts = countsOf(meter, reading);
  if (plan.kind === 'on') return counts.filter((count) => plan.counts.includes(count.number)).map((count) => count.at);
  if (plan.kind === 'offBeats') return counts.map((count) => add(count.at, mul(count.length, frac(1, 2))));
  const step = NOTE_VALUES[plan.value];
  const length = sum(counts.map((count) => count.length));
  const places: WholeNotes[] = [];
  for (let at = ZERO; less(at, length); at = add(at, step)) places.push(at);
  return places;
}

function clicksEvery(step: WholeNotes, from: WholeNotes, bars: readonly ClickedBar[]): Click[] {
  const counts = bars.flatMap(({ meter, reading }, bar) =>
    countsOf(meter, reading).map((count) => ({ ...count, bar })),
  );
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

/**
 * Undefined when no plain metronome can play it. Where only some bars or clicks are left out, what it would be
 * set to in between.
 */
export function plainMetronome(plan: ClickPlan, bar: ClickedBar, bpm: Bpm): PlainMetronome | undefined {
  if (plan.kind === 'thinning') return undefined;
  if (plan.kind === 'gaps' || plan.kind === 'drops') return plainMetronome(plan.of, bar, bpm);
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

/** A plan as it is said: its name, or what it does ("3 bars on, 1 silent, counts"). At most 60 characters. */
export function planInWords(plan: ClickPlan): string {
  const same = JSON.stringify(plan);
  const name = CLICK_PLAN_NAMES.find((one) => JSON.stringify(CLICK_PLANS[one]) === same);
  return name ?? ownInWords(plan).slice(0, 60);
}

function ownInWords(plan: ClickPlan): string {
  const bars = (count: number) => (count === 1 ? '1 bar' : `${count} bars`);
  switch (plan.kind) {
    case 'value':
      return `${plan.value}s`;
    case 'every':
      return `every ${plan.counts} counts`;
    case 'on':
      return plan.counts.length === 1 ? `only ${plan.counts[0]}` : plan.counts.join(' and ');
    case 'gaps':
      return `${bars(plan.on)} on, ${plan.off} silent, ${planInWords(plan.of)}`;
    case 'drops':
      return `${planInWords(plan.of)}, ${plan.percent} % dropped`;
    case 'thinning':
      return `thinning out and back every ${bars(plan.bars)}`;
    default:
      return plan.kind;
  }
}
