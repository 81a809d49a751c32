'use client';

import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import type { TempoPoint } from '@/core/judging/report/takeFigures';
import { driftInWords } from '../words/figures';

/** A change of tempo of less than this is hardly heard (Drake & Botte 1993, Perception & Psychophysics 54:277). */
const HEARD_PERCENT = 2;
const HEIGHT = 84;

interface TempoPictureProps {
  curve: readonly TempoPoint[];
}

/** The tempo that was played, from bar to bar, round the one that was set. */
export function TempoPicture({ curve }: TempoPictureProps) {
  const { cloth, text } = useTheme().vars!.palette;
  if (curve.length < 3) return null;
  const most = Math.max(1.25 * HEARD_PERCENT, ...curve.map(({ percent }) => Math.abs(percent)));
  const [first, last] = [curve[0]!.barInRun, curve.at(-1)!.barInRun];
  const x = (bar: number) => (100 * (bar - first)) / (last - first || 1);
  const y = (percent: number) => HEIGHT / 2 - (percent * (HEIGHT / 2 - 6)) / most;
  const [slowest, fastest] = [Math.min(...curve.map(({ bpm }) => bpm)), Math.max(...curve.map(({ bpm }) => bpm))];
  return (
    <Box component="section">
      <Typography variant="h2">Tempo over time</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        From bar to bar, between {slowest.toFixed(1)} and {fastest.toFixed(1)} bpm. Up is faster than was set; a change
        within the green band, {HEARD_PERCENT} %, is hardly heard.
      </Typography>
      <Box
        component="svg"
        aria-hidden
        viewBox={`0 0 100 ${HEIGHT}`}
        preserveAspectRatio="none"
        sx={{ width: 1, height: HEIGHT, display: 'block' }}
      >
        <rect
          x={0}
          width={100}
          y={y(HEARD_PERCENT)}
          height={y(-HEARD_PERCENT) - y(HEARD_PERCENT)}
          fill={cloth.unheard}
          opacity={0.6}
        />
        <line x1={0} x2={100} y1={y(0)} y2={y(0)} stroke={text.secondary} vectorEffect="non-scaling-stroke" />
        <polyline
          points={curve.map(({ barInRun, percent }) => `${x(barInRun)},${y(percent)}`).join(' ')}
          fill="none"
          stroke={text.primary}
          strokeWidth={2.25}
          strokeLinejoin="round"
          vectorEffect="non-scaling-stroke"
        />
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ display: 'flex', justifyContent: 'space-between' }}>
        <span>bar {first + 1}</span>
        <span>bar {last + 1}</span>
      </Typography>
      <Box component="details" className="fold">
        <Typography component="summary" sx={{ cursor: 'pointer', py: 0.5 }}>
          Every bar as a table
        </Typography>
        <Box
          sx={{ maxHeight: 300, overflow: 'auto', maxWidth: 420 }}
          tabIndex={0}
          role="region"
          aria-label="Tempo by bar"
        >
          <Table size="small" stickyHeader>
            <TableHead>
              <TableRow>
                <TableCell>Bar</TableCell>
                <TableCell align="right">Tempo</TableCell>
                <TableCell align="right">Against what was set</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {curve.map(({ barInRun, bpm, percent }) => (
                <TableRow key={barInRun}>
                  <TableCell component="th" scope="row">
                    {barInRun + 1}
                  </TableCell>
                  <TableCell align="right">{bpm.toFixed(1)} bpm</TableCell>
                  <TableCell align="right">{driftInWords(percent)}</TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </Box>
      </Box>
    </Box>
  );
}
