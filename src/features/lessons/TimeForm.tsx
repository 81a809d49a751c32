'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { useActionState, useState } from 'react';
import { MOST_IN_A_LESSON } from '@/core/limits';
import { Field } from '@/ui/Field';
import { EMPTY_FORM } from '@/ui/form';
import { addTimeAction } from './actions';
import { EVERY, studentField } from './shapes';

interface TimeFormProps {
  students: readonly { id: string; name: string }[];
  /** The day it is, by the workshop's clock. */
  today: string;
  /** Who stands there first. */
  chosen?: { id: string; name: string };
}

/** Sets down who comes, when, and how often: one, or a group that comes together. */
export function TimeForm({ students, today, chosen }: TimeFormProps) {
  const [state, action, busy] = useActionState(addTimeAction, EMPTY_FORM);
  const [who, setWho] = useState<readonly { id: string; name: string }[]>(chosen ? [chosen] : []);
  const shrink = { inputLabel: { shrink: true } };
  return (
    <Box
      component="form"
      action={action}
      noValidate
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr 1fr', md: '2fr 1fr 0.8fr 0.7fr 1.2fr 1fr' },
        gap: 1.5,
        alignItems: 'start',
      }}
    >
      {who.map(({ id }) => (
        <input key={id} type="hidden" name={studentField(id)} value="yes" />
      ))}
      <Autocomplete
        multiple
        options={students}
        value={[...who]}
        getOptionLabel={({ name }) => name}
        getOptionKey={({ id }) => id}
        isOptionEqualToValue={(a, b) => a.id === b.id}
        onChange={(_, value) => setWho(value.slice(0, MOST_IN_A_LESSON))}
        renderInput={(params) => (
          <TextField
            {...params}
            label="Who comes"
            error={Boolean(state.problems.students)}
            helperText={state.problems.students}
          />
        )}
        sx={{ gridColumn: { xs: '1 / -1', md: 'auto' } }}
      />
      <Field state={state} name="day" label="First on" type="date" defaultValue={today} slotProps={shrink} />
      <Field state={state} name="at" label="At" type="time" defaultValue="16:00" slotProps={shrink} />
      <Field
        state={state}
        name="minutes"
        label="Minutes"
        defaultValue="45"
        slotProps={{ htmlInput: { inputMode: 'numeric' } }}
      />
      <Field state={state} name="every" label="Comes round" options={EVERY} defaultValue="1" />
      <Field state={state} name="until" label="Last on" type="date" hint="May be left out." slotProps={shrink} />
      <Box sx={{ gridColumn: '1 / -1', display: 'flex', gap: 2, alignItems: 'center' }}>
        <Button type="submit" variant="contained" loading={busy} sx={{ minHeight: 44 }}>
          Set it down
        </Button>
        {state.say && (
          <Alert severity="success" role="status" sx={{ py: 0 }}>
            {state.say}
          </Alert>
        )}
      </Box>
    </Box>
  );
}
