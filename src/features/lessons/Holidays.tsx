'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useActionState } from 'react';
import type { Clock } from '@/core/documents/settings';
import { Field } from '@/ui/Field';
import { EMPTY_FORM } from '@/ui/form';
import { dateInWords } from '@/ui/words/dates';
import { addHolidayAction, dropHolidayAction } from './actions';

interface HolidaysProps {
  holidays: readonly { id: string; name: string; from: string; to: string }[];
  clock: Clock;
  isOwner: boolean;
}

/** The days on which no lesson comes round, in the whole workshop. */
export function Holidays({ holidays, clock, isOwner }: HolidaysProps) {
  const [state, action, busy] = useActionState(addHolidayAction, EMPTY_FORM);
  const shrink = { inputLabel: { shrink: true } };
  return (
    <section>
      <Typography variant="h2">Holidays</Typography>
      <Typography color="textSecondary" sx={{ mb: 1 }}>
        No lesson comes round on these days. One that is set down for such a day by hand takes place.
      </Typography>
      {holidays.map(({ id, name, from, to }) => (
        <Box
          key={id}
          component="form"
          action={dropHolidayAction}
          sx={{
            display: 'flex',
            flexWrap: 'wrap',
            gap: 1.5,
            alignItems: 'center',
            py: 0.75,
            borderTop: 1,
            borderColor: 'divider',
          }}
        >
          <Typography sx={{ flex: '1 1 320px', overflowWrap: 'anywhere' }}>
            <strong>{name}</strong>, {dateInWords(from, clock)}
            {to !== from && ` to ${dateInWords(to, clock)}`}
          </Typography>
          {isOwner && (
            <Button type="submit" name="holiday" value={id} size="small" aria-label={`Drop ${name}`}>
              Drop
            </Button>
          )}
        </Box>
      ))}
      {isOwner && (
        <Box
          component="form"
          action={action}
          noValidate
          sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'flex-start', mt: 1.5 }}
        >
          <Field state={state} name="name" label="Called" size="small" sx={{ width: 220 }} />
          <Field
            state={state}
            name="from"
            label="From"
            type="date"
            size="small"
            sx={{ width: 170 }}
            slotProps={shrink}
          />
          <Field state={state} name="to" label="To" type="date" size="small" sx={{ width: 170 }} slotProps={shrink} />
          <Button type="submit" variant="outlined" loading={busy} sx={{ height: 40 }}>
            Set them down
          </Button>
          {state.say && (
            <Alert severity="success" role="status" sx={{ py: 0 }}>
              {state.say}
            </Alert>
          )}
        </Box>
      )}
    </section>
  );
}
