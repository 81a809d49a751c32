'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useSyncExternalStore } from 'react';
import type { School } from '@/core/count/schools';
import type { ReportWords } from '@/core/take/verdictInWords';
import { useListenBack } from '@/sound/recordings/useListenBack';
import { TakeReport } from '@/ui/take/TakeReport';
import { emptyOutbox, onOutbox, outboxState } from '@/ui/outbox/outbox';
import { KeepSound } from './KeepSound';
import type { Judged } from './state';

interface JudgedTakeProps {
  judged: Judged;
  school: School;
  report: ReportWords;
  onPractise: () => void;
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
  onAgain,
  onExercise,
}: JudgedTakeProps) {
  const back = useListenBack(take, sound);
  return (
    <Box sx={{ maxWidth: 1180 }}>
      <TakeReport
        take={take}
        judgement={judgement}
        school={school}
        report={report}
        onExercise={onExercise}
        listening={back && { back, actions: <KeepSound takeId={id} sound={sound!} /> }}
        action={
          <>
            <Button variant="contained" onClick={onPractise} sx={{ minHeight: 44 }}>
              Practise this
            </Button>
            <Button variant="outlined" onClick={onAgain} sx={{ minHeight: 44 }}>
              The same again
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

/** Whether the server has the take yet. */
function KeptNote({ id }: { id: string }) {
  const { kept, refused } = useSyncExternalStore(onOutbox, outboxState, () => emptyOutbox);
  return (
    <Typography variant="body2" color="textSecondary" role="status">
      {keptInWords(id, kept.has(id), refused)}
    </Typography>
  );
}

function keptInWords(id: string, isKept: boolean, refused: readonly { id: string }[]): string {
  if (isKept) return 'Kept in the log';
  return refused.some((one) => one.id === id) ? 'Not kept' : 'Safe in this browser, being sent …';
}
