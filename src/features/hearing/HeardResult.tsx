'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useMemo, useState } from 'react';
import type { School } from '@/core/count/schools';
import { withHits, withUnheard, type onGroove } from '@/core/hearing/onGroove';
import type { Expected } from '@/core/hearing/look';
import type { Level } from '@/core/limits';
import { sentence } from '@/core/result';
import { judge } from '@/core/take/judge';
import { TakePicture } from '@/ui/take/TakePicture';
import { VerdictNote } from '@/ui/take/VerdictNote';
import { StrokeTable } from './StrokeTable';
import type { Heard, HeardAgain } from './hear.worker';
import { clockInWords, strokesInWords, troublesOf } from '@/ui/words/recordings';
import { WavePicture } from './WavePicture';

interface HeardResultProps {
  name: string;
  heard: Heard;
  /** What was heard, laid on a groove; undefined where none is chosen. */
  laid?: ReturnType<typeof onGroove>;
  hearAgain: (expected: readonly Expected[]) => Promise<HeardAgain | undefined>;
  school: School;
  level: Level;
}

/** What came of a recording: its strokes over the wave, and on the groove where each fell. */
export function HeardResult({ name, heard, laid, hearAgain, school, level }: HeardResultProps) {
  // With the groove known it listens harder where strokes are written: that takes a moment more.
  const [again, setAgain] = useState<HeardAgain>();
  const written = laid?.ok ? laid.value : undefined;
  useEffect(() => {
    let isOver = false;
    if (written)
      hearAgain(written.expected).then(
        (came) => {
          if (!isOver) setAgain(came);
        },
        () => {},
      );
    return () => {
      isOver = true;
    };
  }, [written, hearAgain]);
  const strokes = again?.strokes ?? heard.strokes;
  const take = useMemo(() => {
    if (!written || !again) return undefined;
    const { firstBarMs, expected } = written;
    const heardTake = withHits(written.take, again.strokes, firstBarMs);
    return again.could ? withUnheard(heardTake, expected, again.could, firstBarMs) : heardTake;
  }, [written, again]);
  const judgement = useMemo(() => take && judge(take, level), [take, level]);
  const limbsAreKnown = take?.task.length === 1 || strokes.some(({ surface }) => surface);
  const troubles = troublesOf(heard.about, strokes.length);
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 3 }}>
      <Box role="status">
        <Typography variant="h2" sx={{ overflowWrap: 'anywhere' }}>
          {strokesInWords(strokes.length)} in {name}
        </Typography>
        <Typography color="textSecondary">{clockInWords(heard.lengthMs)} long</Typography>
      </Box>
      {troubles.map((trouble) => (
        <Alert key={trouble} severity="warning">
          {trouble}
        </Alert>
      ))}
      <WavePicture outline={heard.outline} lengthMs={heard.lengthMs} strokes={strokes} />
      {laid && !laid.ok && <Alert severity="error">{sentence(laid.problems[0]!)}</Alert>}
      {written && !again && <Typography role="status">Listening once more where strokes are written …</Typography>}
      {take && judgement && strokes.length > 1 && (
        <>
          {limbsAreKnown ? (
            <VerdictNote verdict={judgement.verdict} school={school} />
          ) : (
            <Typography color="textSecondary" sx={{ maxWidth: 760 }}>
              Which limb struck is not known from one microphone before the kit was heard, surface by surface: strokes
              lie in the lane they fit best, and two limbs that strike together are one.
            </Typography>
          )}
          {judgement.figures.notJudgeable !== undefined && (
            <Typography color="textSecondary" sx={{ maxWidth: 760 }}>
              {judgement.figures.notJudgeable} written strokes could not have stood out of this recording. They are not
              judged, and not missed.
            </Typography>
          )}
          <TakePicture take={take} judgement={judgement} school={school} />
        </>
      )}
      {strokes.length > 0 && <StrokeTable strokes={strokes} />}
    </Box>
  );
}
