import type { ChartOf } from './series';

/** The table of a chart: a row for each place across. */
export const rowsOf = ({ across, acrossName, series, unit }: ChartOf) => ({
  heading: [acrossName, ...series.map(({ name }) => `${name} (${unit.replace(/^: /, 'to ')})`)],
  rows: across.map((name, index) => [name, ...series.map(({ values }) => values[index] ?? null)]),
});
