import { describe, expect, test } from 'vitest';
import { normal, randomFrom } from '../../random';
import { pinnedLines } from '../../testing/pinned';
import { align } from './align';
import { assignHits, type LimbLine } from './assign';
import { barByBar, laidByBar } from './barByBar';

/** Lines laid over what was due: what is chosen, what it costs and where each hit goes, pinned. */

const BAR = 2000;
const BARS = Array.from({ length: 8 }, (_, barInRun) => ({
  barInRun,
  startMs: 1000 + BAR * barInRun,
  endMs: 1000 + BAR * (barInRun + 1),
}));
const OPTIONS = { scaleMs: 25, longestGapMs: 1000, countMs: 500 };

/** A hand and a foot over eight bars of four counts, the foot with a grace before its second stroke. */
const HAND = [0, 250, 500, 1000, 1250, 1750];
const FOOT: [number, boolean?][] = [[0], [720, true], [750], [1500]];

type When = (dueMs: number, bar: number, hand: boolean, index: number) => number | undefined;

/** By how many bars each bar is late; null where it is not played. */
const lagging =
  (...lags: (number | null)[]): When =>
  (ms, bar) => {
    const lag = lags[bar] ?? null;
    return lag === null ? undefined : ms + BAR * lag;
  };

function lines(when: When, spread = 6): LimbLine[] {
  const random = randomFrom(3);
  const lineOf = (strokes: readonly [number, boolean?][], hand: boolean): LimbLine => {
    const due = BARS.flatMap(({ startMs, barInRun }) =>
      strokes.map(([ms, isGrace = false], index) => ({ ms: startMs + ms, isGrace, barInRun, index })),
    );
    const hits = due.flatMap(({ ms, barInRun, index }) => {
      const at = when(ms, barInRun, hand, index);
      const wobble = spread * normal(random);
      return at === undefined ? [] : [at + wobble];
    });
    return {
      dueMs: due.map(({ ms }) => ms),
      isGrace: due.map(({ isGrace }) => isGrace),
      hitsMs: hits.sort((a, b) => a - b),
    };
  };
  return [
    lineOf(
      HAND.map((ms): [number] => [ms]),
      true,
    ),
    lineOf(FOOT, false),
  ];
}

const laid = (all: readonly LimbLine[], bars = BARS) => {
  const { assigned, ...one } = align(all, bars, OPTIONS);
  return { ...one, told: pinnedLines([one, ...assigned]) };
};

describe('what was struck is laid over what was due', () => {
  const playings: Record<string, [string, When, number?]> = {
    'as it was due': ['as it is', (ms) => ms],
    'a stroke left out here and there, another put in': [
      'drifting',
      (ms, bar, hand, index) => {
        if (bar % 3 !== 1 || index !== 2) return ms;
        return hand ? undefined : ms + 300;
      },
    ],
    'ever faster': ['drifting', (ms) => ms * 0.985],
    'ever slower': ['drifting', (ms) => ms * 1.012 + 10],
    'ever slower, but for a slip': ['drifting', (ms, bar, _, index) => ms * 1.012 + (bar === 3 && index < 2 ? 150 : 0)],
    'half a count late': ['shift', (ms) => ms + 250],
    'a third of a count early': ['shift', (ms) => ms - 170],
    'a bar late': ['shift', (ms) => ms + BAR],
    'a bar left out in silence': ['bars', lagging(0, 0, 0, null, 0, 0, 0, 0)],
    'a bar put in': ['bars', lagging(0, 0, 0, 1, 1, 1, 1, 1)],
    'a bar skipped': ['bars', lagging(0, 0, 0, null, -1, -1, -1, -1)],
    'a bar skipped and one put in': ['bars', lagging(0, 0, null, -1, -1, -1, 0, 0)],
    'mostly nothing': ['drifting', (ms, bar) => (bar < 2 ? ms : undefined)],
    'only here and there': ['drifting', (ms, bar, _, index) => ((bar + index) % 5 === 0 ? ms + 40 : undefined), 20],
  };
  test.each(Object.entries(playings))('%s', (_, [kind, when, spread]) => {
    const one = laid(lines(when, spread));
    expect(one.kind).toBe(kind);
    expect(one.told).toMatchSnapshot();
  });

  test('a silent bar is the one that was left out, though the next one begins a little early', () => {
    const { silent, lag } = align(
      lines((ms, bar) => (bar === 3 ? undefined : ms - 15)),
      BARS,
      OPTIONS,
    );
    expect([[...silent], [...lag]]).toEqual([[3], []]);
  });

  test('an even line between what was due may be late or early', () => {
    const dueMs = Array.from({ length: 32 }, (_, index) => 1000 + 500 * index);
    const even = { dueMs, isGrace: dueMs.map(() => false), hitsMs: dueMs.slice(1).map((ms) => ms - 250) };
    const one = laid([even]);
    expect([one.kind, one.isAmbiguous]).toEqual(['shift', true]);
    expect(one.told).toMatchSnapshot();
  });

  test('one bar alone, and nothing at all', () => {
    expect(
      laid(
        lines((ms, bar) => (bar ? undefined : ms + 250)),
        BARS.slice(0, 1),
      ).told,
    ).toMatchSnapshot();
    expect(laid([{ dueMs: [], isGrace: [], hitsMs: [100] }], []).told).toMatchSnapshot();
  });
});

describe('bar by bar', () => {
  test.each<[string, When]>([
    ['two bars of silence', lagging(0, 0, 0, null, null, 0, 0, 0)],
    ['a bar put in, and later one skipped', lagging(0, 0, 1, 1, 1, 0, 0, 0)],
    [
      'struck in a bar that was not meant',
      (ms, bar, hand) => (bar !== 4 || hand ? ms + (bar === 4 ? 130 : 0) : undefined),
    ],
    ['far ahead', lagging(null, null, null, null, -4, -4, -4, -4)],
  ])('%s', (_, when) => {
    const all = lines(when);
    const path = barByBar(all, BARS, OPTIONS);
    expect(pinnedLines([path, ...laidByBar(all, BARS, path, OPTIONS)])).toMatchSnapshot();
  });
});

describe('hits are given to strokes', () => {
  const given = (dueMs: number[], hitsMs: number[], isGrace = dueMs.map(() => false)) =>
    pinnedLines([assignHits({ dueMs, hitsMs, isGrace }, OPTIONS)]);

  test('each its own, what is over is extra, what has none is left out', () => {
    expect(given([0, 500, 1000], [10, 480, 700, 990])).toMatchSnapshot();
    expect(given([0, 500, 1000], [-400, -10, 1010, 1900])).toMatchSnapshot();
    expect(given([], [5, 6])).toMatchSnapshot();
    expect(given([0, 500], [])).toMatchSnapshot();
    expect(given([100], [820, 900])).toMatchSnapshot();
  });

  test('a grace may be farther off, and costs nothing where it is left out', () => {
    expect(given([470, 500, 1000], [430, 505, 1000], [true, false, false])).toMatchSnapshot();
    expect(given([470, 500, 1000], [505, 1000], [true, false, false])).toMatchSnapshot();
  });

  test('within three quarters of the gap to the nearer neighbour, and no farther', () => {
    const hitOf = (hit: number) => [
      ...assignHits({ dueMs: [0, 400], hitsMs: [hit], isGrace: [false, false] }, { ...OPTIONS, scaleMs: 300 }).hitOf,
    ];
    expect([hitOf(-300), hitOf(-301), hitOf(700), hitOf(701)]).toEqual([
      [0, -1],
      [-1, -1],
      [-1, 0],
      [-1, -1],
    ]);
  });
});
