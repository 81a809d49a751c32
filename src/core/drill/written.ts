import type { Rule } from '../documents/rule';
import type { WrittenDrill } from '../documents/writtenDrill';
import type { Passage } from '../form/form';
import type { Bar } from '../groove/groove';
import { MOST_BARS } from '../limits';
import { fail, ok, problemAt, type Result } from '../result';
import { format } from '../time/fraction';
import { barsOfFigure, type Drill } from './drill';
import { readyRule } from './rule';

/**
 * A drill as it is played through: each exercise as often as the rule says, rest after it; the bars of each stand once
 * in the groove. Of a drill that is called, the first bar is what goes on under the exercises, alone: the caller draws
 * from them. Problems when it has too many bars for one groove, or when what is to be called is longer than a bar.
 */
export function writeOut(drill: Drill, rule: Rule, title: string): Result<WrittenDrill> {
  return rule.caller ? toBeCalled(drill, rule, title) : inARow(drill, rule, title);
}

function inARow({ exercises }: Drill, rule: Rule, title: string): Result<WrittenDrill> {
  const bars: Bar[] = [];
  const passages: Passage[] = [];
  for (const [index, { groove }] of exercises.entries()) {
    // Each exercise has bars of its own, so that figures by place are its own; rests of one kind share theirs.
    passages.push({ from: bars.length, bars: groove.bars.length, times: rule.repeats, exercise: index });
    bars.push(...groove.bars);
    if (!rule.rest) continue;
    const rest = { ...groove.bars.at(-1)!, strokes: [] };
    passages.push({ from: placeOf(rest, bars) ?? bars.push(rest) - 1, bars: 1, times: rule.rest });
  }
  return asOne(bars, passages, exercises, rule, title);
}

/** Where a bar of rest stands already. */
function placeOf(rest: Bar, bars: readonly Bar[]): number | undefined {
  const key = JSON.stringify(rest);
  const found = bars.findIndex((bar) => !bar.strokes.length && JSON.stringify(bar) === key);
  return found < 0 ? undefined : found;
}

function toBeCalled({ exercises }: Drill, rule: Rule, title: string): Result<WrittenDrill> {
  const long = exercises.find(({ groove }) => groove.bars.length > 1);
  if (long)
    return fail(
      problemAt(
        'caller',
        'too-long-to-call',
        `“${long.say}” is ${long.groove.bars.length} bars long.`,
        'Only exercises of one bar can be called: choose another drill, or others of this one.',
        { bars: long.groove.bars.length },
      ),
    );
  const ready = readyRule(rule);
  if (!ready.ok) return ready;
  const { family, params, ground } = ready.value;
  const under = barsOfFigure(
    { say: '', bars: 1, strokes: [], alone: family.figure(params, ground, 0).alone },
    ground,
    rule,
  )!;
  const bars = [...under, ...exercises.flatMap(({ groove }) => groove.bars)];
  const passages: Passage[] = [
    { from: 0, bars: 1, times: 1 },
    ...exercises.map((_, exercise): Passage => ({ from: exercise + 1, bars: 1, times: 1, exercise })),
  ];
  return asOne(bars, passages, exercises, rule, title);
}

function asOne(
  bars: Bar[],
  passages: Passage[],
  exercises: Drill['exercises'],
  rule: Rule,
  title: string,
): Result<WrittenDrill> {
  if (bars.length > MOST_BARS)
    return fail(
      problemAt(
        'most',
        'too-many-bars',
        `The exercises have ${bars.length} bars; a drill holds ${MOST_BARS}.`,
        'Play fewer exercises at a time.',
        { bars: bars.length, most: MOST_BARS },
      ),
    );
  return ok({
    rule,
    groove: {
      version: 1,
      title,
      reading: rule.reading,
      tempo: rule.goal,
      ...(rule.swing && { swing: rule.swing }),
      bars,
    },
    passages,
    exercises: exercises.map(({ say, places }) => ({
      say: places.length ? '' : say.slice(0, 200),
      places: places.map(format),
    })),
  });
}
