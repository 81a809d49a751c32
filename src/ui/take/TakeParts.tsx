import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import type { School } from '@/core/count/schools';
import { isSameExercise, exerciseInWords, type ExerciseBars } from '@/core/form/exercises';
import type { Take } from '@/core/documents/take';
import type { Judgement } from '@/core/take/judge';
import { inMs, lateOrEarly, opening, plural } from '../words';
import { faultsOf } from './faults';

interface TakePartsProps {
  take: Take;
  judgement: Judgement;
  school: School;
  /** Practises one exercise alone; where the take is only read there is nothing to start. */
  onPart?: (part: ExerciseBars) => void;
}

/** A take of a drill, exercise by exercise: which ones are there already, and what is to fix in the others. */
export function TakeParts({ take, judgement: { byPart, toleranceMs }, school, onPart }: TakePartsProps) {
  // Called again and again, an exercise has no number of its own.
  const numbered = take.parts!.every((part, index, all) => all.findIndex((one) => isSameExercise(one, part)) === index);
  const wrong = byPart.filter((one) => faultsOf(one, toleranceMs));
  return (
    <section>
      <Typography variant="h2" gutterBottom>
        {wrong.length
          ? `${plural(wrong.length, 'exercise')} of ${byPart.length} to come back to`
          : `All ${plural(byPart.length, 'exercise')} are there`}
      </Typography>
      <Box sx={{ maxHeight: 340, overflow: 'auto' }} tabIndex={0} role="region" aria-label="Figures by exercise">
        <Table size="small" stickyHeader>
          <TableHead>
            <TableRow>
              <TableCell>Exercise</TableCell>
              <TableCell>To fix</TableCell>
              <TableCell align="right">Mean</TableCell>
              <TableCell align="right">Spread</TableCell>
              {onPart && <TableCell align="right">Practise</TableCell>}
            </TableRow>
          </TableHead>
          <TableBody>
            {byPart.map((one) => {
              const part = take.parts![one.part]!;
              const said = opening(exerciseInWords(part, take.groove, school));
              const fix = faultsOf(one, toleranceMs);
              return (
                <TableRow key={one.part}>
                  <TableCell component="th" scope="row" sx={{ overflowWrap: 'anywhere' }}>
                    {numbered && `${one.part + 1}. `}
                    {said}
                  </TableCell>
                  <TableCell sx={{ color: fix ? 'error.main' : 'success.main' }}>{fix || 'clean'}</TableCell>
                  <TableCell align="right">{lateOrEarly(one.meanErrorMs)}</TableCell>
                  <TableCell align="right">{inMs(one.sdErrorMs)}</TableCell>
                  {onPart && (
                    <TableCell align="right">
                      <Button size="small" aria-label={`${said} alone`} onClick={() => onPart(part)}>
                        This one alone
                      </Button>
                    </TableCell>
                  )}
                </TableRow>
              );
            })}
          </TableBody>
        </Table>
      </Box>
    </section>
  );
}
