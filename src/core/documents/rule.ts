import { z } from 'zod';
import { tokensOf } from '../phrase/tokens';
import { LIMBS, usualLimb } from '../groove/limbs';
import { MOST_FAMILY_NAME } from '../limits';
import type { Result } from '../result';
import { CLICK_PLAN_NAMES, type ClickPlanName } from '../time/clickPlan';
import { ladderShape } from './climb';
import { readVersioned, type DocumentKind } from './reader';
import { swingShape, tempoShape } from './shapes';

const RULE_VERSION = 2;

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
  version: z.literal(RULE_VERSION),
  family: z.string().max(MOST_FAMILY_NAME),
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
  /**
   * The click it is practised to, and the tempos it is climbed through; the usual ladder up to the goal when left
   * out.
   */
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
export type RuleJson = z.input<typeof ruleShape>;

const RULE: DocumentKind<Rule> = {
  name: 'drill',
  version: RULE_VERSION,
  shape: ruleShape,
  migrations: { 1: fromVersion1 },
};

/** Reads the rule of a drill from JSON; whether its family can make anything of it, `readyRule` says. */
export const readRule = (json: unknown): Result<Rule> => readVersioned(json, RULE);

/** A rule whose left-out values are the usual ones. Throws where the change is no rule: a programmer's mistake. */
export const ruleOf = (change: Omit<RuleJson, 'version'>): Rule =>
  ruleShape.parse({ version: RULE_VERSION, ...change });

/**
 * Version 1 let the left hand play every surface of an ostinato but hat, ride, kick and pedal when no limb was named.
 * It is named now, so that old rules go on making the same bars.
 */
function fromVersion1(old: Record<string, unknown>): unknown {
  const { ostinato } = old;
  return { ...old, version: 2, ...(typeof ostinato === 'string' && { ostinato: withLimbs(ostinato) }) };
}

function withLimbs(ostinato: string): string {
  const named = ostinato.split(/([,;])/).map((line) => {
    const tokens = tokensOf(line);
    const surface = tokens.find((token) => token.kind === 'surface');
    if (!surface || tokens.some(({ kind }) => kind === 'limb')) return line;
    const asBefore = ['right hand', 'right foot', 'left foot'].includes(usualLimb(surface.surface));
    const wasRight = ['closed hat', 'open hat', 'ride', 'ride bell', 'kick', 'hat pedal'].includes(surface.surface);
    return asBefore && !wasRight ? line.replace(/^\s*/, (blank) => `${blank}left hand `) : line;
  });
  return named.join('').slice(0, 200);
}
