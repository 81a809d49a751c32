import { expect, test } from 'vitest';
import { SCHOOLS } from '../counting/schools';
import { STARTERS } from '../testing/starters';
import { emptyTake, playedTake } from '../testing/takes';
import { judge } from '../judging/verdict/judge';
import { figureSheet, strokeSheet } from './takeSheets';

const take = playedTake({ missedShare: 0.05, spreadMs: 9 }, emptyTake(STARTERS[0]!, { rounds: 4 }));
const judgement = judge(take, 'advanced');

test('each stroke that was due is a line, with when it was struck where it was', () => {
  const { heading, rows } = strokeSheet(take, judgement, SCHOOLS[0]);
  expect(rows).toHaveLength(judgement.strokes.length);
  const of = (name: string) => heading.indexOf(name);
  for (const row of rows) {
    expect(row).toHaveLength(heading.length);
    const [due, struck, late] = ['due (ms)', 'struck (ms)', 'late (ms)'].map((name) => row[of(name)] as number | null);
    if (row[of('outcome')] === 'matched') expect(struck! - due!).toBeCloseTo(late!, 2);
    else expect([struck, late]).toEqual([null, null]);
  }
  expect(rows.filter((row) => row[of('outcome')] === 'missed')).toHaveLength(judgement.figures.missed);
  expect(rows[0]![of('count')]).toBe('count 1');
  expect(Math.max(...rows.map((row) => row[0] as number))).toBe(4 * STARTERS[0]!.bars.length);
});

test('each figure is a line with its interval', () => {
  const { heading, rows } = figureSheet(take, judgement);
  expect(rows.length).toBeGreaterThan(5);
  for (const row of rows) {
    const [low, value, high] = ['low (95 %)', 'value', 'high (95 %)'].map((name) => row[heading.indexOf(name)]);
    if (typeof low === 'number' && typeof value === 'number' && typeof high === 'number')
      expect(low <= value && value <= high).toBe(true);
  }
});
