import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { schoolNamed, SCHOOLS } from '../count/schools';
import { MOST_BARS, readGroove, writeGroove } from '../documents/groove';
import { CALL_WORD_MS, schedule } from '../schedule/schedule';
import { judge } from '../take/judge';
import { readTake, runOf, writeTake, type Take } from '../documents/take';
import { simulateKit } from '../take/simulatedKit';
import { format } from '../time/fraction';
import { CLICK_PLANS } from '../time/clickPlan';
import { steady } from '../time/tempoMap';
import { called, draws } from './caller';
import { makeDrill } from './drill';
import { exerciseAt, exerciseInWords, exercisesShape } from '../form/exercises';
import { familyNamed } from './registry';
import { usualRule, type Rule } from './rule';
import { writeOut } from './written';

const rule = (family: string, params: Record<string, unknown> = {}, more: object = {}): Rule =>
  usualRule(familyNamed(family)!, { params, most: 1000, order: 'as generated', ...more });

describe('written out to be played', () => {
  const written = (one: Rule) => {
    const drill = makeDrill(one);
    if (!drill.ok) throw new Error('none');
    return writeOut(drill.value, one, 'Places');
  };

  test('as one groove: repeats and rest are there, each part knows its bars, and the whole can be kept', () => {
    const whole = written(
      rule('placement', {}, { most: 4, repeats: 2, rest: 1, swing: { value: '16th', ratio: '2' } }),
    );
    if (!whole.ok) throw new Error('none');
    const { groove, parts } = whole.value;
    expect(groove.bars.map(({ strokes }) => (strokes.length ? 'x' : '.')).join('')).toBe('xx.xx.xx.xx.');
    expect(parts.map(({ from, bars, times }) => [from, bars, times])).toEqual([0, 3, 6, 9].map((from) => [from, 1, 2]));
    expect(groove.swing).toEqual({ value: '16th', ratio: '2' });
    expect(readGroove(JSON.parse(JSON.stringify(writeGroove(groove)))).ok).toBe(true);
    expect([0, 1, 2, 4].map((bar) => exerciseAt(parts, bar))).toEqual([
      { index: 0, bar: 0 },
      { index: 0, bar: 0 },
      undefined,
      { index: 1, bar: 0 },
    ]);
    expect(exercisesShape.safeParse(JSON.parse(JSON.stringify(parts))).data).toEqual(parts);
  });

  test('each school says its places its own way; what a family names is said as it is', () => {
    const said = (one: Rule, school: string) => {
      const whole = written(one);
      return (
        whole.ok &&
        whole.value.parts.slice(0, 3).map((part) => exerciseInWords(part, whole.value.groove, schoolNamed(school)))
      );
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
  const all = { range: whole.value.parts.map((_, index) => index), pace: 2, calls: 12, seed: 9 };
  const school = SCHOOLS[0]!;

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
    const { groove, parts, calls } = called(whole.value, all, school);
    expect(groove.bars).toHaveLength(2 + 2 * 12);
    expect(
      groove.bars.slice(0, 2).map((bar) => bar.strokes.filter(({ limb }) => limb === 'right foot').length),
    ).toEqual([0, 0]);
    for (const [index, part] of parts.entries()) {
      expect(part).toMatchObject({ from: 2 * (index + 1), bars: 1, times: 2 });
      expect(calls[index]).toEqual({ bar: part.from, words: exerciseInWords(part, groove, school).split(' ') });
      const kick = groove.bars[part.from]!.strokes.find(({ limb }) => limb === 'right foot')!;
      expect(format(kick.at)).toBe(part.places[0]);
    }
    expect(called(whole.value, all, school)).toEqual({ groove, parts, calls });
    expect(called(whole.value, { ...all, seed: 10 }, school).calls).not.toEqual(calls);
  });

  test('what is not named by its places is shown and not said', () => {
    const accents = rule('accents', { accents: 2 }, { caller: { pace: 1, calls: 4 } });
    const made = makeDrill(accents);
    const out = made.ok && writeOut(made.value, accents, 'Accents');
    if (!out || !out.ok) throw new Error('none');
    const { parts, calls } = called(out.value, { ...all, range: [0, 1, 2] }, school);
    expect(calls.every(({ words }) => words.length === 0)).toBe(true);
    expect(exerciseInWords(parts[0]!, out.value.groove, school)).toMatch(/^2 in 4: \d \d$/);
  });

  test('only places of the range are called; never more bars than a groove holds', () => {
    const { parts } = called(whole.value, { ...all, range: [2, 5] }, school);
    expect(new Set(parts.map(({ places }) => places[0]))).toEqual(new Set(['1/8', '5/16']));
    expect(called(whole.value, { ...all, pace: 8, calls: 64 }, school).groove.bars.length).toBeLessThanOrEqual(
      MOST_BARS,
    );
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
  const { groove, parts } = whole(rule('placement', {}, { most: 4, picked: [0, 1, 2, 3], repeats: 4, rest: 1 }));
  const take: Take = {
    version: 1,
    groove,
    tempo: [{ fromBar: 0, bpm: 80 }],
    click: CLICK_PLANS.counts,
    countIn: 1,
    rounds: 1,
    task: ['right foot', 'right hand'],
    parts,
    input: 'simulated kit',
    playedMs: 1e6,
    hits: [],
  };
  const timed = schedule(runOf(take));
  const late = simulateKit(timed, take.task, {}, 1).map((hit) => {
    const bar = timed.bars.find(({ startMs, endMs }) => hit.ms >= startMs - 1 && hit.ms < endMs - 1)!.bar;
    return exerciseAt(parts, bar)?.index === 2 && hit.limb === 'right foot' ? { ...hit, ms: hit.ms + 60 } : hit;
  });
  const judgement = judge({ ...take, playedMs: timed.endMs, hits: late }, 'advanced');

  test('is judged exercise by exercise; its repeats are one place', () => {
    expect(judgement.byPart.map(({ part, matched, missed, extra }) => [part, matched, missed, extra])).toEqual(
      [0, 1, 2, 3].map((part) => [part, 36, 0, 0]),
    );
    expect(judgement.byPart.map(({ meanErrorMs }) => Math.round(meanErrorMs!))).toEqual([0, 0, 7, 0]);
    expect(
      judgement.byPlace.filter(({ limb }) => limb === 'right foot').map(({ bar, matched }) => [bar, matched]),
    ).toEqual([0, 5, 10, 15].map((bar) => [bar, 4]));
  });

  test('the verdict names the exercise, not a bar that nobody counts', () => {
    expect(judgement.verdict).toMatchObject({
      about: 'place',
      say: 'The & of 1 in exercise 3 in the right foot comes 60 ms late.',
      limb: 'right foot',
    });
  });

  test('an exercise stopped before its end counts what was played; extra hits belong to theirs', () => {
    const half = judge(
      {
        ...take,
        playedMs: timed.bars.find(({ bar, barInRun }) => barInRun >= 0 && bar === 7)!.startMs - 1,
        hits: [...late, { limb: 'right foot', ms: 300 }],
      },
      'advanced',
    );
    expect(half.byPart.map(({ part, matched, missed, extra }) => [part, matched, missed, extra])).toEqual([
      [0, 36, 0, 1],
      [1, 18, 0, 0],
    ]);
  });

  test('is kept with its exercises; one that reaches beyond the groove is refused', () => {
    const kept = readTake(JSON.parse(JSON.stringify(writeTake(take))));
    expect(kept.ok && kept.value).toEqual(take);
    expect(readTake({ ...writeTake(take), parts: [{ ...parts[0]!, times: 99 }] })).toMatchObject({
      ok: false,
      problems: [{ path: ['parts', 0] }],
    });
  });

  test('a call is spoken from the bar line before, word after word; where a bar is too short it is only shown', () => {
    const run = {
      groove,
      click: CLICK_PLANS.silent,
      countIn: 1,
      rounds: 1,
      calls: [
        { bar: 0, words: ['count', '1'] },
        { bar: 5, words: ['the', 'e', 'of', '1'] },
      ],
    };
    const words = (bpm: number) => {
      const { sounds, unspoken } = schedule({ ...run, tempo: steady(bpm, { n: 1, d: 4 }) });
      return {
        said: sounds.flatMap((one) => (one.kind === 'word' ? [[one.say, Math.round(one.ms), one.barInRun]] : [])),
        unspoken,
      };
    };
    expect(words(80)).toEqual({
      said: [
        ['count', -3000, -1],
        ['1', -3000 + CALL_WORD_MS, -1],
        ...['the', 'e', 'of', '1'].map((word, index) => [word, 12_000 + index * CALL_WORD_MS, 4]),
      ],
      unspoken: 0,
    });
    // A bar of 4/4 at 320 would last 750 ms: two words fit, four do not.
    expect(words(320)).toMatchObject({ unspoken: 4 });
  });
});
