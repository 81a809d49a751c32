import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import type { School } from '@/core/counting/schools';
import { exerciseInWords, type Exercises } from '@/core/form/exercises';
import type { Judgement } from '@/core/judging/types/judgement';
import { opening, plural } from '../words/text';
import { inMs, lateOrEarly } from '../words/figures';
import { faultsOf } from './faults';

function headingOf(one: string, of: number, wrong: number): string {
  if (of === 1) return wrong ? `The ${one} is to come back to` : `The ${one} is there`;
  if (of === 2 && !wrong) return `Both ${one}s are there`;
  return wrong ? `${plural(wrong, one)} of ${of} to come back to` : `All ${of} ${one}s are there`;
}

interface TakeExercisesProps {
  /** The drill as it was played. */
  drill: Exercises;
  judgement: Judgement;
  school: School;
  /** Practises one exercise alone; where the take is only read there is nothing to start. */
  onExercise?: (exercise: number) => void;
}

/** A take of a drill, exercise by exercise: which ones are there already, and what is to fix in the others. */
export function TakeExercises({
  drill,
  judgement: { byExercise, toleranceMs },
  school,
  onExercise,
}: TakeExercisesProps) {
  // Called in any order, an exercise has no number of its own.
  const order = drill.passages.flatMap(({ exercise }) => exercise ?? []);
  const isInOrder = order.every((one, index) => index === 0 || one > order[index - 1]!);
  // Of a chart these are its sections.
  const one = drill.exercises.some(({ section }) => section !== undefined) ? 'section' : 'exercise';
  const wrong = byExercise.filter((figures) => faultsOf(figures, toleranceMs));
  return (
    <section>
      <Typography variant="h2" gutterBottom>
        {headingOf(one, byExercise.length, wrong.length)}
      </Typography>
      <Box sx={{ maxHeight: 340, overflow: 'auto' }} tabIndex={0} role="region" aria-label={`Figures by ${one}`}>
        <Table size="small" stickyHeader>
          <TableHead>
            <TableRow>
              <TableCell>{opening(one)}</TableCell>
              <TableCell>To fix</TableCell>
              <TableCell align="right">Mean</TableCell>
              <TableCell align="right">Spread</TableCell>
              {onExercise && <TableCell align="right">Practise</TableCell>}
            </TableRow>
          </TableHead>
          <TableBody>
            {byExercise.map((figures) => {
              const named = exerciseInWords(drill, figures.exercise, school);
              // A section is called as it was typed.
              const said = one === 'section' ? named : opening(named);
              const fix = faultsOf(figures, toleranceMs);
              return (
                <TableRow key={figures.exercise}>
                  <TableCell component="th" scope="row" sx={{ overflowWrap: 'anywhere' }}>
                    {isInOrder && `${figures.exercise + 1}. `}
                    {said}
                  </TableCell>
                  <TableCell sx={{ color: fix ? 'error.main' : 'success.main' }}>{fix || 'clean'}</TableCell>
                  <TableCell align="right">{lateOrEarly(figures.meanErrorMs)}</TableCell>
                  <TableCell align="right">{inMs(figures.sdErrorMs)}</TableCell>
                  {onExercise && (
                    <TableCell align="right">
                      <Button size="small" aria-label={`${said} alone`} onClick={() => onExercise(figures.exercise)}>
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
