import { describe, expect, test } from 'vitest';
import type { ChartData } from '@/server/charts';
import { rowsOf } from './rows';
import { chartsOf } from './series';

const CLOCK = { timeZone: 'Etc/UTC', dates: 'en' } as const;

const data = (more: Partial<ChartData> = {}): ChartData => ({
  span: { from: '2026-11-02', to: '2026-11-15' },
  weeks: [
    { week: '2026-11-02', minutes: 40, goal: 70, takes: 4 },
    { week: '2026-11-09', minutes: 0, goal: 0, takes: 0 },
  ],
  reached: [{ week: '2026-11-02', title: 'Ferry ramp', reached: 72, goal: 76 }],
  takes: [
    {
      week: '2026-11-09',
      tempo: 72,
      figures: [{ kind: 'rate spread', of: '4', n: 40, value: 12.34, low: 10, high: 15 }],
    },
    { week: '2026-11-02', tempo: 72, figures: [{ kind: 'switch', of: '2>3', n: 8, value: -30, low: -40, high: -20 }] },
  ],
  heat: [],
  ...more,
});
const chart = (title: string, now = data(), before?: ChartData) =>
  chartsOf(now, before, CLOCK).find((one) => one.title.startsWith(title))!;

describe('the charts of a span', () => {
  test('minutes stand against what was set; a week without either is there', () => {
    expect(chart('Minutes')).toMatchObject({
      across: ['2 Nov', '9 Nov'],
      series: [
        { name: 'sounding', values: [40, 0] },
        { name: 'set', values: [70, null], isGoal: true },
      ],
    });
  });

  test('a tempo is reached in its week, with its goal over all of them', () => {
    expect(chart('Tempo reached').series).toEqual([
      { name: 'Ferry ramp', values: [72, null] },
      { name: 'Ferry ramp: the goal', values: [76, 76], isGoal: true },
    ]);
  });

  test('spread is of each rate by week, switches of each change', () => {
    expect(chart('Spread').series).toEqual([{ name: '16ths', values: [null, 12.3] }]);
    expect(chart('Changes')).toMatchObject({
      across: ['8ths → 8th triplets'],
      series: [{ name: 'late', values: [-30] }],
    });
  });

  test('the span before lies beside it, week by week', () => {
    const before = data({
      weeks: [
        { week: '2026-10-19', minutes: 9, goal: 0, takes: 1 },
        { week: '2026-10-26', minutes: 5, goal: 0, takes: 1 },
      ],
    });
    expect(chart('Minutes', data(), before).series[2]).toEqual({
      name: 'sounding, before',
      values: [9, 5],
      isBefore: true,
    });
    expect(chart('Changes', data(), before).series).toHaveLength(2);
  });

  test('what has no figure is not drawn', () => {
    expect(chartsOf(data({ takes: [], reached: [] }), undefined, CLOCK).map(({ title }) => title)).toEqual([
      'Minutes a week',
    ]);
    const weeks = [{ week: '2026-11-02', minutes: 0, goal: 0, takes: 0 }];
    expect(chartsOf(data({ takes: [], reached: [], weeks }), undefined, CLOCK)).toEqual([]);
  });

  test('each has its table', () => {
    expect(rowsOf(chart('Tempo reached'))).toEqual({
      heading: ['Week from', 'Ferry ramp (bpm)', 'Ferry ramp: the goal (bpm)'],
      rows: [
        ['2 Nov', 72, 76],
        ['9 Nov', null, 76],
      ],
    });
  });
});
