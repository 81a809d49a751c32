'use client';

import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { Bpm } from '@/core/time/units';

interface TempoFieldProps {
  bpm: Bpm;
  least: Bpm;
  most: Bpm;
  onChange: (bpm: Bpm) => void;
}

/** A tempo that is typed; what is no tempo changes nothing and says so. */
export function TempoField({ bpm, least, most, onChange }: TempoFieldProps) {
  const [typed, setTyped] = useState(String(bpm));
  const read = (text: string) => (/^\d+([.,]\d{1,3})?$/.test(text.trim()) ? Number(text.replace(',', '.')) : NaN);
  const isTempo = (value: number) => value >= least && value <= most;
  return (
    <TextField
      label="Tempo"
      value={typed}
      error={!isTempo(read(typed))}
      helperText={isTempo(read(typed)) ? undefined : `${least} to ${most} bpm`}
      onChange={({ target }) => {
        setTyped(target.value);
        if (isTempo(read(target.value))) onChange(read(target.value));
      }}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
      sx={{ width: 120 }}
    />
  );
}
