import { describe, expect, test } from 'vitest';
import { makeDrill } from '@/core/drill/drill';
import { familyNamed } from '@/core/drill/registry';
import { usualRule } from '@/core/drill/rule';
import { writeOut } from '@/core/drill/written';
import { formOfTake } from '@/core/documents/take';
import { onlyExercises, playedThrough } from '@/core/form/exercises';
import { strokesOf } from '@/core/groove/place';
import { schedule } from '@/core/schedule/schedule';
import { judge } from '@/core/judging/verdict/judge';
import { simulateKit } from '@/core/simulate/simulatedKit';
import { emptyTake } from '@/core/testing/takes';
import { format } from '@/core/time/fraction';
import { glanceOf } from '@/ui/strip/glance';
import { faultsOf } from '@/ui/take/faults';
import { drillFactsOf, drillInWords } from '@/ui/words/grooves';
import { firstSettings } from './settings';
import { stageAt } from './useStage';

function drill(more: object = {}) {
  const rule = usualRule(familyNamed('placement')!, { order: 'as generated', most: 16, ...more });
  const made = makeDrill(rule);
  const written = made.ok && writeOut(made.value, rule, 'Posts');
  if (!written || !written.ok) throw new Error('none');
  return written.value;
}
const places = (groove: ReturnType<typeof drill>['groove']) =>
  strokesOf(groove).flatMap(({ limb, at }) => (limb === 'right foot' ? [format(at)] : []));

describe('what a drill sets in the room', () => {
  test('its click and one round of it; called when it was made for that; what was set as homework comes first', () => {
    const made = drill({ click: '2 and 4' });
    expect(firstSettings(made.groove, undefined, made)).toMatchObject({
      way: 'through',
      length: { rounds: 1 },
      click: { kind: 'on', counts: [2, 4] },
    });
    expect(firstSettings(made.groove, { tempo: 60, click: 'silent' }, made)).toMatchObject({
      bpm: 60,
      click: { kind: 'silent' },
    });
    const called = drill({ caller: { pace: 4, calls: 8 } });
    expect(firstSettings(called.groove, undefined, called)).toMatchObject({
      way: 'called',
      caller: { pace: 4, calls: 8, same: false },
      range: called.exercises.map((_, index) => index),
    });
  });

  test('only the exercises chosen are played, each with the rest after it', () => {
    const made = drill({ repeats: 2, rest: 1 });
    const chosen = onlyExercises(made, [1, 4]);
    expect(playedThrough(chosen).bars.map(({ strokes }) => strokes.length > 0)).toEqual([
      true,
      true,
      false,
      true,
      true,
      false,
    ]);
    expect(chosen.passages.flatMap(({ exercise }) => exercise ?? [])).toEqual([1, 4]);
    expect(
      onlyExercises(
        made,
        made.exercises.map((_, index) => index),
      ),
    ).toEqual(made);
  });

  test('of one that is called, played through, the ground is not played alone', () => {
    const made = drill({ caller: { pace: 1, calls: 8 } });
    const through = playedThrough(
      onlyExercises(
        made,
        made.exercises.map((_, index) => index),
      ),
    );
    expect(places(through)).toHaveLength(16);
    expect(through.bars).toHaveLength(16);
  });
});

test('the stage knows which exercise is on and which comes next, in a rest only the next, at the end only the last', () => {
  const { passages } = drill({ repeats: 2, rest: 1, most: 16 });
  expect(stageAt(passages, 0)).toEqual({ now: 0, at: 0, bar: 0, next: { exercise: 1, inBars: 3 } });
  expect(stageAt(passages, 1)).toEqual({ now: 0, at: 1, bar: 0, next: { exercise: 1, inBars: 2 } });
  expect(stageAt(passages, 2)).toEqual({ now: undefined, at: 2, bar: 1, next: { exercise: 1, inBars: 1 } });
  expect(stageAt(passages, 46)).toEqual({ now: 15, at: 46, bar: 16 });
  // Gone through again, it begins again.
  expect(stageAt(passages, 48)).toEqual(stageAt(passages, 0));
});

test('an exercise says in a few words what is to fix in it', () => {
  const { groove, passages, exercises } = drill({ repeats: 4 });
  const take = emptyTake(groove, {
    passages,
    exercises,
    bpm: 80,
    click: { kind: 'silent' },
    rounds: 1,
    task: ['right foot'],
  });
  const timed = schedule(formOfTake(take));
  const bar = (ms: number) => timed.bars.findLast(({ startMs }) => startMs <= ms + 5)!.barInRun;
  const hits = simulateKit({ form: formOfTake(take), timed }, take.task, {}, 3)
    .filter(({ ms }) => bar(ms) !== 4)
    .map((hit) => (bar(hit.ms) >= 8 && bar(hit.ms) < 12 ? { ...hit, ms: hit.ms + 200 } : hit));
  const { byExercise, toleranceMs } = judge({ ...take, playedMs: timed.endMs, hits }, 'advanced');
  expect(byExercise.slice(0, 4).map((one) => faultsOf(one, toleranceMs))).toEqual([
    '',
    '1 of 4 missed',
    '200 ms late',
    '',
  ]);
});

test('among other things a drill shows its first exercises, each once, and says how many there are', () => {
  const made = drill({ repeats: 4 });
  expect(places(glanceOf({ groove: made.groove, drill: made }))).toEqual(['0', '17/16', '17/8', '51/16']);
  expect(glanceOf({ groove: made.groove })).toBe(made.groove);
  // Of a chart some bars, since all its sections have their own.
  const chart = { form: {}, bars: 1, seconds: 1, ...made } as never;
  expect(glanceOf({ groove: made.groove, chart }).bars).toHaveLength(4);
  expect(drillInWords(drillFactsOf(made))).toBe('16 exercises, each 4 times');
  const called = drill({ caller: { pace: 1, calls: 8 } });
  expect(drillInWords(drillFactsOf(called))).toBe('16 exercises, called at random every bar');
});
