'use client';

import { useTheme } from '@mui/material/styles';
import {
  CartesianGrid,
  Legend,
  Line,
  LineChart,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import { dayInWords, shortDayInWords } from '@/ui/words/dates';
import type { ProgressProps } from './ProgressChart';

export function ProgressLines({ points, clock }: ProgressProps) {
  const { cloth, text, divider, background } = useTheme().vars!.palette;
  const axis = { stroke: text.secondary, fontSize: 12 };
  // One place across for each take: days without practice would leave most of the width empty.
  const data = points.map((point, index) => ({ ...point, index }));
  return (
    <ResponsiveContainer>
      <LineChart data={data} margin={{ top: 8, right: 16, bottom: 4, left: 0 }}>
        <CartesianGrid stroke={divider} strokeDasharray="2 4" vertical={false} />
        <XAxis
          dataKey="index"
          {...axis}
          tickFormatter={(index: number) => shortDayInWords(points[index]!.at, clock)}
          interval="preserveStartEnd"
          minTickGap={40}
        />
        <YAxis {...axis} unit=" ms" width={64} />
        <ReferenceLine y={0} stroke={text.secondary} />
        <Tooltip
          contentStyle={{
            background: background.paper,
            border: `1px solid ${divider}`,
            borderRadius: 6,
            color: text.primary,
          }}
          labelFormatter={(index) => `${points[Number(index)]!.title}, ${dayInWords(points[Number(index)]!.at, clock)}`}
          formatter={(value) => `${Math.round(Number(value))} ms`}
        />
        <Legend />
        <Line
          dataKey="spread"
          name="spread"
          stroke={cloth.rightHand}
          strokeWidth={2.5}
          dot={{ r: 2.5 }}
          isAnimationActive={false}
        />
        <Line
          dataKey="mean"
          name="mean (late above 0)"
          stroke={cloth.leftHand}
          strokeWidth={2}
          strokeDasharray="6 3"
          dot={false}
          isAnimationActive={false}
        />
      </LineChart>
    </ResponsiveContainer>
  );
}
