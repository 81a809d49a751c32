'use client';

import type { Tolerance } from '@/core/judging/types/figures';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { alignToGroove } from '@/core/hearing/take/alignToGroove';
import type { Expected } from '@/core/hearing/kit/scoreSurfaces';
import { sentence } from '@/core/result';
import type { TakeSound } from '@/sound/recordings/takeSound';
import type { Reader } from '@/ui/reader';
import { clockInWords, strokesInWords, troublesOf } from '@/ui/words/recordings';
import { HeardReport } from './HeardReport';
import { StrokeTable } from './StrokeTable';
import type { Heard, HeardAgain } from './hear.worker';
import { useHeardTake } from './useHeardTake';
import type { From } from './useHearing';
import { WavePicture } from './WavePicture';

interface HeardResultProps {
  name: string;
  heard: Heard;
  from: From;
  /** What was heard, laid on a groove; undefined where none is chosen. */
  laid?: ReturnType<typeof alignToGroove>;
  hearAgain: (expected: readonly Expected[]) => Promise<HeardAgain | undefined>;
  sound: () => Promise<Pick<TakeSound, 'samples' | 'sampleRate'> | undefined> | undefined;
  reader: Reader;
  tolerance: Tolerance;
  playerId: string;
  grooveId?: string;
}

/** What came of a recording: its strokes over the wave, and on the groove where each fell. */
export function HeardResult({ name, tolerance, reader, playerId, grooveId, ...asked }: HeardResultProps) {
  const { heard, laid, from } = asked;
  const { take, strokes, isHearing, sound } = useHeardTake(asked);
  const limbsAreKnown = take?.task.length === 1 || strokes.some(({ surface }) => surface);
  const troubles = heard.sound ? troublesOf(heard.sound.about, strokes.length) : [];
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
      {heard.sound && !sound && (
        <WavePicture outline={heard.sound.outline} lengthMs={heard.lengthMs} strokes={strokes} />
      )}
      {laid && !laid.ok && <Alert severity="error">{sentence(laid.problems[0]!)}</Alert>}
      {isHearing && <Typography role="status">Listening once more where strokes are written …</Typography>}
      {take && grooveId && strokes.length > 1 && (
        <>
          {!limbsAreKnown && (
            <Typography color="textSecondary" sx={{ maxWidth: 760 }}>
              Which limb struck is not known from one microphone before the kit was heard, surface by surface: strokes
              lie in the lane they fit best, and two limbs that strike together are one.
            </Typography>
          )}
          <HeardReport
            take={take}
            sound={sound}
            tolerance={tolerance}
            reader={reader}
            playerId={playerId}
            grooveId={grooveId}
            playedAt={from.playedAt}
          />
        </>
      )}
      {strokes.length > 0 && <StrokeTable strokes={strokes} />}
    </Box>
  );
}
