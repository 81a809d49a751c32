import { z } from 'zod';
import { MOST_BARS, type Groove } from '../documents/groove';
import { fail, ok, problemAt, type Result } from '../result';
import { format } from '../time/fraction';
import { barsOfFigure, type Drill } from './drill';
import { exercisesShape, type ExerciseBars } from '../form/exercises';
import { readyRule, ruleShape, type Rule } from './rule';

/** What a groove that plays a drill keeps of it: the rule it was written by, and its exercises. */
export const writtenShape = z.strictObject({ version: z.literal(1), rule: ruleShape, parts: exercisesShape });
export type WrittenDrill = z.output<typeof writtenShape>;

/** A drill written out to be played: these bars stay as they are, whatever becomes of its rule or the generator. */
export interface Written {
  groove: Groove;
  parts: ExerciseBars[];
}

/**
 * A drill as one groove to be played through: each exercise as often as the rule says, rest after it. Of a drill that is
 * called, the first bar is what goes on under the exercises, alone, and each exercise stands once: the caller draws from
 * them. Problems when it is too long for one groove, or when what is to be called is longer than a bar.
 */
export function writeOut(drill: Drill, rule: Rule, title: string): Result<Written> {
  return rule.caller ? toBeCalled(drill, rule, title) : inARow(drill, rule, title);
}

function inARow({ exercises }: Drill, rule: Rule, title: string): Result<Written> {
  const bars: Groove['bars'] = [];
  const parts: ExerciseBars[] = [];
  for (const { say, places, groove } of exercises) {
    parts.push({ ...named(say, places), from: bars.length, bars: groove.bars.length, times: rule.repeats });
    for (let time = 0; time < rule.repeats; time++) bars.push(...groove.bars);
    for (let rest = 0; rest < rule.rest; rest++) bars.push({ ...groove.bars.at(-1)!, strokes: [] });
  }
  return asOne(bars, parts, rule, title);
}

function toBeCalled({ exercises }: Drill, rule: Rule, title: string): Result<Written> {
  const long = exercises.find(({ groove }) => groove.bars.length > 1);
  if (long)
    return fail(
      problemAt(
        'caller',
        `“${long.say}” is ${long.groove.bars.length} bars long.`,
        'Only exercises of one bar can be called: choose another drill, or others of this one.',
      ),
    );
  const readied = readyRule(rule);
  if (!readied.ok) return readied;
  const { family, params, ground } = readied.value;
  const under = barsOfFigure(
    { say: '', bars: 1, strokes: [], alone: family.figure(params, ground, 0).alone },
    ground,
    rule,
  )!;
  const parts = exercises.map(({ say, places }, index): ExerciseBars => ({
    ...named(say, places),
    from: index + 1,
    bars: 1,
    times: 1,
  }));
  return asOne([...under, ...exercises.flatMap(({ groove }) => groove.bars)], parts, rule, title);
}

function asOne(bars: Groove['bars'], parts: ExerciseBars[], rule: Rule, title: string): Result<Written> {
  if (bars.length > MOST_BARS)
    return fail(
      problemAt(
        'most',
        `The drill is ${bars.length} bars long; ${MOST_BARS} can be played in one go.`,
        'Play fewer exercises at a time, or each less often.',
      ),
    );
  return ok({
    groove: {
      version: 1,
      title,
      reading: rule.reading,
      tempo: rule.goal,
      ...(rule.swing && { swing: rule.swing }),
      bars,
    },
    parts,
  });
}

const named = (say: string, places: Drill['exercises'][number]['places']) => ({
  say: places.length ? '' : say.slice(0, 200),
  places: places.map(format),
});
