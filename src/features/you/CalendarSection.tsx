'use client';

import type { Clock } from '@/core/documents/settings';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useActionState } from 'react';
import { dayInWords } from '@/ui/words/dates';
import { dropFeedAction, makeFeedAction } from './actions';

interface CalendarSectionProps {
  /** When the address there is was made. */
  made?: Date;
  clock: Clock;
}

/** An address by which a calendar elsewhere shows lessons and what is due; taken back by one touch. */
export function CalendarSection({ made, clock }: CalendarSectionProps) {
  const [token, make, busy] = useActionState(makeFeedAction, undefined);
  const address = token && made && `${window.location.origin}/api/calendar/${token}.ics`;
  return (
    <section>
      <Typography variant="h2">Calendar</Typography>
      <Typography color="textSecondary" sx={{ mb: 2 }}>
        Your lessons and what is due, in the calendar of your phone. Whoever has the address reads it with the names in
        it: give it to nobody, and take it back when you are in doubt.
      </Typography>
      {address && (
        <Alert severity="info" sx={{ mb: 2 }} role="status">
          Add it to your calendar as a subscription. It is shown this once.
          <TextField
            value={address}
            fullWidth
            size="small"
            sx={{ mt: 1 }}
            slotProps={{ htmlInput: { readOnly: true, 'aria-label': 'Address of the calendar' } }}
            onFocus={({ target }) => target.select()}
          />
        </Alert>
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center' }}>
        <form action={make}>
          <Button type="submit" variant="outlined" loading={busy} sx={{ minHeight: 44 }}>
            {made ? 'Make a new address' : 'Make an address'}
          </Button>
        </form>
        {made && (
          <>
            <form action={dropFeedAction}>
              <Button type="submit" sx={{ minHeight: 44 }}>
                Take the address back
              </Button>
            </form>
            <Typography color="textSecondary">Made {dayInWords(made, clock)}.</Typography>
          </>
        )}
      </Box>
    </section>
  );
}
