'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMemo } from 'react';
import type { School } from '@/core/count/schools';
import { weaknessOf } from '@/core/plan/weakness';
import { judge } from '@/core/take/judge';
import type { Take } from '@/core/documents/take';
import type { TakeRow } from '@/server/takes';
import { Page } from '@/ui/Page';
import { practiceHref } from '@/ui/take/practiceHref';
import { TakeFigures } from '@/ui/take/TakeFigures';
import { TakeParts } from '@/ui/take/TakeParts';
import { TakePicture } from '@/ui/take/TakePicture';
import { VerdictNote } from '@/ui/take/VerdictNote';
import { weaknessHref } from '@/ui/take/weaknessHref';
import { dayInWords, lengthInWords, tempoInWords } from '@/ui/words';

interface TakeViewProps {
  take: TakeRow & { take: Take };
  school: School;
  /** Whether it is the reader's own, so that the next practice can be opened from here. */
  own: boolean;
}

/** One take: what to fix first, where every stroke fell, and the figures. */
export function TakeView({ take: row, school, own }: TakeViewProps) {
  const judgement = useMemo(() => judge(row.take, row.level), [row]);
  const weakness = weaknessOf(judgement.verdict, row.take);
  const note = [
    `${own ? '' : `${row.player}, `}${dayInWords(row.played_at)}`,
    `${tempoInWords(row.tempo)} bpm, click on ${row.click}`,
    lengthInWords(row.played_ms),
    row.input,
  ].join(' · ');
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
        {row.take.parts && <TakeParts take={row.take} judgement={judgement} school={school} />}
        <TakePicture take={row.take} judgement={judgement} school={school} />
        <TakeFigures judgement={judgement} />
      </Box>
    </Page>
  );
}
