import { describe, expect, test } from 'vitest';
import { SCHOOLS } from '@/core/count/schools';
import { makeDrill } from '@/core/drill/drill';
import { onlyExercises } from '@/core/form/exercises';
import { familyNamed } from '@/core/drill/registry';
import { usualRule } from '@/core/drill/rule';
import { writeOut } from '@/core/drill/written';
import { strokesOf } from '@/core/groove/place';
import { schedule } from '@/core/schedule/schedule';
import { judge } from '@/core/take/judge';
import { runOf, type Take } from '@/core/documents/take';
import { simulateKit } from '@/core/take/simulatedKit';
import { format } from '@/core/time/fraction';
import { faultsOf } from '@/ui/take/faults';
import { glanceOf } from '@/ui/strip/glance';
import { drillInWords } from '@/ui/words/grooves';
import { plannedRun } from './performance';
import { firstSettings, type RoomSettings } from './settings';
import { chosenOf } from './useProgramme';
import { stageAt } from './useStage';

function drill(more: object = {}) {
  const rule = usualRule(familyNamed('placement')!, { order: 'as generated', most: 16, ...more });
  const made = makeDrill(rule);
  const written = made.ok && writeOut(made.value, rule, 'Posts');
  if (!written || !written.ok) throw new Error('none');
  return { rule, ...written.value };
}
const places = (groove: ReturnType<typeof drill>['groove']) =>
  strokesOf(groove).flatMap(({ limb, at }) => (limb === 'right foot' ? [format(at)] : []));
const school = SCHOOLS[0];

describe('what a drill sets in the room', () => {
  test('its click and one round of it; called when it was made for that; what was set as homework comes first', () => {
    const { groove, parts, rule } = drill({ click: '2 and 4' });
    expect(firstSettings(groove, undefined, { parts, rule })).toMatchObject({
      way: 'through',
      length: { rounds: 1 },
      click: { kind: 'on', counts: [2, 4] },
    });
    expect(firstSettings(groove, { tempo: 60, click: 'silent' }, { parts, rule })).toMatchObject({
      bpm: 60,
      click: { kind: 'silent' },
    });
    const called = drill({ caller: { pace: 4, calls: 8 } });
    expect(firstSettings(called.groove, undefined, called)).toMatchObject({
      way: 'called',
      caller: { pace: 4, calls: 8, same: false },
      range: called.parts.map((_, index) => index),
    });
  });

  const settings = (more: Partial<RoomSettings>): RoomSettings => ({
    ...firstSettings(drill().groove),
    range: [0, 1],
    ...more,
  });

  test('only the exercises chosen are played, each with the rest after it', () => {
    const { groove, parts } = drill({ repeats: 2, rest: 1 });
    const chosen = chosenOf({ groove, parts }, settings({ range: [1, 4] }), school, 1);
    expect(chosen.groove.bars.map(({ strokes }) => strokes.length > 0)).toEqual([true, true, false, true, true, false]);
    expect(chosen.parts!.map(({ from, places: [at] }) => [from, at])).toEqual([
      [0, '1/16'],
      [3, '1/4'],
    ]);
    expect(
      onlyExercises(
        { groove, parts },
        parts.map((_, index) => index),
      ),
    ).toEqual({ groove, parts });
  });

  test('called: the same seed the same groove, another one another; through, the ground is not played alone', () => {
    const { groove, parts } = drill({ caller: { pace: 1, calls: 8 } });
    const way = { way: 'called' as const, range: [0, 3, 6, 9], caller: { pace: 1, calls: 8, same: false } };
    const [one, again, other] = [5, 5, 6].map((seed) => chosenOf({ groove, parts }, settings(way), school, seed));
    expect(again).toEqual(one);
    expect(other!.calls).not.toEqual(one!.calls);
    expect(new Set(one!.parts!.map(({ places: [at] }) => at))).toEqual(
      new Set(['0', '3/16', '3/8', '9/16'].filter((at) => one!.parts!.some((part) => part.places[0] === at))),
    );
    const run = plannedRun({ school, voices: {}, ...one! }, settings({ ...way, length: { rounds: 1 } }));
    const words = schedule(run).sounds.filter(({ kind }) => kind === 'word');
    expect(words.length).toBe(one!.calls!.flatMap((call) => call.words).length);
    // In order of the drill and without the bar before the first call.
    const through = chosenOf({ groove, parts }, settings({ range: parts.map((_, index) => index) }), school, 1);
    expect(places(through.groove)).toHaveLength(16);
    expect(through.groove.bars).toHaveLength(16);
  });

  test('a lean holds for the exercises too', () => {
    const { groove, parts } = drill();
    expect(chosenOf({ groove, parts }, settings({ lean: { 'right foot': 12 } }), school, 1).groove.lean).toEqual({
      'right foot': 12,
    });
  });
});

test('the stage knows which exercise is on and which comes next, in a rest only the next, at the end only the last', () => {
  const { parts } = drill({ repeats: 2, rest: 1, most: 16 });
  expect(stageAt(parts, 0)).toEqual({ now: 0, next: { part: 1, inBars: 3 } });
  expect(stageAt(parts, 1)).toEqual({ now: 0, next: { part: 1, inBars: 2 } });
  expect(stageAt(parts, 2)).toEqual({ now: undefined, next: { part: 1, inBars: 1 } });
  expect(stageAt(parts, 46)).toEqual({ now: 15 });
});

test('an exercise says in a few words what is to fix in it', () => {
  const { groove, parts } = drill({ repeats: 4 });
  const take: Take = {
    version: 1,
    groove,
    tempo: [{ fromBar: 0, bpm: 80 }],
    click: { kind: 'silent' },
    countIn: 1,
    rounds: 1,
    task: ['right foot'],
    parts,
    input: 'keys',
    playedMs: 1e6,
    hits: [],
  };
  const timed = schedule(runOf(take));
  const bar = (ms: number) => timed.bars.findLast(({ startMs }) => startMs <= ms + 5)!.bar;
  const hits = simulateKit(timed, take.task, {}, 3)
    .filter(({ ms }) => bar(ms) !== 4)
    .map((hit) => (bar(hit.ms) >= 8 && bar(hit.ms) < 12 ? { ...hit, ms: hit.ms + 200 } : hit));
  const { byPart, toleranceMs } = judge({ ...take, playedMs: timed.endMs, hits }, 'advanced');
  expect(byPart.slice(0, 4).map((one) => faultsOf(one, toleranceMs))).toEqual(['', '1 of 4 missed', '200 ms late', '']);
});

test('among other things a drill shows its first exercises, each once, and says how many there are', () => {
  const { groove, parts, rule } = drill({ repeats: 4 });
  expect(places(glanceOf({ groove, drill: { parts } }))).toEqual(['0', '17/16', '17/8', '51/16']);
  expect(glanceOf({ groove })).toBe(groove);
  expect(drillInWords({ rule, parts })).toBe('16 exercises, each 4 times');
  const called = drill({ caller: { pace: 1, calls: 8 } });
  expect(drillInWords(called)).toBe('16 exercises, called at random every bar');
});
