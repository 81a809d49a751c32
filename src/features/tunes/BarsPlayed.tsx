import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useMemo, useState } from 'react';
import { stretchesInWords } from '@/core/wording/barsInWords';
import { unroll } from '@/core/chart/play/unroll';
import type { ChartForm } from '@/core/documents/chart';

/** The bars that are really played, numbered, each stretch with where it comes from and what is new in it. */
export function BarsPlayed({ form }: { form: ChartForm }) {
  const [isOpen, setOpen] = useState(false);
  const stretches = useMemo(() => {
    const played = isOpen ? unroll(form) : undefined;
    return played?.ok ? stretchesInWords(played.value) : [];
  }, [form, isOpen]);
  return (
    <section>
      <Button onClick={() => setOpen(!isOpen)} aria-expanded={isOpen}>
        {isOpen ? 'Hide the bars as they are played' : 'Show the bars as they are played'}
      </Button>
      {isOpen && (
        <Box sx={{ overflowX: 'auto', maxWidth: 860 }}>
          <Table size="small" aria-label="Bars as they are played">
            <TableHead>
              <TableRow>
                <TableCell>Bars</TableCell>
                <TableCell>From</TableCell>
                <TableCell>What is new</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {stretches.map(({ bars, from, said }) => (
                <TableRow key={bars}>
                  <TableCell sx={{ whiteSpace: 'nowrap' }}>{bars}</TableCell>
                  <TableCell>{from}</TableCell>
                  <TableCell>{said.join('; ')}</TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </Box>
      )}
    </section>
  );
}
