import { z } from 'zod';
import { LIMBS } from '../groove/limbs';
import { readGroove, swingShape, tempoShape, type Groove } from '../documents/groove';
import { ladderShape } from '../plan/ladder';
import { fail, ok, problemAt, type Problem, type Result } from '../result';
import { CLICK_PLAN_NAMES, type ClickPlanName } from '../time/clickPlan';
import { equal } from '../time/fraction';
import { barLength, formatMeter, parseMeter, type Meter } from '../grid/meter';
import type { FreeStroke } from '../groove/place';
import { CHOOSING_VERSION } from './difficulty';
import { groundOf, type Family, type Ground } from './family';
import { readOstinato } from './ostinato';
import { familyNamed } from './registry';

export const ORDERS = ['easy to hard', 'as generated', 'shuffled'] as const;
/** The most places a caller calls in one go. */
export const MOST_CALLS = 64;

const seed = z
  .number()
  .int()
  .min(0)
  .max(2 ** 32 - 1);

/** All that decides a drill: the same rule makes the same bars, so the rule is what is kept. */
export const ruleShape = z.strictObject({
  version: z.literal(1),
  family: z.string().max(40),
  /** The version of what wrote it, see `generatorOf`. */
  generator: z.number().int().min(1),
  params: z.record(z.string(), z.unknown()),
  meter: z.string().max(40).default('4/4'),
  reading: z.enum(['numbers', 'pulse']).default('numbers'),
  parts: z.number().int().min(1, 'At least 1 part.').max(8, 'At most 8 parts.').default(4),
  /** "hat 8ths, kick quarters". */
  ostinato: z.string().max(200, 'At most 200 characters.').default('hat 8ths'),
  /** In place of the words, limbs of one bar of a groove (its JSON) go on under the exercises. */
  over: z
    .strictObject({
      groove: z.unknown(),
      bar: z.number().int().min(0),
      limbs: z.array(z.enum(LIMBS)).min(1, 'Keep at least one limb.').max(4),
    })
    .optional(),
  swing: swingShape.optional(),
  goal: tempoShape.default(80),
  order: z.enum(ORDERS).default('easy to hard'),
  seed: seed.default(1),
  most: z.number().int().min(1, 'At least one.').max(1000, 'At most 1,000.').default(20),
  /** How often each exercise is played, and how many bars of rest come after it. */
  repeats: z.number().int().min(1, 'At least once.').max(16, 'At most 16 times.').default(1),
  rest: z.number().int().min(0).max(4, 'At most 4 bars.').default(0),
  /** The click it is practised to, and the tempos it is climbed through; the usual ladder up to the goal when left out. */
  click: z.enum(CLICK_PLAN_NAMES as [ClickPlanName, ...ClickPlanName[]]).default('counts'),
  ladder: ladderShape.optional(),
  /** The exercises are called at random, a bar ahead: a new one every `pace` bars, `calls` of them. */
  caller: z
    .strictObject({
      pace: z.number().int().min(1, 'At least 1 bar.').max(8, 'At most 8 bars.'),
      calls: z.number().int().min(1, 'At least one.').max(MOST_CALLS, `At most ${MOST_CALLS}.`),
    })
    .optional(),
  /** Of exercises that are the same turned round, only the first. */
  withoutTurnings: z.boolean().default(false),
  /** Chosen by hand: these exercises of the rule, in this order. */
  picked: z.array(z.number().int().min(0)).min(1, 'Keep at least one exercise.').max(1000).optional(),
});
export type Rule = z.output<typeof ruleShape>;

/** A rule ready to be worked with. */
export interface ReadyRule {
  rule: Rule;
  family: Family;
  params: unknown;
  ground: Ground;
  total: number;
}

/** The version of what writes a family's exercises: its own generator, and how they are chosen and ordered. */
export const generatorOf = (family: Family): number => family.version + CHOOSING_VERSION;

/** A rule for a family with all its usual values. */
export const usualRule = (family: Family, change: Partial<z.input<typeof ruleShape>> = {}): Rule =>
  ruleShape.parse({ version: 1, family: family.name, generator: generatorOf(family), params: {}, ...change });

/**
 * A rule as the generator of today works with it. What an older one wrote keeps its parameters, but exercises picked by
 * their number may be others now, so the picking is undone; `anew` says that this happened.
 */
export function renewed(rule: Rule): { rule: Rule; anew: boolean } {
  const family = familyNamed(rule.family);
  if (!family || rule.generator >= generatorOf(family)) return { rule, anew: false };
  return { rule: { ...rule, generator: generatorOf(family), picked: undefined }, anew: true };
}

/** Reads a rule and counts what it comes to, making none of it. Problems name the field: a path of `params` is the family's. */
export function readyRule(json: unknown): Result<ReadyRule> {
  const read = ruleShape.safeParse(json);
  if (!read.success) return fail(...problemsOf(read.error, []));
  const rule = read.data;
  const family = familyNamed(rule.family);
  if (!family) return fail(problemAt('family', `There is no family called “${rule.family}”.`, 'Choose another.'));
  if (rule.generator > generatorOf(family))
    return fail(
      problemAt('generator', 'This drill was made by a newer Mochila.', 'Update Mochila, then open it again.'),
    );
  const params = family.shape.safeParse(rule.params);
  if (!params.success) return fail(...problemsOf(params.error, ['params']));
  const meter = parseMeter(rule.meter);
  if (!meter.ok) return { ok: false, problems: meter.problems.map((one) => ({ ...one, path: ['meter'] })) };
  const ostinato = rule.over ? ostinatoOf(rule.over, meter.value) : readOstinato(rule.ostinato, meter.value);
  if (!ostinato.ok) return ostinato;
  const ground = groundOf(meter.value, rule.parts, rule.reading, ostinato.value);
  const total = family.total(params.data, ground);
  if (!total.ok)
    return {
      ok: false,
      problems: total.problems.map((one) => ({
        ...one,
        path: [...(one.path[0] === 'parts' || one.path[0] === 'meter' ? [] : ['params']), ...one.path],
      })),
    };
  return ok({ rule, family, params: params.data, ground, total: total.value });
}

/** What the chosen limbs of one bar of a groove keep repeating. */
function ostinatoOf({ groove: json, bar, limbs }: NonNullable<Rule['over']>, meter: Meter): Result<FreeStroke[]> {
  const read = readGroove(json);
  if (!read.ok) return fail(problemAt('over', read.problems[0]!.say, 'Choose another groove.'));
  const one = read.value.bars[bar];
  if (!one)
    return fail(
      problemAt(
        'over',
        `“${read.value.title}” has no bar ${bar + 1}.`,
        `Choose a bar from 1 to ${read.value.bars.length}.`,
      ),
    );
  if (!equal(barLength(one.meter), barLength(meter)))
    return fail(
      problemAt(
        'over',
        barsDiffer(read.value, one.meter, meter),
        `Set the meter to ${formatMeter(one.meter)}, or choose another groove.`,
      ),
    );
  return ok(one.strokes.filter(({ limb }) => limbs.includes(limb)));
}

const barsDiffer = ({ title }: Groove, its: Meter, ours: Meter) =>
  `“${title}” is in ${formatMeter(its)}, the drill in ${formatMeter(ours)}.`;

const problemsOf = (error: z.ZodError, before: string[]): Problem[] =>
  error.issues.map((issue) => ({
    path: [...before, ...issue.path.map(String)],
    where: issue.path.join(' '),
    say: issue.message,
    remedy: '',
  }));
