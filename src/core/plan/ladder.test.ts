import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { afterTake, bpmAt, FIRST_STANDING, loudnessAt, move, resumed, rungsOf, usualClimb } from './ladder';
import { readLadder, type Ladder, type Standing } from '../documents/climb';

const ladder: Ladder = {
  start: 60,
  goal: 70,
  step: 4,
  length: { unit: 'bars', many: 8 },
  rule: { by: 'takes', climb: 2, fall: 3 },
  loudnesses: false,
};

/** Takes one after another, c clean and x not, from a standing. */
const played = (takes: string, on = ladder, from: Standing = FIRST_STANDING) =>
  [...takes].reduce((before, take) => afterTake(on, before.standing, take === 'c'), {
    standing: from,
    move: 'stays',
  } as ReturnType<typeof afterTake>);

describe('the rungs', () => {
  test('go from start to goal, the last step as long as is left; up or down, or one alone', () => {
    expect(rungsOf(ladder)).toEqual([60, 64, 68, 70]);
    expect(rungsOf({ start: 60, goal: 68, step: 4 })).toEqual([60, 64, 68]);
    expect(rungsOf({ start: 70, goal: 60, step: 4 })).toEqual([70, 66, 62, 60]);
    expect(rungsOf({ start: 60, goal: 60, step: 4 })).toEqual([60]);
    expect(rungsOf({ start: 60, goal: 61.5, step: 1 })).toEqual([60, 61, 61.5]);
  });

  test('always begin and end where they should, and never step farther than a step', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 300 }),
        fc.integer({ min: 20, max: 300 }),
        fc.integer({ min: 1, max: 40 }),
        (start, goal, step) => {
          const rungs = rungsOf({ start, goal, step });
          expect([rungs[0], rungs.at(-1)]).toEqual([start, goal]);
          for (let index = 1; index < rungs.length; index++) {
            const by = (rungs[index]! - rungs[index - 1]!) * Math.sign(goal - start);
            expect(by).toBeGreaterThan(0);
            expect(by).toBeLessThanOrEqual(step + 1e-9);
          }
        },
      ),
    );
  });
});

describe('climbing', () => {
  test('two clean in a row climb; one that is not begins the count again', () => {
    expect(played('c')).toMatchObject({ move: 'stays', standing: { rung: 0, clean: 1 } });
    expect(played('cc')).toMatchObject({ move: 'climbs', standing: { rung: 1, clean: 0 } });
    expect(played('cxc')).toMatchObject({ move: 'stays', standing: { rung: 0, clean: 1, failed: 0 } });
  });

  test('three that are not fall back a rung, and nobody falls off the lowest', () => {
    expect(played('ccxxx')).toMatchObject({ move: 'falls back', standing: { rung: 0 } });
    expect(played('ccxxcxx')).toMatchObject({ standing: { rung: 1, failed: 2 } });
    expect(played('xxx')).toMatchObject({ move: 'stays', standing: { rung: 0, failed: 0 } });
  });

  test('the goal played clean is arrived at', () => {
    expect(played('cccccccc')).toMatchObject({ move: 'arrived', standing: { rung: 3, done: true } });
    expect(bpmAt(ladder, played('cccccccc').standing)).toBe(70);
  });

  test('soft, middle, loud come before the next tempo, and falling goes back through them', () => {
    const loud = { ...ladder, loudnesses: true, rule: { by: 'takes' as const, climb: 1, fall: 1 } };
    expect(played('c', loud)).toMatchObject({ move: 'louder', standing: { rung: 0, loudness: 1 } });
    expect(loudnessAt(loud, played('cc', loud).standing)).toBe('loud');
    expect(played('ccc', loud)).toMatchObject({ move: 'climbs', standing: { rung: 1, loudness: 0 } });
    expect(played('ccx', loud)).toMatchObject({ move: 'falls back', standing: { rung: 0, loudness: 1 } });
    expect(played('cccx', loud)).toMatchObject({ move: 'falls back', standing: { rung: 0, loudness: 0 } });
    expect(loudnessAt(ladder, FIRST_STANDING)).toBe('middle');
  });

  test('by hand only the player moves, within the ladder', () => {
    const hand: Ladder = { ...ladder, rule: { by: 'hand' } };
    expect(played('ccccxxxx', hand)).toMatchObject({ move: 'stays', standing: FIRST_STANDING });
    expect(move(hand, FIRST_STANDING, -1).rung).toBe(0);
    expect(move(hand, { ...FIRST_STANDING, rung: 99 }, 1).rung).toBe(3);
  });

  test('whatever is played, one stands on a rung that is there', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: fc.constantFrom('c', 'x'), maxLength: 60 }),
        fc.boolean(),
        fc.integer({ min: 1, max: 3 }),
        fc.integer({ min: 1, max: 3 }),
        (takes, loudnesses, climb, fall) => {
          const on: Ladder = { ...ladder, loudnesses, rule: { by: 'takes', climb, fall } };
          const { standing } = played(takes, on);
          expect(rungsOf(on)).toContain(bpmAt(on, standing));
          expect(standing.clean).toBeLessThan(climb);
          expect(standing.failed).toBeLessThan(fall);
        },
      ),
    );
  });
});

test('the next time starts a rung below; within the hour it is the same time', () => {
  const climb = { version: 1 as const, ladder, standing: { ...FIRST_STANDING, rung: 2, clean: 1 } };
  expect(resumed(climb, 10 * 60_000)).toBe(climb);
  expect(resumed(climb, 24 * 3_600_000).standing).toEqual({ ...FIRST_STANDING, rung: 1 });
  expect(resumed({ ...climb, standing: FIRST_STANDING }, 24 * 3_600_000).standing.rung).toBe(0);
});

test('what is no ladder is said at its field', () => {
  const wrong = (change: object) => {
    const read = readLadder({ ...ladder, ...change });
    return read.ok ? [] : read.problems.map(({ path, say }) => `${path.join('.')}: ${say}`);
  };
  expect(wrong({ start: 5 })).toEqual(['start: The slowest tempo is 20.']);
  expect(wrong({ step: 0 })).toEqual(['step: At least 1.']);
  expect(wrong({ length: { unit: 'bars', many: 0 } })).toEqual(['length.many: At least 1 bar.']);
  expect(wrong({ length: { unit: 'minutes', many: 9 } })).toEqual(['length.many: At most 5 minutes.']);
  expect(wrong({ rule: { by: 'takes', climb: 0, fall: NaN } })).toEqual([
    'rule.climb: At least 1.',
    'rule.fall: Write a whole number, 1 to 10.',
  ]);
  expect(readLadder(usualClimb(96).ladder)).toMatchObject({ ok: true, value: { start: 64, goal: 96 } });
  expect(usualClimb(22).ladder.start).toBe(20);
});
