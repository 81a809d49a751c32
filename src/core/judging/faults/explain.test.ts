import { describe, expect, test } from 'vitest';
import type { Limb } from '../../groove/limbs';
import { normal, randomFrom } from '../../random';
import { pinnedLines } from '../../testing/pinned';
import type { ErrorKind, MatchedNote } from './faultModels';
import { explain, LEAST_SCORE } from './explain';
import { fit } from '../../stats/robustRegression';

/**
 * What known errors are explained by, pinned: every threshold and every step of the statistics moves a figure here. A
 * figure that changes changes judgements: raise JUDGE_VERSION with it.
 */

type Fault = (stroke: MatchedNote, index: number) => number;

const LIMBS_IN_TURN: readonly Limb[] = ['right hand', 'right foot', 'right hand', 'left hand'];

/** Strokes of a line of 8ths in 4/4, three limbs in turn, each with a fault over a player's own spread. */
function strokes(count: number, fault: Fault = () => 0, more: (index: number) => Partial<MatchedNote> = () => ({})) {
  const random = randomFrom(7);
  return Array.from({ length: count }, (_, index): MatchedNote => {
    const limb = LIMBS_IN_TURN[index % 4]!;
    const stroke = {
      limb,
      error: 0,
      dueMs: 1000 + 250 * index,
      barInRun: Math.floor(index / 8),
      place: `${limb} ${index % 8}`,
      isOnCount: index % 2 === 0,
      isSecond: false,
      isTogether: false,
      swungMs: 0,
      sinceSwitch: undefined,
      ...more(index),
    };
    return { ...stroke, error: 0.35 * normal(random) + fault(stroke, index) };
  });
}

const told = (all: readonly MatchedNote[]) => {
  const { all: explanations, second, spread } = explain(all);
  return pinnedLines([...explanations, { second: second ?? 'none' }, ...spread]);
};

describe('what known errors are explained by', () => {
  const faults: Record<string, [ErrorKind | undefined, Fault, ((index: number) => Partial<MatchedNote>)?]> = {
    nothing: [undefined, () => 0],
    'a late foot': ['limb', ({ limb }) => (limb === 'right foot' ? 1.2 : 0)],
    'a late foot, and a hand that is uneven': [
      'limb uneven',
      ({ limb }, index) => (limb === 'right foot' ? 1.4 : 0) + (limb === 'left hand' ? 2.2 * ((index % 3) - 1) : 0),
    ],
    'one early place': ['place', ({ place }) => (place === 'right hand 6' ? -1.5 : 0)],
    'off-beats that are late': ['off-beats', ({ isOnCount }) => (isOnCount ? 0 : 1.1)],
    'everything late': ['behind or ahead', () => 1.3],
    'rushing from beginning to end': ['drift', ({ dueMs }) => -dueMs / 6000],
    'rushing in phrases': ['phrase', ({ dueMs }) => -((dueMs - 1000) % 8000) / 4500],
    'a hand uneven': ['limb uneven', ({ limb }, index) => (limb === 'right hand' ? 1.6 * ((index % 5) / 2 - 1) : 0)],
    'all uneven': ['spread', (_, index) => 1.9 * (((index * 7) % 5) / 2 - 1)],
    'a swing too straight': [
      'swing',
      ({ isOnCount }) => (isOnCount ? 0 : -1.4),
      (index) => ({ swungMs: index % 2 ? 60 + (index % 4) : 0 }),
    ],
    'a swing too wide': ['swing', ({ swungMs }) => swungMs / 40, (index) => ({ swungMs: index % 4 === 3 ? 60 : 0 })],
    'early after a change of rate': [
      'switch',
      ({ sinceSwitch }) => (sinceSwitch === 0 ? -1.5 : 0),
      (index) => ({ sinceSwitch: index < 8 ? undefined : index % 8 }),
    ],
    'early twice after a change of rate': [
      'switch',
      ({ sinceSwitch }) => ((sinceSwitch ?? 9) < 2 ? -1.5 : 0),
      (index) => ({ sinceSwitch: index < 8 ? undefined : index % 8 }),
    ],
    'late second strokes': [
      'doubles',
      ({ isSecond }) => (isSecond ? 1.2 : 0),
      (index) => ({ isSecond: index % 4 === 1, isOnCount: index % 4 !== 1 }),
    ],
    'late where it is written with another': [
      'apart',
      ({ limb, isTogether }) => (limb === 'right hand' && isTogether ? 1.5 : 0),
      (index) => ({ isTogether: index % 8 < 3 }),
    ],
    'uneven where it is written with another': [
      'apart',
      ({ limb, isTogether }, index) => (limb === 'right hand' && isTogether ? 3 * ((index % 3) - 1) : 0),
      (index) => ({ isTogether: index % 8 < 2 }),
    ],
    'two limbs, one each way': ['limb', ({ limb }) => ({ 'right foot': 2, 'left hand': -2 })[limb as string] ?? 0],
  };
  test.each(Object.entries(faults))('%s', (_, [kind, fault, more]) => {
    const all = strokes(64, fault, more);
    const [best] = explain(all).all;
    expect(best && best.score > LEAST_SCORE ? best.kind : undefined).toBe(kind);
    expect(told(all)).toMatchSnapshot();
  });

  test('few strokes of one limb', () => {
    const few = strokes(
      9,
      () => 1,
      () => ({ limb: 'right foot', place: 'right foot 0' }),
    );
    expect(told(few)).toMatchSnapshot();
    expect(told(few.slice(0, 3))).toMatchSnapshot();
    expect(explain([])).toEqual({ all: [], spread: new Map() });
  });

  test('strokes that hang together are no drift', () => {
    let before = 0;
    const tied = strokes(64).map((stroke, index) => {
      before = 0.7 * before + stroke.error;
      return { ...stroke, limb: 'right hand' as const, error: before, place: `right hand ${index % 8}` };
    });
    expect(told(tied)).toMatchSnapshot();
  });
});

describe('what is fitted', () => {
  const errors = Float64Array.from({ length: 12 }, (_, index) => [0.3, -0.2, 0.1, 1.1][index % 4]!);
  const lines = [Int32Array.of(0, 2, 4, 6, 8, 10), Int32Array.of(1, 3, 5, 7, 9, 11)];
  const even = Float64Array.from({ length: 12 }, (_, index) => (index % 2 ? 1 : 0));

  test('nothing, one column, and limbs that may be uneven', () => {
    expect(pinnedLines([fit({ of: errors, lines }, [])])).toMatchSnapshot();
    expect(pinnedLines([fit({ of: errors, lines }, [even])])).toMatchSnapshot();
    expect(pinnedLines([fit({ of: errors, lines }, [], new Set([1]))])).toMatchSnapshot();
  });

  test('columns that cannot be told apart take nothing off', () => {
    const { size, unsure } = fit({ of: errors, lines }, [even, even]);
    expect(size).toEqual([0, 0]);
    expect(unsure).toEqual([Infinity, Infinity]);
  });

  test('without errors nothing hangs together, and the spread is the least that is believed', () => {
    expect(pinnedLines([fit({ of: new Float64Array(12), lines }, [])])).toMatchSnapshot();
  });
});
