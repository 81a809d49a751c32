import { expect, test } from 'vitest';
import { SCHOOLS } from '../counting/schools';
import type { TakeFigure } from '../documents/takeFigures';
import { exact } from '../time/fraction';
import {
  placeOfManyInWords,
  spreadsOfMany,
  swingByTempo,
  switchesOfMany,
  weakestPlace,
  weakestSwitch,
  weaknessOfPlace,
  weaknessOfSwitch,
  type PlaceOfMany,
} from './studentFigures';

const figure = (kind: TakeFigure['kind'], of: string, value: number | null, n = 20, meant?: number): TakeFigure => ({
  kind,
  of,
  n,
  value,
  low: value,
  high: value,
  ...(meant !== undefined && { meant }),
});
const takes = [
  {
    tempo: 92,
    figures: [figure('switch', '2>3', -20), figure('rate spread', '2', 10, 21), figure('swing', '8th', 1.8, 20, 2)],
  },
  {
    tempo: 94,
    figures: [figure('switch', '2>3', -26), figure('rate spread', '2', 20, 61), figure('swing', '8th', 1.6, 20, 2)],
  },
  {
    tempo: 140,
    figures: [figure('switch', '2>3', -23), figure('switch', '3>2', null), figure('swing', '8th', 1.4, 20, 1.6)],
  },
];
const place = (change: Partial<PlaceOfMany> = {}): PlaceOfMany => ({
  limb: 'right foot',
  count: 3,
  part: 1,
  parts: 2,
  counts: 1,
  matched: 40,
  missed: 0,
  mean_error_ms: 24,
  ...change,
});

test('switches over all takes, each take as much as another; what has no figure is left out', () => {
  expect(switchesOfMany(takes)).toMatchObject([{ of: '2>3', n: 3, value: -23 }]);
});

test('spreads are pooled by how many strokes each rests on', () => {
  const [spread] = spreadsOfMany(takes);
  // √((20 · 10² + 60 · 20²) / 80)
  expect(spread!.value).toBeCloseTo(Math.sqrt((20 * 100 + 60 * 400) / 80), 6);
  expect(spread!.low!).toBeLessThan(spread!.value!);
  expect(spread!.high!).toBeGreaterThan(spread!.value!);
});

test('swing by tempo in steps, with what was meant there', () => {
  expect(swingByTempo(takes)).toMatchObject([
    { tempo: 96, n: 2, value: expect.closeTo(1.7, 6) as number, meant: 2 },
    { tempo: 144, n: 1, value: 1.4, meant: 1.6 },
  ]);
});

test('the weakest place: far off or left out, of those that enough strokes tell of; none where nobody hears it', () => {
  const foot = place();
  expect(weakestPlace([place({ mean_error_ms: 9, count: 1 }), foot])).toBe(foot);
  const gone = place({ mean_error_ms: 0, matched: 10, missed: 30 });
  expect(weakestPlace([foot, gone])).toBe(gone);
  expect(weakestPlace([place({ matched: 15 })])).toBeUndefined();
  expect(weakestPlace([place({ mean_error_ms: 5.9 })])).toBeUndefined();
  expect(placeOfManyInWords(foot, SCHOOLS[0])).toBe(
    'the & of 3 in the right foot, 24 ms later than the rest over 40 strokes',
  );
  expect(placeOfManyInWords(place({ mean_error_ms: 0, matched: 10, missed: 30 }), SCHOOLS[0])).toBe(
    'the & of 3 in the right foot, 30 of 40 left out',
  );
});

test('each is offered as a drill', () => {
  expect(weaknessOfPlace(place(), 80)).toEqual({
    tempo: 80,
    limb: 'right foot',
    places: [exact('5/8')],
    parts: 2,
    meter: '4/4',
  });
  // The fifth count of 5/4 is none of 4/4: the limb goes round.
  expect(weaknessOfPlace(place({ count: 5 }), 80)).toEqual({ tempo: 80, limb: 'right foot' });
  const slip = weakestSwitch([figure('switch', '2>3', -23), figure('switch', '3>2', 30), figure('switch', '4>3', 5)])!;
  expect(weaknessOfSwitch(slip, 80)).toEqual({ tempo: 80, switches: ['8th triplet', '8th'] });
  expect(weakestSwitch([figure('switch', '2>3', 5.9)])).toBeUndefined();
  expect(weaknessOfSwitch(figure('switch', '5>7', 30), 80)).toBeUndefined();
});
