'use client';

import type { Tolerance } from '@/core/judging/types/figures';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import type { Take } from '@/core/documents/take';
import { judge } from '@/core/judging/verdict/judge';
import { keptForm } from '@/sound/recordings/compress';
import type { TakeSound } from '@/sound/recordings/takeSound';
import { useListenBack } from '@/sound/recordings/useListenBack';
import { KeepSound } from '@/ui/outbox/KeepSound';
import type { Reader } from '@/ui/reader';
import { TakeReport } from '@/ui/take/TakeReport';
import { KeepTake } from './KeepTake';

interface HeardReportProps {
  take: Take;
  sound?: TakeSound;
  tolerance: Tolerance;
  reader: Reader;
  playerId: string;
  grooveId: string;
  playedAt: Date;
}

/** What was heard in a file, judged as any take is, listened to, and kept where its player wants that. */
export function HeardReport({ take, sound, tolerance, reader, playerId, grooveId, playedAt }: HeardReportProps) {
  const judgement = useMemo(() => judge(take, tolerance), [take, tolerance]);
  const back = useListenBack(take, sound);
  const [id] = useState(() => crypto.randomUUID());
  const [isKept, setKept] = useState(false);
  return (
    <TakeReport
      take={take}
      judgement={judgement}
      school={reader.school}
      report={reader.report}
      action={
        <KeepTake
          id={id}
          take={take}
          playerId={playerId}
          grooveId={grooveId}
          playedAt={playedAt}
          onKept={() => setKept(true)}
        />
      }
      listening={
        back && {
          back,
          actions: isKept && <KeepSound takeId={id} playerId={playerId} make={() => keptForm(sound!)} />,
        }
      }
    >
      {take.struckBy === 'kit' && (
        <Typography>The simulated kit played this: kept, it stands apart in the log and counts for nobody.</Typography>
      )}
      {judgement.figures.notJudgeable !== undefined && (
        <Typography color="textSecondary" sx={{ maxWidth: 760 }}>
          {judgement.figures.notJudgeable} written strokes could not have stood out of this recording. They are not
          judged, and not missed.
        </Typography>
      )}
    </TakeReport>
  );
}
