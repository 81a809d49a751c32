'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import { useEffect, useRef, useState } from 'react';
import { rowsOf } from './rows';
import type { ChartOf } from './series';

const Drawing = dynamic(() => import('./Drawing').then((module) => module.Drawing), { ssr: false });

/** One chart, drawn when it comes into sight, with its table and the table as a file. */
export function ChartSection({ chart }: { chart: ChartOf }) {
  const { title, series } = chart;
  const place = useRef<HTMLDivElement>(null);
  const [isSeen, setSeen] = useState(false);
  useEffect(() => {
    const watch = new IntersectionObserver(([entry]) => entry?.isIntersecting && setSeen(true), {
      rootMargin: '200px',
    });
    watch.observe(place.current!);
    return () => watch.disconnect();
  }, []);
  const { heading, rows } = rowsOf(chart);
  const save = async () => {
    const { writeCsv } = await import('@/ui/csv/table');
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([writeCsv(heading, rows)], { type: 'text/csv' }));
    link.download = `${title.toLowerCase().replaceAll(/[^a-z]+/g, '-')}.csv`;
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
  };
  return (
    <section>
      <Typography variant="h2" gutterBottom>
        {title}
      </Typography>
      <Box
        ref={place}
        role="img"
        aria-label={`${title}: ${series.map(({ name }) => name).join(', ')}. The table below has the figures.`}
        sx={{ height: 260, maxWidth: 1000 }}
      >
        {isSeen && <Drawing {...chart} />}
      </Box>
      <Box component="details">
        <Box component="summary" sx={{ cursor: 'pointer', py: 0.5 }}>
          The figures of “{title}”
        </Box>
        <Box sx={{ overflowX: 'auto', maxWidth: 1000 }} tabIndex={0} role="region" aria-label={`Figures of ${title}`}>
          <Table size="small">
            <TableHead>
              <TableRow>
                {heading.map((name) => (
                  <TableCell key={name}>{name}</TableCell>
                ))}
              </TableRow>
            </TableHead>
            <TableBody>
              {rows.map(([first, ...values]) => (
                <TableRow key={String(first)}>
                  <TableCell component="th" scope="row">
                    {first}
                  </TableCell>
                  {values.map((value, index) => (
                    <TableCell key={index}>{value ?? '–'}</TableCell>
                  ))}
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </Box>
        <Button onClick={() => void save()} aria-label={`${title} as a file`}>
          As a file
        </Button>
      </Box>
    </section>
  );
}
