'use client';

import type { Clock } from '@/core/documents/settings';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { addDays } from 'date-fns';
import { useState } from 'react';
import { SOUND_DAYS } from '@/core/limits';
import type { RecordingRow } from '@/server/recordings';
import { shortDayInWords } from '@/ui/words/dates';
import { dropRecordingAction, pinRecordingAction } from './actions';

interface KeptSoundProps {
  recording: RecordingRow;
  own: boolean;
  clock: Clock;
}

/** How long the sound of a take is kept, and what can be done about it. */
export function KeptSound({ recording: { take_id, kept_at, is_pinned }, own, clock }: KeptSoundProps) {
  const [asks, setAsks] = useState(false);
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', columnGap: 1, rowGap: 0.5 }}>
      <Typography variant="body2" color="textSecondary">
        {is_pinned ? 'Pinned: it stays' : `Goes by itself on ${shortDayInWords(addDays(kept_at, SOUND_DAYS), clock)}`}
      </Typography>
      <form action={pinRecordingAction}>
        <input type="hidden" name="pinned" value={is_pinned ? 'no' : 'yes'} />
        <Button type="submit" name="take" value={take_id} size="small">
          {is_pinned ? 'Unpin' : 'Pin it'}
        </Button>
      </form>
      {own && !asks && (
        <Button size="small" onClick={() => setAsks(true)}>
          Drop the recording
        </Button>
      )}
      {own && asks && (
        <form action={dropRecordingAction}>
          <Typography component="span" variant="body2" sx={{ mr: 1 }}>
            It cannot be had back. The take stays.
          </Typography>
          <Button type="submit" name="take" value={take_id} size="small" color="error">
            Drop it
          </Button>
          <Button size="small" onClick={() => setAsks(false)}>
            Leave it
          </Button>
        </form>
      )}
    </Box>
  );
}
