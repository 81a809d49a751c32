'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import type { HeardStroke } from '@/core/hearing/index';

/** More rows than these say nothing that the picture does not. */
const MOST_ROWS = 400;

/** Every stroke with its time, how loud it was, and how far it is from the one before. */
export function StrokeTable({ strokes }: { strokes: readonly HeardStroke[] }) {
  const loudest = Math.max(...strokes.map(({ levelDb }) => levelDb));
  const hasSurfaces = strokes.some(({ surface }) => surface);
  return (
    <details>
      <Typography component="summary" sx={{ cursor: 'pointer', minHeight: 44, display: 'list-item', py: 1.25 }}>
        Every stroke
      </Typography>
      <Box sx={{ maxHeight: 360, overflow: 'auto', maxWidth: 560 }}>
        <Table size="small" stickyHeader>
          <TableHead>
            <TableRow>
              <TableCell align="right">Second</TableCell>
              <TableCell align="right">After the last, ms</TableCell>
              <TableCell align="right">Under the loudest, dB</TableCell>
              {hasSurfaces && <TableCell>Surface</TableCell>}
            </TableRow>
          </TableHead>
          <TableBody>
            {strokes.slice(0, MOST_ROWS).map(({ ms, levelDb, surface }, index) => (
              <TableRow key={`${ms} ${surface}`}>
                <TableCell align="right">{(ms / 1000).toFixed(4)}</TableCell>
                <TableCell align="right">{index ? (ms - strokes[index - 1]!.ms).toFixed(1) : ''}</TableCell>
                <TableCell align="right">{(loudest - levelDb).toFixed(1)}</TableCell>
                {hasSurfaces && <TableCell>{surface}</TableCell>}
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
      {strokes.length > MOST_ROWS && (
        <Typography color="textSecondary">
          The first {MOST_ROWS} of {strokes.length}.
        </Typography>
      )}
    </details>
  );
}
