'use client';

import type { Clock } from '@/core/documents/settings';
import Box from '@mui/material/Box';
import dynamic from 'next/dynamic';

export interface ProgressPoint {
  /** Milliseconds since 1970. */
  at: number;
  mean: number;
  spread: number;
  title: string;
}

export interface ProgressProps {
  points: ProgressPoint[];
  /** Days are said by this clock. */
  clock: Clock;
}

// Charts are heavy and stand below the fold: loaded when the page is there.
const Chart = dynamic(() => import('./ProgressLines').then((module) => module.ProgressLines), { ssr: false });

/** Mean error and spread of a student's takes over time. */
export function ProgressChart({ points, clock }: ProgressProps) {
  const [first, last] = [points[0]!, points.at(-1)!];
  return (
    <Box
      role="img"
      aria-label={`Spread from ${Math.round(first.spread)} to ${Math.round(last.spread)} ms, mean from ${Math.round(first.mean)} to ${Math.round(last.mean)} ms over ${points.length} takes`}
      sx={{ height: 240, maxWidth: 900 }}
    >
      <Chart points={points} clock={clock} />
    </Box>
  );
}
