'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { School } from '@/core/counting/schools';
import type { ReportWords } from '@/core/documents/verdict';
import { keptForm } from '@/sound/recordings/compress';
import { useListenBack } from '@/sound/recordings/useListenBack';
import { TakeReport } from '@/ui/take/TakeReport';
import { KeepSound } from '@/ui/outbox/KeepSound';
import { KeptNote } from '@/ui/outbox/KeptNote';
import { useRoom } from './RoomContext';
import type { Judged } from './state';

interface JudgedTakeProps {
  judged: Judged;
  school: School;
  report: ReportWords;
  /** Practises what is to be fixed first; not of what is read only once. */
  onPractise?: () => void;
  again: string;
  onAgain: () => void;
  /** Of a drill: practises one exercise of it alone. */
  onExercise?: (exercise: number) => void;
}

/** A take when it is done: what to fix first, where every stroke fell, the figures. */
export function JudgedTake({
  judged: { id, take, judgement, sound },
  school,
  report,
  onPractise,
  again,
  onAgain,
  onExercise,
}: JudgedTakeProps) {
  const { playerId } = useRoom();
  const back = useListenBack(take, sound);
  return (
    <Box sx={{ maxWidth: 1180 }}>
      <TakeReport
        take={take}
        judgement={judgement}
        school={school}
        report={report}
        onExercise={onExercise}
        listening={
          back && { back, actions: <KeepSound takeId={id} playerId={playerId} make={() => keptForm(sound!)} /> }
        }
        action={
          <>
            {onPractise && (
              <Button variant="contained" onClick={onPractise} sx={{ minHeight: 44 }}>
                Practise this
              </Button>
            )}
            <Button variant={onPractise ? 'outlined' : 'contained'} onClick={onAgain} sx={{ minHeight: 44 }}>
              {again}
            </Button>
            <KeptNote id={id} />
          </>
        }
      >
        {take.struckBy === 'kit' && (
          <Typography role="status">
            The simulated kit played this: it is kept apart in the log, and counts for nobody.
          </Typography>
        )}
      </TakeReport>
    </Box>
  );
}
