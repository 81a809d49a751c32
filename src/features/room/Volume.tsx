'use client';

import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import { useEffect, type ChangeEvent } from 'react';
import { VolumeOffOutlined, VolumeUpOutlined } from '@/ui/icons';
import { useKept } from '@/ui/useKept';

/** How loud it is, and off in one touch; kept in this browser. `onLevel` hears it from 0 to 1. */
export function Volume({ onLevel }: { onLevel: (level: number) => void }) {
  const [percent, setPercent] = useKept<number>('mochila level', 80);
  const [muted, setMuted] = useKept<boolean>('mochila muted', false);
  useEffect(() => onLevel(muted ? 0 : percent / 100), [onLevel, muted, percent]);
  return (
    <Box role="group" aria-label="Level" sx={{ display: 'flex', alignItems: 'center', gap: 1.5, pr: 1 }}>
      <IconButton
        aria-label={muted ? 'Sound is off' : 'Sound is on'}
        aria-pressed={muted}
        onClick={() => setMuted(!muted)}
        sx={{ width: 44, height: 44 }}
      >
        {muted ? <VolumeOffOutlined /> : <VolumeUpOutlined />}
      </IconButton>
      {/* The browser's own, so that the room is there sooner. */}
      <Box
        component="input"
        type="range"
        aria-label="How loud"
        value={percent}
        min={5}
        max={100}
        step={5}
        disabled={muted}
        onChange={(event: ChangeEvent<HTMLInputElement>) => setPercent(Number(event.target.value))}
        sx={{ width: 110, height: 44, m: 0, borderRadius: 1, accentColor: (theme) => theme.vars!.palette.primary.main }}
      />
    </Box>
  );
}
