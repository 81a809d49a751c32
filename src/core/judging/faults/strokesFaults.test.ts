import { describe, expect, test } from 'vitest';
import type { Limb } from '../../groove/limbs';
import { pinnedLines } from '../../testing/pinned';
import { barsLeftOut, displacedBars, flamSpacing, missedNotes, extraHits, type DueStroke } from './strokesFaults';

/** Faults of which strokes were struck, and how they weigh, pinned. */

const HAND: Limb = 'right hand';
const FOOT: Limb = 'right foot';

/** A hand in 8ths and a foot on 1 and 3 over so many bars of two seconds, each stroke changed as is wanted. */
function strokes(
  bars: number,
  change: (stroke: DueStroke, index: number) => Partial<DueStroke> | undefined = () => ({}),
): DueStroke[] {
  const due = Array.from({ length: bars }, (_, barInRun) =>
    [
      ...Array.from({ length: 8 }, (__, at) => ({
        limb: HAND,
        dueMs: 2000 * barInRun + 250 * at,
        slotMs: 250,
      })),
      ...[0, 4].map((at) => ({ limb: FOOT, dueMs: 2000 * barInRun + 250 * at, slotMs: 250 })),
    ].map((one) => ({ ...one, barInRun, hitMs: one.dueMs + 3 })),
  ).flat();
  return due.map((one, index) => ({ ...one, ...change(one, index) }));
}
const lost = { hitMs: undefined };

describe('strokes that were left out', () => {
  const of = (all: readonly DueStroke[], isGone: (bar: number) => boolean = () => false) =>
    pinnedLines(missedNotes(all, isGone));

  test('by limb, from two and from 6 in a hundred of its own on', () => {
    const without = (limb: Limb, count: number) => {
      let left = count;
      return strokes(8, (one) => (one.limb === limb && left-- > 0 ? lost : {}));
    };
    expect(missedNotes(without('right foot', 1), () => false)).toEqual([]);
    expect(missedNotes(without('right hand', 3), () => false)).toEqual([]);
    expect(of(without('right foot', 2))).toMatchSnapshot();
    expect(of(without('right hand', 4))).toMatchSnapshot();
    expect(of(without('right hand', 64))).toMatchSnapshot();
  });

  test('both limbs, and bars that were left out as a whole do not count', () => {
    const all = strokes(8, ({ barInRun }, index) => (barInRun === 3 || index % 7 === 0 ? lost : {}));
    expect(of(all)).toMatchSnapshot();
    expect(of(all, (bar) => bar === 3)).toMatchSnapshot();
  });
});

describe('bars that were left out', () => {
  const of = (all: readonly DueStroke[], silent = new Set<number>()) => {
    const { gone, fault } = barsLeftOut(all, silent);
    return pinnedLines([gone, fault ?? 'none']);
  };
  test('where eight in ten of a bar and three strokes are missing, or an alignment says so', () => {
    expect(of(strokes(6))).toMatchSnapshot();
    expect(of(strokes(6, ({ barInRun }) => (barInRun === 2 ? lost : {})))).toMatchSnapshot();
    expect(of(strokes(6, ({ barInRun }, index) => (barInRun === 2 && index % 10 > 1 ? lost : {})))).toMatchSnapshot();
    expect(of(strokes(6, ({ barInRun }, index) => (barInRun === 2 && index % 10 > 2 ? lost : {})))).toMatchSnapshot();
    expect(of(strokes(6, ({ barInRun }) => (barInRun === 1 || barInRun > 3 ? lost : {})))).toMatchSnapshot();
    expect(of(strokes(6), new Set([4, 5]))).toMatchSnapshot();
    const few = strokes(6).filter(({ limb }) => limb === 'right foot');
    expect(of(few.map((one) => (one.barInRun === 2 ? { ...one, ...lost } : one)))).toMatchSnapshot();
  });
});

describe('hits that nothing asked for', () => {
  const hits = (count: number, limb?: Limb) => Array.from({ length: count }, () => ({ ...(limb && { limb }) }));
  const of = (extra: { limb?: Limb }[]) => pinnedLines([extraHits(strokes(10), extra) ?? 'none']);
  test('from 4 in a hundred on; of the limb that has most', () => {
    expect(of(hits(3, 'right foot'))).toMatchSnapshot();
    expect(of(hits(4, 'right foot'))).toMatchSnapshot();
    expect(of([...hits(5, 'right foot'), ...hits(6, 'right hand')])).toMatchSnapshot();
    expect(of([...hits(30), ...hits(1, 'right hand')])).toMatchSnapshot();
    expect(extraHits([], hits(3))).toBeUndefined();
    expect(extraHits(strokes(1), hits(1, 'right foot'))).toBeUndefined();
  });
});

describe('a limb that plays its figure elsewhere', () => {
  const foot = (all: DueStroke[]) => all.filter(({ limb }) => limb === 'right foot');
  const busy = strokes(4);
  /** The foot of a bar so many slots late, struck in vain there. */
  const moved = (slots: number, off = 0) => {
    const all = busy.map((one) => (one.limb === 'right foot' && one.barInRun === 2 ? { ...one, ...lost } : one));
    const extra = foot(busy).flatMap(({ dueMs, barInRun }) =>
      barInRun === 2 ? [{ limb: FOOT, ms: dueMs + 250 * slots + off }] : [],
    );
    return pinnedLines([displacedBars(all, extra, 20) ?? 'none']);
  };
  test.each([-3, -2, -1, 1, 2, 3])('%d slots', (slots) => {
    expect(moved(slots)).toMatchSnapshot();
  });
  test('within three and a half times what passes, and no farther', () => {
    expect(moved(1, 30)).toMatchSnapshot();
    expect(moved(1, 69)).toMatchSnapshot();
    expect(moved(1, 71)).toMatchSnapshot();
  });
  test('hits that were given to its strokes from far off are looked at, too', () => {
    const all = busy.map((one) =>
      one.limb === 'right foot' && one.barInRun === 1 ? { ...one, hitMs: one.dueMs + 240 } : one,
    );
    expect(pinnedLines([displacedBars(all, [], 20) ?? 'none'])).toMatchSnapshot();
    const one = busy.map((each) => (each.limb === 'right foot' && each.dueMs === 2000 ? { ...each, ...lost } : each));
    expect(displacedBars(one, [{ limb: 'right foot', ms: 2250 }], 20)).toBeUndefined();
    expect(displacedBars(busy, [], 20)).toBeUndefined();
  });
});

test('flams, by the middle of their gaps', () => {
  const of = (...gaps: number[]) => pinnedLines([flamSpacing(gaps) ?? 'none']);
  expect(flamSpacing([2, 2])).toBeUndefined();
  expect([flamSpacing([12, 12, 12]), flamSpacing([45, 45, 45])]).toEqual([undefined, undefined]);
  expect(of(11, 11, 11)).toMatchSnapshot();
  expect(of(46, 46, 46)).toMatchSnapshot();
  expect(of(2, 9, 4, 30, 5)).toMatchSnapshot();
  expect(of(80, 90, 60, 85)).toMatchSnapshot();
});
