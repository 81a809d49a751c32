'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { differenceInHours } from 'date-fns';
import { useMemo } from 'react';
import { weaknessOf } from '@/core/plan/weakness';
import { judge } from '@/core/take/judge';
import { exercisesPlayed, type Take } from '@/core/documents/take';
import type { TakeRow } from '@/server/takes';
import { Page } from '@/ui/Page';
import type { Reader } from '@/ui/reader';
import { practiceHref } from '@/ui/take/practiceHref';
import { TakeFigures } from '@/ui/take/TakeFigures';
import { TakeExercises } from '@/ui/take/TakeExercises';
import { TakePlaces } from '@/ui/take/TakePlaces';
import { TakePicture } from '@/ui/take/TakePicture';
import { VerdictNote } from '@/ui/take/VerdictNote';
import { weaknessHref } from '@/ui/take/weaknessHref';
import { dayInWords } from '@/ui/words/dates';
import { lengthInWords, tempoInWords } from '@/ui/words/figures';

interface TakeViewProps {
  row: TakeRow;
  take: Take;
  reader: Reader;
  /** Whether it is the reader's own, so that the next practice can be opened from here. */
  own: boolean;
}

/** One take: what to fix first, where every stroke fell, and the figures. */
export function TakeView({ row, take, reader: { school, timeZone }, own }: TakeViewProps) {
  const judgement = useMemo(() => judge(take, row.level), [take, row.level]);
  const weakness = weaknessOf(judgement.verdict, take);
  const drill = exercisesPlayed(take);
  const note = [
    `${own ? '' : `${row.player}, `}${dayInWords(row.played_at, timeZone)}`,
    // The browser's clock says when it was played; where that is far off, the server's stands beside it.
    differenceInHours(row.received_at, row.played_at) >= 1 && `arrived ${dayInWords(row.received_at, timeZone)}`,
    `${tempoInWords(row.tempo)} bpm, click on ${row.click}`,
    lengthInWords(row.played_ms),
    row.struck_by === 'kit' ? 'the simulated kit played: it counts for nobody' : row.input,
    !row.as_written && 'a take of its own: other bars than the groove has',
  ]
    .filter(Boolean)
    .join(' · ');
  return (
    <Page
      title={row.title}
      note={note}
      actions={
        <Button href={own ? '/takes' : `/takes?student=${row.player_id}`} variant="outlined">
          All takes
        </Button>
      }
    >
      <Box sx={{ display: 'grid', gap: 3.5, maxWidth: 1180 }}>
        <VerdictNote
          verdict={judgement.verdict}
          school={school}
          action={
            own ? (
              <Button href={practiceHref(row.groove_id, judgement.verdict.practise)} variant="outlined">
                Practise this
              </Button>
            ) : (
              weakness && (
                <Button href={weaknessHref(weakness)} variant="outlined">
                  Make a drill of this
                </Button>
              )
            )
          }
        />
        {drill && <TakeExercises drill={drill} judgement={judgement} school={school} />}
        <TakePicture take={take} judgement={judgement} school={school} />
        <TakeFigures judgement={judgement} />
        <TakePlaces take={take} judgement={judgement} school={school} />
      </Box>
    </Page>
  );
}
