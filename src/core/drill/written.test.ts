import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { schoolNamed, SCHOOLS } from '../counting/schools';
import { writeGroove } from '../documents/groove';
import { readWrittenDrill, writeWrittenDrill } from '../documents/writtenDrill';
import { barsThrough } from '../form/form';
import { schedule } from '../schedule/schedule';
import { emptyTake } from '../testing/takes';
import { verdictInWords } from '../wording/verdictInWords';
import { judge } from '../judging/verdict/judge';
import { formOfTake, readTake, writeTake } from '../documents/take';
import { simulateKit } from '../simulate/simulatedKit';
import { format } from '../time/fraction';
import { CLICK_PLANS } from '../time/clickPlan';
import { called, draws } from './caller';
import { makeDrill } from './drill';
import { exerciseInWords, exerciseOfBar, playedThrough } from '../form/exercises';
import { familyNamed } from './registry';
import { usualRule } from './rule';
import { type Rule } from '../documents/rule';
import { writeOut } from './written';

const rule = (family: string, params: Record<string, unknown> = {}, more: object = {}): Rule =>
  usualRule(familyNamed(family)!, { params, most: 1000, order: 'as generated', ...more });

describe('written out to be played', () => {
  const written = (one: Rule) => {
    const drill = makeDrill(one);
    if (!drill.ok) throw new Error('none');
    return writeOut(drill.value, one, 'Places');
  };

  test('each exercise has its bars once; repeats and rest are passages, and the whole can be kept', () => {
    const one = rule('placement', {}, { most: 4, repeats: 2, rest: 1, swing: { value: '16th', ratio: '2' } });
    const whole = written(one);
    if (!whole.ok) throw new Error('none');
    const { groove, passages } = whole.value;
    const played = playedThrough(whole.value);
    expect(played.bars.map(({ strokes }) => (strokes.length ? 'x' : '.')).join('')).toBe('xx.xx.xx.xx.');
    expect(groove.bars).toHaveLength(5);
    expect(passages.map(({ from, times, exercise }) => [from, times, exercise])).toEqual([
      [0, 2, 0],
      [1, 1, undefined],
      [2, 2, 1],
      [1, 1, undefined],
      [3, 2, 2],
      [1, 1, undefined],
      [4, 2, 3],
      [1, 1, undefined],
    ]);
    expect(groove.swing).toEqual({ value: '16th', ratio: '2' });
    const kept = JSON.parse(JSON.stringify(writeWrittenDrill(whole.value)));
    expect(readWrittenDrill(kept.drill, kept.groove)).toEqual(whole);
    expect([0, 1, 2].map((bar) => exerciseOfBar(passages, bar))).toEqual([
      { exercise: 0, bar: 0 },
      undefined,
      { exercise: 1, bar: 0 },
    ]);
  });

  test('one of version 1, its bars copied, is read as one of today', () => {
    const one = rule('placement', {}, { most: 2, repeats: 3, rest: 1 });
    const whole = written(one);
    if (!whole.ok) throw new Error('none');
    const parts = whole.value.exercises.map((exercise, index) => ({ ...exercise, from: 4 * index, bars: 1, times: 3 }));
    const old = { version: 1, rule: { ...one, version: 1 }, parts };
    const groove = writeGroove(playedThrough(whole.value));
    expect(readWrittenDrill(JSON.parse(JSON.stringify(old)), groove)).toEqual(whole);
    expect(readWrittenDrill({ version: 1, rule: one }, groove)).toMatchObject({ problems: [{ code: 'unreadable' }] });
    expect(readWrittenDrill(old, { version: 5 })).toMatchObject({ ok: false });
    expect(readWrittenDrill({ ...old, version: 7 }, groove)).toMatchObject({ problems: [{ code: 'newer-version' }] });
  });

  test('each school says its places its own way; what a family names is said as it is', () => {
    const said = (one: Rule, school: string) => {
      const whole = written(one);
      return whole.ok && [0, 1, 2].map((exercise) => exerciseInWords(whole.value, exercise, schoolNamed(school)));
    };
    expect(said(rule('placement'), 'takadimi')).toEqual(['count 1', 'the ka of 1', 'the di of 1']);
    expect(said(rule('sticking'), 'takadimi')).toEqual(['singles', 'doubles', 'single paradiddle']);
  });

  test('too long for one go is said, with what would work', () => {
    expect(written(rule('between', { where: 'every combination' }))).toMatchObject({
      ok: false,
      problems: [{ path: ['most'] }],
    });
  });
});

describe('the caller', () => {
  const one = rule('placement', {}, { caller: { pace: 2, calls: 12 } });
  const drill = makeDrill(one);
  const whole = drill.ok && writeOut(drill.value, one, 'Called');
  if (!whole || !whole.ok) throw new Error('none');
  const all = { range: whole.value.exercises.map((_, index) => index), pace: 2, calls: 12, seed: 9 };
  const school = SCHOOLS[0];

  test('draws never the same twice running, all of them in the long run, the same for the same seed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 20 }), fc.integer({ min: 1, max: 60 }), fc.nat(), (of, many, seed) => {
        const drawn = draws(of, many, seed);
        expect(drawn).toHaveLength(many);
        expect(drawn.every((place) => place >= 0 && place < of)).toBe(true);
        if (of > 1) expect(drawn.some((place, index) => index > 0 && place === drawn[index - 1])).toBe(false);
        expect(draws(of, many, seed)).toEqual(drawn);
      }),
    );
    expect(new Set(draws(5, 100, 3)).size).toBe(5);
  });

  test('the ground alone first, then a call for as many bars as the pace, each said in the bar before', () => {
    const drill = called(whole.value, all, school);
    const { groove, passages } = drill;
    expect(barsThrough(passages)).toBe(2 + 2 * 12);
    expect(passages[0]).toEqual({ from: 0, bars: 1, times: 2 });
    expect(groove.bars[0]!.strokes.some(({ limb }) => limb === 'right foot')).toBe(false);
    for (const { from, times, exercise, call } of passages.slice(1)) {
      expect(times).toBe(2);
      expect(call).toEqual(exerciseInWords(drill, exercise!, school).split(' '));
      const kick = groove.bars[from]!.strokes.find(({ limb }) => limb === 'right foot')!;
      expect(format(kick.at)).toBe(drill.exercises[exercise!]!.places[0]);
    }
    expect(called(whole.value, all, school)).toEqual(drill);
    expect(called(whole.value, { ...all, seed: 10 }, school).passages).not.toEqual(passages);
  });

  test('what is not named by its places is shown and not said', () => {
    const accents = rule('accents', { accents: 2 }, { caller: { pace: 1, calls: 4 } });
    const made = makeDrill(accents);
    const out = made.ok && writeOut(made.value, accents, 'Accents');
    if (!out || !out.ok) throw new Error('none');
    const { passages } = called(out.value, { ...all, range: [0, 1, 2] }, school);
    expect(passages.every(({ call }) => call === undefined)).toBe(true);
    expect(exerciseInWords(out.value, 0, school)).toMatch(/^2 in 4: \d \d$/);
  });

  test('only places of the range are called, and as often as is asked', () => {
    const { passages, exercises } = called(whole.value, { ...all, range: [2, 5] }, school);
    const places = passages.slice(1).map(({ exercise }) => exercises[exercise!]!.places[0]);
    expect(new Set(places)).toEqual(new Set(['1/8', '5/16']));
    expect(barsThrough(called(whole.value, { ...all, pace: 8, calls: 64 }, school).passages)).toBe(8 * 65);
  });

  test('exercises longer than a bar cannot be called, and it says so', () => {
    const long = rule('overlay', {}, { caller: { pace: 1, calls: 4 } });
    const made = makeDrill(long);
    expect(made.ok && writeOut(made.value, long, 'No')).toMatchObject({
      ok: false,
      problems: [{ path: ['caller'], say: '“3 over 4, home after 3 bars” is 3 bars long.' }],
    });
  });
});

describe('a drill that was played', () => {
  const whole = (one: Rule) => {
    const drill = makeDrill(one);
    const out = drill.ok && writeOut(drill.value, one, 'Places');
    if (!out || !out.ok) throw new Error('none');
    return out.value;
  };
  const { groove, passages, exercises } = whole(
    rule('placement', {}, { most: 4, picked: [0, 1, 2, 3], repeats: 4, rest: 1 }),
  );
  const take = emptyTake(groove, {
    passages,
    exercises,
    rounds: 1,
    bpm: 80,
    click: CLICK_PLANS.counts,
    task: ['right foot', 'right hand'],
  });
  const timed = schedule(formOfTake(take));
  const late = simulateKit({ form: formOfTake(take), timed }, take.task, {}, 1).map((hit) => {
    const bar = timed.bars.find(({ startMs, endMs }) => hit.ms >= startMs - 1 && hit.ms < endMs - 1)!;
    return bar.exercise === 2 && hit.limb === 'right foot' ? { ...hit, ms: hit.ms + 60 } : hit;
  });
  const judgement = judge({ ...take, playedMs: timed.endMs, hits: late }, 'advanced');

  test('is judged exercise by exercise; its repeats are one place', () => {
    expect(
      judgement.byExercise.map(({ exercise, matched, missed, extra }) => [exercise, matched, missed, extra]),
    ).toEqual([0, 1, 2, 3].map((exercise) => [exercise, 36, 0, 0]));
    expect(judgement.byExercise.map(({ meanErrorMs }) => Math.round(meanErrorMs!))).toEqual([0, 0, 7, 0]);
    expect(
      judgement.byPlace.filter(({ limb }) => limb === 'right foot').map(({ bar, matched }) => [bar, matched]),
    ).toEqual([0, 2, 3, 4].map((bar) => [bar, 4]));
  });

  test('the verdict names the exercise, not a bar that nobody counts', () => {
    expect(judgement.verdict).toMatchObject({ about: 'place', limb: 'right foot' });
    expect(verdictInWords(judgement.verdict, SCHOOLS[0]).say).toBe(
      'The & of 1 in exercise 3 in the right foot comes 60 ms late.',
    );
  });

  test('an exercise stopped before its end counts what was played; extra hits belong to theirs', () => {
    const half = judge(
      {
        ...take,
        playedMs: timed.bars.find(({ barInRun }) => barInRun === 7)!.startMs - 1,
        hits: [...late, { limb: 'right foot', ms: 300 }],
      },
      'advanced',
    );
    expect(half.byExercise.map(({ exercise, matched, missed, extra }) => [exercise, matched, missed, extra])).toEqual([
      [0, 36, 0, 1],
      [1, 18, 0, 0],
    ]);
  });

  test('is kept with its exercises; one that reaches beyond the groove is refused', () => {
    const kept = readTake(JSON.parse(JSON.stringify(writeTake(take))));
    expect(kept.ok && kept.value).toEqual(take);
    expect(readTake({ ...writeTake(take), passages: [{ ...passages[0]!, bars: 99 }] })).toMatchObject({
      ok: false,
      problems: [{ path: ['passages', 0] }],
    });
    expect(readTake({ ...writeTake(take), exercises: exercises.slice(1) })).toMatchObject({
      ok: false,
      problems: [{ code: 'no-such-exercise' }],
    });
  });
});
