import { z } from 'zod';
import { parse } from './fraction';
import { NOTE_VALUES, valuesInWords, type NoteValue } from './noteValue';

/** Into how many parts a count is divided at most to say when a click sounds. */
const FINEST = 96;
const MOST_COUNTS = 1024;

/**
 * A number of counts whose sums stay exact: no more counts, and no finer parts of one, than anybody sets a click to.
 */
const countsFrom = (least: number, say: string) =>
  z
    .string()
    .max(20)
    .refine((text) => {
      const counts = parse(text);
      return counts && counts.d <= FINEST && counts.n >= least * counts.d && counts.n <= MOST_COUNTS * counts.d;
    }, say);
const positive = countsFrom(1 / 24, `Write a number of counts from 1/24 to ${MOST_COUNTS}, like 2 or 1/3.`);
const notNegative = countsFrom(0, `Write a number of counts from 0 to ${MOST_COUNTS}, like 1.`);

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
      return valuesInWords(plan.value);
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
