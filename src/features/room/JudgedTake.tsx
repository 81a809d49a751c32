'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useSyncExternalStore } from 'react';
import type { School } from '@/core/count/schools';
import type { ExerciseBars } from '@/core/form/exercises';
import { TakeFigures } from '@/ui/take/TakeFigures';
import { TakeParts } from '@/ui/take/TakeParts';
import { TakePicture } from '@/ui/take/TakePicture';
import { VerdictNote } from '@/ui/take/VerdictNote';
import { emptyOutbox, onOutbox, outboxState } from './outbox';
import type { Judged } from './useAttempt';

interface JudgedTakeProps {
  judged: Judged;
  school: School;
  onPractise: () => void;
  onAgain: () => void;
  /** Of a drill: practises one exercise of it alone. */
  onPart?: (part: ExerciseBars) => void;
}

/** A take when it is done: what to fix first, where every stroke fell, the figures. */
export function JudgedTake({ judged: { id, take, judgement }, school, onPractise, onAgain, onPart }: JudgedTakeProps) {
  return (
    <Box sx={{ display: 'grid', gap: 3, maxWidth: 1180 }}>
      <VerdictNote
        verdict={judgement.verdict}
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
      />
      {take.parts && <TakeParts take={take} judgement={judgement} school={school} onPart={onPart} />}
      <TakePicture take={take} judgement={judgement} school={school} />
      <TakeFigures judgement={judgement} />
    </Box>
  );
}

/** Whether the server has the take yet. */
export function KeptNote({ id }: { id: string }) {
  const { kept, refused } = useSyncExternalStore(onOutbox, outboxState, () => emptyOutbox);
  const words = kept.has(id)
    ? 'Kept in the log'
    : refused.some((one) => one.id === id)
      ? 'Not kept'
      : 'Safe in this browser, being sent …';
  return (
    <Typography variant="body2" color="textSecondary" role="status">
      {words}
    </Typography>
  );
}
