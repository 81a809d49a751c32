import type { Clock } from '@/core/documents/settings';
import { spreadsOfMany, swingByTempo, switchesOfMany } from '@/core/plan/studentFigures';
import { groupBy } from '@/core/stats/groupBy';
import { rateInWords, switchInWords } from '@/core/wording/figuresInWords';
import type { ChartData } from '@/server/charts';
import { shortDateInWords } from '@/ui/words/dates';
import { opening } from '@/ui/words/text';

/** A line or a row of bars: what it is called, and a value at each place across, nothing where there is none. */
export interface Series {
  name: string;
  values: (number | null)[];
  /** Drawn beside the others as what was meant. */
  isGoal?: boolean;
  /** Of the span before. */
  isBefore?: boolean;
}

/** What a chart draws and its table says. */
export interface ChartOf {
  title: string;
  /** What is measured, as it stands on the axis. */
  unit: string;
  /** The places across: weeks, tempos or switches. */
  across: string[];
  acrossName: string;
  series: Series[];
  shape: 'lines' | 'bars';
}

const rounded = (value: number) => Math.round(value * 10) / 10;

/** Weeks are laid over one another by their place in the span, so that two spans can be compared. */
const weeksAcross = ({ weeks }: ChartData, clock: Clock): string[] =>
  weeks.map(({ week }) => shortDateInWords(week, clock));

/** The charts of a span; with a second one beside it, drawn as what was before. */
export function chartsOf(now: ChartData, before: ChartData | undefined, clock: Clock): ChartOf[] {
  return [
    minutes(now, before, clock),
    reached(now, before, clock),
    spread(now, before, clock),
    switches(now, before),
    swing(now, before),
  ].filter(({ series }) => series.some(({ values }) => values.some(Boolean)));
}

const both = (now: ChartData, before: ChartData | undefined, of: (data: ChartData) => Series[]): Series[] => [
  ...of(now),
  ...(before ? of(before).map((series) => ({ ...series, name: `${series.name}, before`, isBefore: true })) : []),
];

const minutes = (now: ChartData, before: ChartData | undefined, clock: Clock): ChartOf => ({
  title: 'Minutes a week',
  unit: 'min',
  across: weeksAcross(now, clock),
  acrossName: 'Week from',
  shape: 'bars',
  series: both(now, before, ({ weeks }) => [
    { name: 'sounding', values: weeks.map((week) => week.minutes) },
    { name: 'set', values: weeks.map(({ goal }) => goal || null), isGoal: true },
  ]),
});

const reached = (now: ChartData, before: ChartData | undefined, clock: Clock): ChartOf => ({
  title: 'Tempo reached, clean',
  unit: 'bpm',
  across: weeksAcross(now, clock),
  acrossName: 'Week from',
  shape: 'lines',
  series: both(now, before, ({ weeks, reached: all }) =>
    [...groupBy(all, ({ title }) => title)].flatMap(([title, rows]): Series[] => {
      const at = new Map(rows.map((row) => [row.week, row.reached]));
      const goal = rows.at(-1)!.goal;
      return [
        { name: title, values: weeks.map(({ week }) => at.get(week) ?? null) },
        ...(goal === null ? [] : [{ name: `${title}: the goal`, values: weeks.map(() => goal), isGoal: true }]),
      ];
    }),
  ),
});

const spread = (now: ChartData, before: ChartData | undefined, clock: Clock): ChartOf => ({
  title: 'Spread by rate',
  unit: 'ms',
  across: weeksAcross(now, clock),
  acrossName: 'Week from',
  shape: 'lines',
  series: both(now, before, ({ weeks, takes }) => {
    const byWeek = groupBy(takes, ({ week }) => week);
    const figures = weeks.map(({ week }) => spreadsOfMany(byWeek.get(week) ?? []));
    const rates = [...new Set(figures.flatMap((all) => all.map(({ of }) => of)))].sort((a, b) => Number(a) - Number(b));
    return rates.map((rate) => ({
      name: rateInWords(rate),
      values: figures.map((all) => {
        const value = all.find(({ of }) => of === rate)?.value;
        return value === null || value === undefined ? null : rounded(value);
      }),
    }));
  }),
});

function switches(now: ChartData, before?: ChartData): ChartOf {
  const figures = (data?: ChartData) => new Map(switchesOfMany(data?.takes ?? []).map(({ of, value }) => [of, value]));
  const [late, lateBefore] = [figures(now), figures(before)];
  const all = [...new Set([...late.keys(), ...lateBefore.keys()])].sort();
  const valuesIn = (known: Map<string, number | null>) =>
    all.map((of) => {
      const value = known.get(of);
      return value === null || value === undefined ? null : rounded(value);
    });
  return {
    title: 'Changes of rate: the first three notes, late above 0',
    unit: 'ms',
    across: all.map((of) => opening(switchInWords(of))),
    acrossName: 'Change',
    shape: 'bars',
    series: [
      { name: 'late', values: valuesIn(late) },
      ...(before ? [{ name: 'late, before', values: valuesIn(lateBefore), isBefore: true }] : []),
    ],
  };
}

function swing(now: ChartData, before?: ChartData): ChartOf {
  const figures = (data?: ChartData) => swingByTempo(data?.takes ?? []);
  const [played, playedBefore] = [figures(now), figures(before)];
  const tempos = [...new Set([...played, ...playedBefore].map(({ tempo }) => tempo))].sort((a, b) => a - b);
  const valuesIn = (known: typeof played, of: 'value' | 'meant') =>
    tempos.map((tempo) => {
      const value = known.find((one) => one.tempo === tempo)?.[of];
      return value === null || value === undefined ? null : Math.round(value * 100) / 100;
    });
  return {
    title: 'Swing by tempo, long to short',
    unit: ': 1',
    across: tempos.map(String),
    acrossName: 'Tempo',
    shape: 'lines',
    series: [
      { name: 'played', values: valuesIn(played, 'value') },
      { name: 'meant', values: valuesIn(played, 'meant'), isGoal: true },
      ...(before ? [{ name: 'played, before', values: valuesIn(playedBefore, 'value'), isBefore: true }] : []),
    ],
  };
}
