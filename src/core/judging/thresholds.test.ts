import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Verdict } from '../documents/verdict';
import type { Limb } from '../groove/limbs';
import type { Level } from '../limits';
import { oneLine, together } from '../testing/arbitrary';
import { emptyTake } from '../testing/takes';
import { exact } from '../time/fraction';
import { assignHits } from './align/assign';
import { LEAST_SCORE, LEAST_SIZE } from './faults/explain';
import type { Figures } from './types/figures';
import { judge } from './verdict/judge';
import { loudnessFaults, type LoudStroke } from './faults/loudness';
import { matchLine, matchLines } from './align/match';
import { barsLeftOut, flamSpacing, missedNotes, extraHits } from './faults/strokesFaults';
import { verdictOf } from './verdict/verdict';
import type { Found } from './faults/scoreFaults';

/** Both sides of every threshold of the judging, so that none is moved without a test that says so. */

type Evidence = Parameters<typeof verdictOf>[0];
const groove = together(oneLine('tttttttt', 'right hand', 80), oneLine('A...A...', 'right foot'));
const take = emptyTake(groove);
const TOLERANCE = 20;

const figures = (change: Partial<Figures> = {}): Figures => ({
  matched: 100,
  missed: 0,
  extra: 0,
  meanErrorMs: 0,
  sdErrorMs: 0,
  sdAroundTrendMs: 0,
  tempoDriftPercent: 0,
  ...change,
});
const found = (change: Partial<Evidence>): Verdict =>
  verdictOf({ take, figures: figures(), byPlace: [], toleranceMs: TOLERANCE, found: [], ...change });
const one = (change: Partial<Found> = {}): Found => ({ about: 'drift', score: 10, size: 1, numbers: {}, ...change });

describe('what is named', () => {
  test('the explanation that explains most, of those large and likely enough', () => {
    const about = (...all: Found[]) => found({ found: all }).about;
    expect(about()).toBe('clean');
    expect([about(one({ size: 0.74 })), about(one({ size: 0.75 }))]).toEqual(['clean', 'drift']);
    expect([about(one({ score: 2.5 })), about(one({ score: 2.51 }))]).toEqual(['clean', 'drift']);
    expect(about(one(), one({ about: 'spread', score: 11 }), one({ about: 'limb', score: 99, size: 0.5 }))).toBe(
      'spread',
    );
    expect(found({ figures: figures({ matched: 0 }), found: [one()] }).about).toBe('nothing heard');
  });

  test('far off, a quarter slower and to every slot; otherwise a seventh, to the counts', () => {
    const of = (size: number) => found({ found: [one({ about: 'limb', limb: 'right foot', size })] }).practise;
    expect(of(2.5)).toMatchObject({ bpm: 69, click: 'counts', limbs: ['right hand', 'right foot'] });
    expect(of(2.51)).toMatchObject({ bpm: 60, click: 'every slot' });
  });

  test('where a limb leaves out most is named where it does so twice or more', () => {
    const place = (limb: Limb, missed: number, n: number) => ({
      ...figures({ missed }),
      limb,
      bar: 0,
      written: exact(`${n}/8`),
    });
    const named = (...missed: [number, number]) =>
      found({
        found: [one({ about: 'missed', limb: 'right hand' })],
        byPlace: [place('right foot', 9, 0), place('right hand', missed[0], 1), place('right hand', missed[1], 2)],
      }).place?.count;
    expect([named(1, 1), named(1, 2), named(3, 2), named(2, 2)]).toEqual([undefined, 2, 1, 1]);
  });

  test('a second fault is kept for afterwards where it is another limb’s', () => {
    const next = (...all: Found[]) => found({ found: all }).next?.about;
    const late = one({ about: 'limb', limb: 'right foot', score: 20 });
    expect(next(late, one({ about: 'limb uneven', limb: 'right hand' }))).toBe('limb uneven');
    expect(next(late, one({ about: 'place', limb: 'right foot' }))).toBeUndefined();
    expect(next(late, one({ about: 'behind or ahead' }))).toBeUndefined();
  });
});

describe('strokes that were not struck, or struck in vain', () => {
  const strokes = (limb: Limb, count: number, missed: number, bar = (_: number) => 0) =>
    Array.from({ length: count }, (_, index) => ({
      limb,
      dueMs: index * 250,
      barInRun: bar(index),
      slotMs: 250,
      ...(index >= missed && { hitMs: index * 250 }),
    }));
  const score = (count: number, missed: number) =>
    missedNotes([...strokes('right foot', count, missed), ...strokes('right hand', 400, 0)], () => false)[0]?.score;

  test('six in a hundred of a limb’s own, two at the least; what chance would do is not blamed', () => {
    expect([score(100, 5), score(30, 1)]).toEqual([undefined, undefined]);
    expect(score(100, 6)).toBeGreaterThan(LEAST_SCORE);
    expect(score(30, 2)).toBeLessThan(LEAST_SCORE);
    expect(score(30, 3)).toBeGreaterThan(LEAST_SCORE);
  });

  test('four in a hundred in vain', () => {
    const vain = (count: number) =>
      extraHits(
        strokes('right hand', 100, 0),
        Array.from({ length: count }, () => ({ limb: 'right hand' as const })),
      );
    expect(vain(3)).toBeUndefined();
    expect(vain(4)!.score).toBeLessThan(LEAST_SCORE);
    expect(vain(8)!.score).toBeGreaterThan(LEAST_SCORE);
  });

  test('a bar is left out from three strokes and four in five on', () => {
    const gone = (count: number, missed: number) => [
      ...barsLeftOut([...strokes('right hand', count, missed), ...strokes('right hand', 8, 0, () => 1)], new Set())
        .gone,
    ];
    expect([gone(5, 4), gone(10, 7), gone(2, 2), gone(3, 3)]).toEqual([[0], [], [], [0]]);
  });

  test('flams: 12 to 45 ms before their stroke are heard as one', () => {
    const flams = (gap: number) => flamSpacing(Array<number>(8).fill(gap));
    expect([12, 28, 45].map(flams)).toEqual([undefined, undefined, undefined]);
    for (const gap of [2, 11, 46, 80]) expect(flams(gap)!.score).toBeGreaterThan(LEAST_SCORE);
    expect(flamSpacing([2, 2])).toBeUndefined();
  });

  test('accents: 6 dB louder than the rest', () => {
    const flat = (db: number, each = 12) => [
      ...loudnessFaults([...loud(each, db - 12, 'accent'), ...loud(12, -12, 'tap')], 'concert'),
    ];
    expect([flat(6.01), flat(9), flat(2, 3)]).toEqual([[], [], []]);
    expect(flat(2)).toMatchObject([{ kind: 'accents', limb: 'right hand', numbers: { distanceDb: 2 } }]);
    expect(flat(2)[0]!.score).toBeGreaterThan(LEAST_SCORE);
  });

  test('loudness: three quarters of 3 dB between strokes of one height pass at a concert, of 5 dB in the first year', () => {
    // Half of them as far above as the others are under: their spread is that far.
    const wandering = (db: number, level: Level) =>
      loudnessFaults([...loud(21, -12), ...loud(20, -12 - db), ...loud(20, -12 + db)], level);
    const passes = (db: number, level: Level) => wandering(db, level).every(({ size }) => size < LEAST_SIZE);
    const spread = Math.sqrt(61 / 40);
    expect(passes(2.2 * spread, 'concert')).toBe(true);
    expect(passes(2.3 * spread, 'concert')).toBe(false);
    expect(passes(3.7 * spread, 'first year')).toBe(true);
    expect(passes(3.8 * spread, 'first year')).toBe(false);
    expect(wandering(7, 'advanced')).toMatchObject([{ kind: 'loudness', limb: 'right hand' }]);
    expect(loudnessFaults(loud(7, -12), 'concert')).toEqual([]);
  });

  test('doubles: a second stroke from 3 dB under the first on is weak', () => {
    const doubles = (db: number) =>
      loudnessFaults(
        Array.from({ length: 8 }, (_, pair) => [
          ...loud(1, -12, 'tap', { pair: `${pair}` }),
          ...loud(1, -12 - db, 'tap', { pair: `${pair}`, role: 'second' }),
        ]).flat(),
        'advanced',
      );
    expect([doubles(0), doubles(2)]).toEqual([[], []]);
    expect(doubles(2.9)[0]!.size).toBeLessThan(LEAST_SIZE);
    expect(doubles(3.1)[0]!.size).toBeGreaterThan(LEAST_SIZE);
    expect(doubles(7)).toMatchObject([{ kind: 'doubles', numbers: { weakDb: 7, strokes: 8 } }]);
    expect(doubles(7)[0]!.score).toBeGreaterThan(LEAST_SCORE);
  });
});

const loud = (
  count: number,
  db: number,
  height: LoudStroke['height'] = 'tap',
  more: Partial<LoudStroke> = {},
): LoudStroke[] =>
  Array.from({ length: count }, () => ({ limb: 'right hand', surface: 'snare', height, role: 'main', db, ...more }));

describe('a hit and its stroke', () => {
  const options = { scaleMs: 10, longestGapMs: 1000 };
  const hitOf = (dueMs: number[], hitsMs: number[], scaleMs = 10) => [
    ...assignHits({ dueMs, isGrace: dueMs.map(() => false), hitsMs }, { ...options, scaleMs }).hitOf,
  ];

  test('may be three quarters of the gap apart, no farther', () => {
    expect(hitOf([0, 400], [0, 700], 100)).toEqual([0, 1]);
    expect(hitOf([0, 400], [0, 701], 100)).toEqual([0, -1]);
    // A gap counts as no longer than the longest.
    expect(hitOf([0], [750], 100)).toEqual([0]);
    expect(hitOf([0], [751], 100)).toEqual([-1]);
    // So far off that it is likelier left out, and the hit one too many.
    expect(hitOf([0, 400], [0, 700])).toEqual([0, -1]);
  });

  test('belong together so that the whole costs least, in order; a grace that is not struck costs nothing', () => {
    expect(hitOf([0, 100, 200], [105, 201])).toEqual([-1, 0, 1]);
    expect(hitOf([0, 100, 200], [40, 140, 240])).toEqual([0, 1, 2]);
    const { cost } = assignHits({ dueMs: [72, 100], isGrace: [true, false], hitsMs: [100] }, options);
    expect(cost).toBeCloseTo(0.9);
  });

  test('of any strokes and hits: none is used twice, they never cross, and each hit is given or left over', () => {
    const sorted = fc
      .array(fc.integer({ min: 0, max: 8000 }), { maxLength: 40 })
      .map((all) => [...new Set(all)].sort((a, b) => a - b));
    fc.assert(
      fc.property(sorted, sorted, (dueMs, hitsMs) => {
        const { hitOf: given, extra } = assignHits({ dueMs, isGrace: dueMs.map(() => false), hitsMs }, options);
        const used = [...given].filter((hit) => hit >= 0);
        expect(used).toEqual([...used].sort((a, b) => a - b));
        expect([...used, ...extra].sort((a, b) => a - b)).toEqual(hitsMs.map((_, index) => index));
      }),
    );
  });
});

describe('what to practise', () => {
  test('a step back is a seventh, in whole beats; nothing is slower than the slowest', () => {
    const spread = (bpm: number) => found({ take: { ...take, bpm }, found: [one({ about: 'spread' })] }).practise.bpm;
    expect([spread(84), spread(80), spread(21)]).toEqual([72, 69, 20]);
  });

  test('the way back up is a seventh’s undoing, to the goal and no farther; then a thinner click; then 4 faster', () => {
    const next = (bpm: number, click: typeof take.click) => found({ take: { ...take, bpm, goal: 80, click } }).practise;
    expect(next(60, { kind: 'slots' })).toMatchObject({ step: 'up to tempo', bpm: 70 });
    expect(next(72, { kind: 'slots' })).toMatchObject({ step: 'up to tempo', bpm: 80 });
    expect(next(80, { kind: 'slots' })).toMatchObject({ step: 'thinner click', click: '8ths', bpm: 80 });
    expect(next(80, { kind: 'every', counts: '2', from: '1' })).toMatchObject({ step: 'thinner click' });
    expect(next(80, { kind: 'gaps', on: 1, off: 1, of: { kind: 'slots' } })).toMatchObject({ step: 'faster', bpm: 84 });
    expect(next(299, { kind: 'gaps', on: 1, off: 1, of: { kind: 'slots' } }).bpm).toBe(300);
  });
});

/** How late a hit may be, in whole milliseconds, to be matched with the last of some strokes after these errors. */
function latest(gap: number, errors: readonly number[], longestGapMs = Infinity): number {
  const due = [...errors, 0].map((_, index) => index * gap);
  const hits = (last: number) => due.map((ms, index) => ms + (errors[index] ?? last));
  let late = 0;
  while (matchLine(due, hits(late + 1), { longestGapMs }).hitOf.at(-1) !== undefined) late++;
  return late;
}

describe('how the window of a stroke follows', () => {
  test('without drift it reaches 40 % of the gap', () => {
    expect(latest(1000, [0])).toBe(400);
    expect(latest(250, [0])).toBe(100);
  });

  // Worked out by hand from an alpha-beta filter with alpha 1/4, beta 1/28, and 15 % of the gap that it may stray.
  test('a quarter of each surprise and a rate from it; what is below 15 % of the gap moves nothing', () => {
    // 100 then 175 + 10.7: 185.7 − 150 beyond 400.
    expect(latest(1000, [400])).toBe(400);
    expect(latest(1000, [400, 400])).toBe(435);
  });

  test('a lone stroke reaches as far as the longest gap allows, and 400 ms where nothing says so', () => {
    const alone = (hit: number, longestGapMs?: number) => matchLine([1000], [hit], { longestGapMs }).hitOf[0];
    expect([alone(1200, 500), alone(1201, 500)]).toEqual([0, undefined]);
    expect([alone(1400), alone(1401)]).toEqual([0, undefined]);
  });

  test('strokes struck together tell nothing of the rate', () => {
    const lines = [0, 1].map((ms) => ({ expectedMs: [ms, 1000 + ms], hitsMs: [200 + ms, 1400 + ms] }));
    expect(matchLines(lines).map(({ hitOf }) => hitOf)).toEqual([
      [0, 1],
      [0, 1],
    ]);
  });
});

describe('a take as a whole', () => {
  const quarters = oneLine('t.t.t.t.', 'right hand', 120);
  const judged = (hits: number[], more: object = {}) =>
    judge(
      emptyTake(quarters, { rounds: 1, playedMs: 1750, hits: hits.map((ms) => ({ limb: 'right hand', ms })), ...more }),
      'concert',
    );

  test('a stroke before the first bar line, still in the count-in, is its first one', () => {
    const { figures: of, extra } = judged([-60, 500, 1000, 1500]);
    expect([of.matched, of.missed, extra.length]).toEqual([4, 0, 0]);
    expect(judge(emptyTake(quarters, { playedMs: 1750, hits: [] }), 'concert', { from: 0, to: 1 }).figures.missed).toBe(
      4,
    );
  });

  test('a lone stroke in a bar does not claim a hit from elsewhere in it', () => {
    const sparse = oneLine('t.......', 'right hand', 120);
    const hit = (ms: number) =>
      judge(emptyTake(sparse, { rounds: 2, playedMs: 3000, hits: [{ limb: 'right hand', ms }] }), 'concert').figures
        .matched;
    expect([hit(400), hit(760), hit(1240), hit(1600)]).toEqual([1, 0, 0, 1]);
  });

  test('what can be heard is 2.5 % of the gap, and 6 ms at the least; the level stretches it', () => {
    const tolerated = (bpm: number, level: Parameters<typeof judge>[1]) =>
      judge(emptyTake(quarters, { bpm, hits: [] }), level).toleranceMs;
    // A quarter at 120 lasts 500 ms, at 300 200 ms.
    expect([tolerated(120, 'concert'), tolerated(300, 'concert')]).toEqual([12.5, 6]);
    expect([tolerated(120, 'advanced'), tolerated(120, 'second year'), tolerated(120, 'first year')]).toEqual([
      18.75, 31.25, 50,
    ]);
  });
});
