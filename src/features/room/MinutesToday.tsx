'use client';

import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { plural } from '@/ui/words/text';
import { useRoom } from './RoomContext';

/** Minutes are counted, not seconds: nobody plays against a clock. */
const COUNTED_MS = 5000;

/** How much of a day's practice is left, counted down by what really sounds. */
export function MinutesToday() {
  const { assignment, state } = useRoom();
  // What the kit plays counts for nobody.
  const isPlaying = state.phase === 'playing' && state.settings.who === 'me';
  const [playingMs, setPlayingMs] = useState(0);
  useEffect(() => {
    if (!isPlaying) return;
    const since = performance.now();
    const timer = setInterval(() => setPlayingMs(performance.now() - since), COUNTED_MS);
    return () => {
      clearInterval(timer);
      setPlayingMs(0);
    };
  }, [isPlaying]);
  if (!assignment) return null;
  const { minutes, todayMs } = assignment;
  const done = Math.floor((todayMs + state.practisedMs + (isPlaying ? playingMs : 0)) / 60_000);
  return (
    <Typography role="status" aria-label="Today" sx={{ whiteSpace: 'nowrap', fontVariantNumeric: 'tabular-nums' }}>
      {done >= minutes
        ? `${plural(done, 'minute')} done today`
        : `${plural(minutes - done, 'minute')} left of ${minutes} today`}
    </Typography>
  );
}
