import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { Groove } from '@/core/groove/groove';
import type { Limb } from '@/core/groove/limbs';
import { format } from '@/core/time/fraction';
import { NOTE_VALUES, valueFigures, valuesInWords, type NoteValue } from '@/core/time/noteValue';

const VALUES = Object.keys(NOTE_VALUES) as NoteValue[];

interface ValueTableProps {
  groove: Groove;
  beat: NoteValue;
  limb: Limb;
  onHear: (value: NoteValue) => void;
  onDrop: (value: NoteValue) => void;
}

/** Every note value at the groove's tempo: its share of the count, how long it lasts, how many a second. */
export function ValueTable({ groove, beat, limb, onHear, onDrop }: ValueTableProps) {
  return (
    <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-label="Note values">
      <Table size="small">
        <TableHead>
          <TableRow>
            <TableCell>Note value</TableCell>
            <TableCell align="right">of the count</TableCell>
            <TableCell align="right">%</TableCell>
            <TableCell align="right">ms</TableCell>
            <TableCell align="right">a second</TableCell>
            <TableCell>on the {limb}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {VALUES.map((each) => {
            const { ofBeat, percentOfBeat, ms, perSecond } = valueFigures(each, beat, groove.tempo);
            return (
              <TableRow key={each}>
                <TableCell component="th" scope="row">
                  {each}
                </TableCell>
                <TableCell align="right">{format(ofBeat)}</TableCell>
                <TableCell align="right">{percentOfBeat.toFixed(2).replace(/\.?0+$/, '')}</TableCell>
                <TableCell align="right">{ms.toFixed(1)}</TableCell>
                <TableCell align="right">{perSecond.toFixed(2)}</TableCell>
                <TableCell sx={{ whiteSpace: 'nowrap', py: 0 }}>
                  <Button size="small" aria-label={`Hear ${valuesInWords(each)}`} onClick={() => onHear(each)}>
                    Hear
                  </Button>
                  <Button
                    size="small"
                    aria-label={`Drop ${valuesInWords(each)} on the strip`}
                    onClick={() => onDrop(each)}
                  >
                    Drop on the strip
                  </Button>
                </TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
    </Box>
  );
}
