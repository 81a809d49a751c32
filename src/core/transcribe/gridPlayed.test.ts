import { describe, expect, test } from 'vitest';
import { cellsOfDivisions } from '../grid/cells';
import type { Groove } from '../groove/groove';
import { normal, randomFrom } from '../random';
import { meterOf } from '../testing/arbitrary';
import { pinnedLines } from '../testing/pinned';
import { countsInRun, quantise, type Timed } from './gridPlayed';

/** How strokes are read into grids and feels: what is chosen, what comes near, and how far off each stroke is. */

const bars = (...meters: string[]): Groove => ({
  version: 1,
  title: 'Played',
  reading: 'numbers',
  tempo: 100,
  bars: meters.map((meter) => ({
    meter: meterOf(meter),
    cells: cellsOfDivisions(meterOf(meter), 'numbers', 1),
    strokes: [],
  })),
});

/** Strokes at shares of counts, in so many rounds, with a spread. */
function struck(
  groove: Groove,
  shares: readonly (readonly number[])[],
  { rounds = 2, spread = 6, late = 0 } = {},
): Timed[] {
  const random = randomFrom(5);
  const counts = countsInRun(groove);
  const last = counts.at(-1)!;
  const roundMs = last.startMs + last.lengthMs;
  return Array.from({ length: rounds }, (_, round) =>
    counts.flatMap(({ startMs, lengthMs }, index) =>
      shares[index % shares.length]!.map((share): Timed => ({
        limb: share ? 'left hand' : 'right hand',
        ms: round * roundMs + startMs + share * lengthMs + late + spread * normal(random),
      })),
    ),
  ).flat();
}

const [third, sixth] = [1 / 3, 1 / 6];
const PLAYED: Record<
  string,
  [shares: number[][], feel: string, meters?: string[], more?: Parameters<typeof struck>[2]]
> = {
  quarters: [[[0]], 'straight'],
  'straight 8ths': [[[0, 0.5]], 'straight'],
  triplets: [[[0, third, 2 * third]], 'straight'],
  '16ths': [[[0, 0.25, 0.5, 0.75]], 'straight'],
  'sextuplets and quarters': [[[0, sixth, third, 0.5, 4 * sixth, 5 * sixth], [0]], 'straight'],
  'from count to count': [[[0, 0.5], [0, third, 2 * third], [0, 0.25, 0.5, 0.75], [0]], 'straight'],
  'swung 2 : 1': [[[0, 2 / 3]], '2'],
  'swung 3 : 2': [[[0, 0.6]], '3/2'],
  'swung 16ths 3 : 2': [[[0, 0.3, 0.5, 0.8]], '3/2'],
  'one off-beat, which tells no feel': [[[0], [0, 0.6], [0], [0]], 'straight'],
  'a slip': [
    [
      [0, 0.5],
      [0, 0.5],
      [0, 0.62],
      [0, 0.5],
    ],
    'straight',
  ],
  'between two grids': [[[0, 0.585], [0], [0], [0]], 'straight'],
  'early on the 1, and late as a whole': [[[0, 0.5]], 'straight', ['4/4'], { late: -25 }],
  'uneven, in 7/8': [[[0], [0.5], [0]], 'straight', ['7/8'], { spread: 14 }],
  'two bars of unlike meters': [[[0, 0.5], [0]], 'straight', ['3/4', '2/4']],
};

describe('what was struck is read', () => {
  test.each(Object.entries(PLAYED))('%s', (_, [shares, feel, meters = ['4/4'], more]) => {
    const groove = bars(...meters);
    const hits = struck(groove, shares, more);
    const { strokes, ...reading } = quantise(hits, countsInRun(groove), { shift: more?.late ?? 0, spread: 10 });
    expect(reading.ratio ?? 'straight').toBe(feel);
    expect(pinnedLines([reading, ...strokes])).toMatchSnapshot();
  });
});
