import { describe, expect, test } from 'vitest';
import type { Verdict } from '../documents/verdict';
import type { Limb } from '../groove/limbs';
import { oneLine, together } from '../testing/arbitrary';
import { emptyTake } from '../testing/takes';
import { exact } from '../time/fraction';
import type { Figures } from './figures';
import { judge } from './judge';
import { matchLine, matchLines } from './match';
import { verdictOf } from './verdict';

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
const limb = (name: Limb, change: Partial<Figures> = {}) => ({ limb: name, ...figures(change) });
const place = (name: Limb, at: string, change: Partial<Figures> = {}) => ({
  limb: name,
  bar: 0,
  written: exact(at),
  ...figures({ matched: 16, ...change }),
});
const found = (change: Partial<Evidence>): Verdict =>
  verdictOf({
    take,
    figures: figures(),
    byLimb: [limb('right hand'), limb('right foot')],
    byPlace: [place('right hand', '0')],
    toleranceMs: TOLERANCE,
    lengthMs: 10_000,
    ...change,
  });

describe('what is a fault, and what is not yet one', () => {
  test('one in twenty missed', () => {
    const missing = (missed: number) =>
      found({
        figures: figures({ matched: 100 - missed, missed }),
        byLimb: [limb('right hand', { missed }), limb('right foot')],
      }).about;
    expect([missing(5), missing(6)]).toEqual(['clean', 'missed']);
  });

  test('one in twelve extra', () => {
    const beside = (extra: number) =>
      found({
        figures: figures({ matched: 1200, extra }),
        byLimb: [limb('right hand', { extra }), limb('right foot')],
      }).about;
    expect([beside(99), beside(101)]).toEqual(['clean', 'extra']);
  });

  test('a drift that carries half its width beyond what is tolerated', () => {
    // 0.4 % of 10 s is 40 ms: 20 ms to each side of the middle.
    const drifting = (tempoDriftPercent: number) => found({ figures: figures({ tempoDriftPercent }) }).about;
    expect([0.39, 0.41, -0.39, -0.41].map(drifting)).toEqual(['clean', 'drift', 'clean', 'drift']);
  });

  test('a limb apart counts a quarter more than it measures, and needs four strokes', () => {
    const apart = (meanErrorMs: number, matched = 100) =>
      found({ byLimb: [limb('right hand', { meanErrorMs, matched }), limb('right foot')] }).about;
    expect([apart(15.9), apart(16.1), apart(-16.1)]).toEqual(['clean', 'limb', 'limb']);
    expect([apart(30, 3), apart(30, 4)]).toEqual(['clean', 'limb']);
  });

  test('off-beats count a quarter more than they measure, and need two places', () => {
    const off = (meanErrorMs: number, places = ['1/8', '3/8']) =>
      found({
        byPlace: [place('right hand', '0'), ...places.map((at) => place('right hand', at, { meanErrorMs }))],
      }).about;
    expect([off(15.9), off(16.1), off(-16.1)]).toEqual(['clean', 'off-beats', 'off-beats']);
    expect(off(19, ['1/8'])).toBe('clean');
  });

  test('one place: beyond what is tolerated, twice its standard error sure, of three strokes or more', () => {
    const late = (meanErrorMs: number, more: Partial<Figures> = {}) =>
      found({
        byPlace: [
          place('right hand', '0', { meanErrorMs, ...more }),
          ...['1/4', '1/2', '3/4'].map((at) => place('right hand', at)),
        ],
      }).about;
    expect([late(19.9), late(20.1)]).toEqual(['clean', 'place']);
    // Of 16 strokes the mean is known to a quarter of their spread: 30 ms are sure below a spread of 60.
    expect([late(30, { sdErrorMs: 59 }), late(30, { sdErrorMs: 61 })]).toEqual(['place', 'clean']);
    expect([late(30, { matched: 2 }), late(30, { matched: 3 })]).toEqual(['clean', 'place']);
  });

  test('behind or ahead: only what is kept from beginning to end', () => {
    const sits = (trendMs: [number, number]) => found({ trendMs }).about;
    expect([sits([20, 20]), sits([20.1, 20.1]), sits([-20.1, -30])]).toEqual([
      'clean',
      'behind or ahead',
      'behind or ahead',
    ]);
    expect([sits([40, 19.9]), sits([40, -40])]).toEqual(['clean', 'clean']);
  });

  test('a spread beyond what is tolerated', () => {
    const wide = (sdAroundTrendMs: number) => found({ figures: figures({ sdAroundTrendMs }) }).about;
    expect([wide(20), wide(20.1)]).toEqual(['clean', 'spread']);
  });
});

describe('what to practise', () => {
  test('a step back is a seventh, in whole beats; nothing is slower than the slowest', () => {
    const spread = (bpm: number) =>
      found({ take: { ...take, bpm }, figures: figures({ sdAroundTrendMs: 50 }) }).practise.bpm;
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

  test('a gap counts as no longer than one count', () => {
    const sparse = oneLine('t.......', 'right hand', 120);
    const hit = (ms: number) =>
      judge(emptyTake(sparse, { rounds: 2, playedMs: 3000, hits: [{ limb: 'right hand', ms }] }), 'concert').figures
        .matched;
    expect([hit(200), hit(201), hit(1799), hit(1800)]).toEqual([1, 0, 0, 1]);
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
