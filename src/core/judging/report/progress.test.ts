import { describe, expect, test } from 'vitest';
import { SCHOOLS } from '../../counting/schools';
import { FIGURE_KINDS, type TakeFigure } from '../../documents/takeFigures';
import { pinned } from '../../testing/pinned';
import { REPORT_WORDS } from '../../documents/verdict';
import { changesSince, type Compared, type PlaceEstimate } from './progress';
import { changeInWords } from '../../wording/changeInWords';

const figure = (kind: TakeFigure['kind'], of: string, value: number, wide: number, meant?: number): TakeFigure => ({
  kind,
  of,
  n: 20,
  value,
  low: value - wide,
  high: value + wide,
  ...(meant !== undefined && { meant }),
});
const place = (value: number, wide = 3): PlaceEstimate => ({
  limb: 'right hand',
  bar: 0,
  bars: 1,
  count: 3,
  part: 1,
  parts: 4,
  counts: 1,
  n: 8,
  value,
  low: value - wide,
  high: value + wide,
});
const only = (...figures: TakeFigure[]): Compared => ({ figures, places: [] });
const said = (now: Compared, before: Compared) =>
  changesSince(now, before).map((one) => changeInWords(one, SCHOOLS[0]));

test('a place that went from 31 to 12 ms is said, and that it is better', () => {
  const changes = changesSince({ figures: [], places: [place(12)] }, { figures: [], places: [place(31)] });
  expect(changes).toMatchObject([{ kind: 'place', before: 31, now: 12, isBetter: true }]);
  expect(changeInWords(changes[0]!, SCHOOLS[0])).toBe('The e of 3 in the right hand went from 31 to 12 ms late.');
});

test('where the intervals do not part, nothing is said; nor where nobody could hear it', () => {
  expect(changesSince({ figures: [], places: [place(25)] }, { figures: [], places: [place(31)] })).toEqual([]);
  expect(said(only(figure('limb', 'right foot', 12, 1)), only(figure('limb', 'right foot', 17.9, 1)))).toEqual([]);
  expect(said(only(figure('limb', 'right foot', 12, 1)), only(figure('limb', 'right foot', 18.1, 1)))).toEqual([
    'The right foot went from 18 to 12 ms late.',
  ]);
  // Early or late by as much is as bad.
  expect(said(only(figure('limb', 'right foot', -30, 2)), only(figure('limb', 'right foot', 30, 2)))).toEqual([]);
  const unsure = { ...figure('limb', 'right foot', 2, 1), low: null, high: null };
  expect(said(only(unsure), only(figure('limb', 'right foot', 40, 1)))).toEqual([]);
});

test('what became worse is said as such', () => {
  const changes = changesSince(
    only(figure('evenness', 'left hand', 30, 4)),
    only(figure('evenness', 'left hand', 12, 2)),
  );
  expect(changes).toMatchObject([{ isBetter: false }]);
});

test('every kind in words, each by its own measure of what is right', () => {
  expect(said(only(figure('swing', '8th', 1.9, 0.1, 2)), only(figure('swing', '8th', 1.3, 0.1, 2)))).toEqual([
    'The swing of the 8ths went from 1.30 to 1.90 : 1.',
  ]);
  expect(said(only(figure('switch', '2>3', 4, 3)), only(figure('switch', '2>3', -28, 5)))).toEqual([
    'The change 8ths → 8th triplets went from 28 ms early to 4 ms late.',
  ]);
  expect(said(only(figure('flam', 'left hand', 27, 3)), only(figure('flam', 'left hand', 4, 2)))).toEqual([
    'The flams of the left hand went from 4 to 27 ms.',
  ]);
  expect(
    changesSince(only(figure('accents', 'left hand', 9, 1)), only(figure('accents', 'left hand', 3, 1))),
  ).toMatchObject([{ isBetter: true }]);
  expect(said(only(figure('left out', 'left hand', 0, 0)), only(figure('left out', 'left hand', 0.2, 0.1)))).toEqual([
    'What the left hand leaves out went from 20 to 0 in a hundred.',
  ]);
  expect(
    said(only(figure('second loudness', 'left hand', -1, 1)), only(figure('second loudness', 'left hand', -8, 1))),
  ).toEqual(['The second strokes of the left hand’s doubles went from −8 to −1 dB.']);
});

test('the largest first', () => {
  const now = only(figure('limb', 'right foot', 10, 2), figure('limb', 'left hand', 10, 2));
  const before = only(figure('limb', 'right foot', 25, 2), figure('limb', 'left hand', 60, 2));
  expect(changesSince(now, before).map(({ of }) => of)).toEqual(['left hand', 'right foot']);
});

/** From and to, in the figure's own unit: better and worse, through what is right, and too little to hear. */
const WENT: Partial<Record<TakeFigure['kind'], [before: number, now: number][]>> = {
  swing: [
    [1.3, 1.9],
    [2.9, 2.1],
    [1.6, 2.5],
    [1.9, 2.2],
  ],
  'left out': [
    [0.31, 0.04],
    [0.02, 0.4],
    [0.1, 0.06],
  ],
  accents: [
    [3, 8],
    [11, 20],
    [6, 4.6],
  ],
};
const USUAL: [before: number, now: number][] = [
  [40, 20],
  [-40, -15],
  [-35, 0.2],
  [5, 45],
  [-30, 12],
  [20, 17],
];
const OF: Partial<Record<TakeFigure['kind'], string>> = {
  rate: '4',
  'rate spread': '4',
  switch: '2>3',
  swing: '8th',
  together: 'left hand+right foot',
  phrase: '4',
};

describe('every change in words, with what it is by', () => {
  test.each(FIGURE_KINDS)('%s', (kind) => {
    const lines = (WENT[kind] ?? USUAL).flatMap(([before, now]) => {
      const wide = Math.abs(before - now) / 8;
      const one = (value: number) =>
        only(figure(kind, OF[kind] ?? 'left hand', value, wide, kind === 'swing' ? 2 : undefined));
      const changes = changesSince(one(now), one(before));
      const words = changes.flatMap((change) =>
        REPORT_WORDS.map((report) => changeInWords(change, SCHOOLS[0], report)),
      );
      return `${before} → ${now}: ${words.join(' | ') || 'nothing'} ${JSON.stringify(pinned(changes.map(({ isBetter, size }) => ({ isBetter, size }))))}`;
    });
    expect(lines.join('\n')).toMatchSnapshot();
    expect(lines.join('\n')).not.toMatch(/undefined|NaN|−0 /);
  });

  test('places are told apart by where they are written, and by their exercise', () => {
    const other = (value: number, more: Partial<PlaceEstimate>) => ({ ...place(value), ...more });
    const now = [place(10), other(10, { exercise: 2 }), other(10, { part: 2 }), other(10, { limb: 'left hand' })];
    const before = [other(40, { exercise: 2 }), place(44), other(40, { count: 1 }), other(40, { counts: 2 })];
    const changes = changesSince({ figures: [], places: now }, { figures: [], places: before });
    expect(changes.map((change) => changeInWords(change, SCHOOLS[0]))).toEqual([
      'The e of 3 in the right hand went from 44 to 10 ms late.',
      'The e of 3 in exercise 3 in the right hand went from 40 to 10 ms late.',
    ]);
  });
});
