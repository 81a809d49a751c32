import { z } from 'zod';
import type { ExerciseName, Exercises } from '../form/exercises';
import { MOST_BARS } from '../limits';
import { fail, ok, within, type Result } from '../result';
import { compacted } from './copiedBars';
import { readGroove, writeGroove, type GrooveJson } from './groove';
import { readVersioned } from './reader';
import { readRule, type Rule } from './rule';
import { exerciseNamesShape, passageProblems, passagesShape } from './take';

const WRITTEN_DRILL_VERSION = 2;

const writtenShape = z.strictObject({
  version: z.literal(WRITTEN_DRILL_VERSION),
  rule: z.unknown(),
  passages: passagesShape,
  exercises: exerciseNamesShape,
});
const copiedShape = z.array(
  z.strictObject({
    say: z.string().max(200),
    places: z.array(z.string().max(20)).max(256),
    from: z.number().int().min(0).max(MOST_BARS),
    bars: z.number().int().min(1).max(MOST_BARS),
    times: z.number().int().min(1).max(MOST_BARS),
  }),
);

/** A drill written out to be played: these bars stay as they are, whatever becomes of its rule or the generator. */
export interface WrittenDrill extends Exercises {
  rule: Rule;
}

/** What is kept beside the groove of a written drill. */
export interface WrittenDrillJson {
  version: typeof WRITTEN_DRILL_VERSION;
  rule: Rule;
  passages: Exercises['passages'];
  exercises: ExerciseName[];
}

/**
 * Reads a written drill from what is kept of it and from its groove; one of version 1 has its copied bars laid
 * together.
 */
export function readWrittenDrill(json: unknown, grooveJson: unknown): Result<WrittenDrill> {
  let groove = grooveJson;
  const kept = readVersioned(json, {
    name: 'drill',
    version: WRITTEN_DRILL_VERSION,
    shape: writtenShape,
    migrations: {
      // Version 1 copied the bars of an exercise as often as it was played.
      1: ({ rule, parts }) => {
        const { bars, ...rest } = grooveJson as GrooveJson;
        const { bars: once, passages, exercises } = compacted(bars, copiedShape.parse(parts));
        groove = { ...rest, bars: once };
        return { version: 2, rule, passages, exercises };
      },
    },
  });
  if (!kept.ok) return kept;
  const rule = readRule(kept.value.rule);
  if (!rule.ok) return fail(...within(['rule'], rule.problems));
  const read = readGroove(groove);
  if (!read.ok) return fail(...within(['groove'], read.problems));
  const { passages, exercises } = kept.value;
  const problems = passageProblems(passages, read.value.bars.length, exercises.length);
  return problems.length ? fail(...problems) : ok({ rule: rule.value, groove: read.value, passages, exercises });
}

/** What is kept of a written drill: beside its groove, the rule it came from and how its bars are gone through. */
export function writeWrittenDrill({ rule, groove, passages, exercises }: WrittenDrill): {
  groove: GrooveJson;
  drill: WrittenDrillJson;
} {
  return { groove: writeGroove(groove), drill: { version: WRITTEN_DRILL_VERSION, rule, passages, exercises } };
}
