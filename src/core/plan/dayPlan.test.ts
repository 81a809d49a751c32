import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { readDayPlan, WORK_KINDS } from '../documents/dayPlan';
import { LIMBS } from '../groove/limbs';
import { planDay, reordered, limbOverlap, without, type Work } from './dayPlan';

const GROOVE = '00000000-0000-4000-8000-000000000000';
const work = (key: string, kind: Work['kind'], more: Partial<Work> = {}): Work => ({
  key,
  kind,
  title: key,
  opens: { what: 'groove', id: GROOVE, bpm: 80 },
  why: { code: 'goes well' },
  load: {},
  least: 2,
  most: 3,
  urgency: 0,
  ...more,
});
const warm = work('warm', 'warm-up', { least: 1, most: 5 });
const treat = work('treat', 'to enjoy', { most: 6 });
const fresh = (key: string, urgency = 0) => work(key, 'new', { least: 4, most: 12, urgency });
const review = (key: string, urgency: number) => work(key, 'review', { urgency });
const minutesBy = (pieces: readonly { kind: string; minutes: number }[], kind: string) =>
  pieces.filter((one) => one.kind === kind).reduce((all, { minutes }) => all + minutes, 0);

describe('a practice of twenty minutes', () => {
  const { pieces } = planDay(20, [treat, fresh('a', 1), review('r', 3), review('s', 9), warm, fresh('b')]);

  test('is a warm-up, what is due, what is new, and something to enjoy at the end', () => {
    expect(pieces[0]!.key).toBe('warm');
    expect(pieces.at(-1)!.key).toBe('treat');
    expect(pieces.map(({ key }) => key).toSorted()).toEqual(['a', 'b', 'r', 's', 'treat', 'warm']);
    expect(pieces.reduce((all, { minutes }) => all + minutes, 0)).toBe(20);
  });

  test('gives reviews two fifths of what warm-up and treat leave at most, and the rest to what is new', () => {
    expect(minutesBy(pieces, 'warm-up')).toBe(2);
    expect(minutesBy(pieces, 'review')).toBe(6);
    expect(minutesBy(pieces, 'new')).toBe(9);
    expect(minutesBy(pieces, 'to enjoy')).toBe(3);
  });
});

test('a short practice has neither warm-up nor treat, and one review at least where one is due: that longest due', () => {
  const { pieces } = planDay(5, [warm, treat, fresh('a'), review('r', 1), review('s', 30)]);
  expect(pieces.map(({ key }) => key)).toEqual(['s', 'r']);
  expect(planDay(9, [warm, treat, fresh('a')]).pieces.map(({ key }) => key)).toEqual(['a']);
  expect(planDay(11, [warm, treat, fresh('a')]).pieces.map(({ key }) => key)).toEqual(['warm', 'a']);
});

test('where nothing is new the time goes to what is due', () => {
  const many = Array.from({ length: 9 }, (_, index) => review(`r${index}`, index));
  expect(minutesBy(planDay(20, many).pieces, 'review')).toBe(20);
});

test('what was left out by hand stays out', () => {
  const works = [fresh('a'), review('r', 1)];
  const left = without(planDay(20, works), 'r');
  expect(left).toMatchObject({ left: ['r'], pieces: [{ key: 'a' }] });
  expect(planDay(20, works, left.left).pieces.map(({ key }) => key)).toEqual(['a']);
});

test('limbs are given a rest: after a piece comes the one that asks least of what it tired', () => {
  const foot = (key: string) => work(key, 'review', { load: { 'right foot': 6 } });
  const hands = (key: string) => work(key, 'review', { load: { 'right hand': 8 } });
  const { pieces } = planDay(20, [foot('f1'), foot('f2'), hands('h1'), hands('h2')]);
  expect(pieces.map(({ key }) => key)).toEqual(['f1', 'h1', 'f2', 'h2']);
  expect(limbOverlap(pieces[0], pieces[1]!)).toBe(0);
  expect(limbOverlap(foot('f'), work('g', 'new', { load: { 'right foot': 4, 'left hand': 2 } }))).toBe(4);
});

test('it is put in another order by keys, and what has none named stays at the end', () => {
  const plan = planDay(20, [fresh('a'), fresh('b'), review('r', 1)]);
  expect(reordered(plan, ['b', 'gone', 'r']).pieces.map(({ key }) => key)).toEqual(['b', 'r', 'a']);
});

const works = fc
  .uniqueArray(
    fc.record({
      key: fc.stringMatching(/^[a-z]{1,6}$/),
      kind: fc.constantFrom(...WORK_KINDS),
      least: fc.integer({ min: 1, max: 5 }),
      over: fc.integer({ min: 0, max: 12 }),
      urgency: fc.integer({ min: -5, max: 40 }),
      load: fc.dictionary(fc.constantFrom(...LIMBS), fc.integer({ min: 0, max: 12 })),
    }),
    { selector: ({ key }) => key, maxLength: 40 },
  )
  .map((all) => all.map(({ over, key, kind, ...more }) => work(key, kind, { ...more, most: more.least + over })));
const time = fc.integer({ min: 5, max: 120 });

describe('whatever there is to practise', () => {
  test('it takes never more than the time there is, each piece what it can use, and is read again as it was written', () => {
    fc.assert(
      fc.property(works, time, (all, minutes) => {
        const plan = planDay(minutes, all);
        expect(plan.pieces.reduce((sum, one) => sum + one.minutes, 0)).toBeLessThanOrEqual(minutes);
        for (const piece of plan.pieces) {
          const { least, most } = all.find(({ key }) => key === piece.key)!;
          expect(piece.minutes).toBeGreaterThanOrEqual(least);
          expect(piece.minutes).toBeLessThanOrEqual(Math.max(least, most));
        }
        expect(readDayPlan(JSON.parse(JSON.stringify(plan)))).toEqual({ ok: true, value: plan });
      }),
    );
  });

  test('the same gives the same, in whatever order it is told', () => {
    fc.assert(
      fc.property(works, time, (all, minutes) => {
        expect(planDay(minutes, all.toReversed())).toEqual(planDay(minutes, all));
      }),
    );
  });

  test('nothing that is due is forgotten for ever: day after day each of them comes up', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 20 }), fc.integer({ min: 5, max: 40 }), (many, minutes) => {
        const overdue = new Map(Array.from({ length: many }, (_, index) => [`r${index}`, index % 3]));
        const seen = new Set<string>();
        for (let day = 0; day < many * 2; day++) {
          const due = [...overdue].map(([key, urgency]) => review(key, urgency));
          for (const { key, kind } of planDay(minutes, [...due, fresh('a'), warm, treat]).pieces)
            if (kind === 'review') {
              seen.add(key);
              // It was played, and is due again at once: the hardest case.
              overdue.set(key, -1);
            }
          for (const [key, days] of overdue) overdue.set(key, days + 1);
        }
        expect(seen.size).toBe(many);
      }),
    );
  });
});
