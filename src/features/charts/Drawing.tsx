'use client';

import { useTheme } from '@mui/material/styles';
import {
  Bar,
  CartesianGrid,
  ComposedChart,
  Legend,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import type { ChartOf, Series } from './series';

/** Bars begin at nothing, upwards or downwards. */
const FROM_ZERO: [(least: number) => number, (most: number) => number] = [
  (least) => Math.min(0, Math.floor(least)),
  (most) => Math.max(0, Math.ceil(most)),
];

/** Marks by which lines of one colour are told apart. */
function dashesOf({ isGoal, isBefore }: Pick<Series, 'isGoal' | 'isBefore'>): string | undefined {
  if (isGoal) return '2 4';
  return isBefore ? '7 4' : undefined;
}

/** A chart of lines or bars; what is meant is dotted, what was before is dashed or paler. */
export function Drawing({ across, series, shape, unit }: ChartOf) {
  const { cloth, text, divider, background } = useTheme().vars!.palette;
  const colours = [cloth.rightHand, cloth.leftHand, cloth.rightFoot, cloth.leftFoot, text.primary, text.secondary];
  const data = across.map((name, index) => ({
    name,
    ...Object.fromEntries(series.map((one) => [one.name, one.values[index]])),
  }));
  const axis = { stroke: text.secondary, fontSize: 12 };
  // What belongs together has one colour: a line, its goal, and the same line before.
  const first = (name: string) => name.replace(/(, before|: the goal)+$/, '');
  const names = [...new Set(series.map(({ name }) => first(name)))];
  const colourOf = (name: string) => colours[names.indexOf(first(name)) % colours.length]!;
  return (
    <ResponsiveContainer>
      <ComposedChart data={data} margin={{ top: 8, right: 16, bottom: 4, left: 0 }}>
        <CartesianGrid stroke={divider} strokeDasharray="2 4" vertical={false} />
        {shape === 'bars' && <ReferenceLine y={0} stroke={text.secondary} />}
        <XAxis dataKey="name" {...axis} interval="preserveStartEnd" minTickGap={24} />
        <YAxis
          {...axis}
          allowDecimals={unit === ': 1'}
          unit={` ${unit}`}
          width={72}
          domain={shape === 'bars' ? FROM_ZERO : ['auto', 'auto']}
        />
        <Tooltip
          contentStyle={{
            background: background.paper,
            border: `1px solid ${divider}`,
            borderRadius: 6,
            color: text.primary,
          }}
          formatter={(value) => `${String(value)} ${unit}`}
        />
        <Legend />
        {series.map(({ name, isGoal, isBefore }) =>
          shape === 'bars' && !isGoal ? (
            <Bar
              key={name}
              dataKey={name}
              fill={colourOf(name)}
              fillOpacity={isBefore ? 0.4 : 1}
              maxBarSize={28}
              isAnimationActive={false}
            />
          ) : (
            <Line
              key={name}
              dataKey={name}
              stroke={colourOf(name)}
              strokeWidth={isGoal || isBefore ? 1.5 : 2.5}
              strokeDasharray={dashesOf({ isGoal, isBefore })}
              dot={isGoal ? false : { r: 2.5 }}
              connectNulls
              isAnimationActive={false}
            />
          ),
        )}
      </ComposedChart>
    </ResponsiveContainer>
  );
}
