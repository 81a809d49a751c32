'use client';

import type { Clock } from '@/core/documents/settings';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useRouter } from 'next/navigation';
import type { EarlierTake } from '@/server/takeFigures';
import { dayInWords } from '@/ui/words/dates';
import { tempoInWords } from '@/ui/words/figures';

interface BesideChoiceProps {
  takeId: string;
  others: readonly EarlierTake[];
  /** The one that lies beside it. */
  chosen?: string;
  clock: Clock;
}

/** Chooses another take of the same groove to lay beside this one. */
export function BesideChoice({ takeId, others, chosen = '', clock }: BesideChoiceProps) {
  const router = useRouter();
  return (
    <TextField
      select
      label="Beside another take"
      value={others.some(({ id }) => id === chosen) ? chosen : ''}
      onChange={({ target }) => router.push(`/takes/${takeId}?beside=${target.value}`)}
      className="no-print"
      sx={{ width: 210 }}
    >
      {others.map(({ id, played_at, tempo }) => (
        <MenuItem key={id} value={id}>
          {dayInWords(played_at, clock)} at {tempoInWords(tempo)}
        </MenuItem>
      ))}
    </TextField>
  );
}
