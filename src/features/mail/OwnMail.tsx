'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Typography from '@mui/material/Typography';
import { useActionState } from 'react';
import { Field } from '@/ui/Field';
import { EMPTY_FORM } from '@/ui/form';
import { keepMailAction } from './actions';

interface OwnMailProps {
  given?: { address: string; wants_summary: boolean };
}

/** Where one is written to: when a lesson is moved, and if wished once a week. */
export function OwnMail({ given }: OwnMailProps) {
  const [state, action, busy] = useActionState(keepMailAction, EMPTY_FORM);
  return (
    <section>
      <Typography variant="h2">Mail</Typography>
      <Typography color="textSecondary" sx={{ mb: 2 }}>
        Your teacher writes to it when a lesson is moved or left out. Leave it empty to be written to by nobody.
      </Typography>
      <Box
        component="form"
        action={action}
        noValidate
        sx={{ display: 'grid', gap: 1, maxWidth: 420, justifyItems: 'start' }}
      >
        <Field state={state} name="address" label="Address" type="email" defaultValue={given?.address} fullWidth />
        <FormControlLabel
          control={<Checkbox name="summary" value="yes" defaultChecked={given?.wants_summary} />}
          label="What the week came to, when my teacher sends it round"
        />
        <Button type="submit" variant="outlined" loading={busy} sx={{ minHeight: 44 }}>
          Keep the address
        </Button>
        {state.say && (
          <Alert severity="success" role="status" sx={{ py: 0 }}>
            {state.say}
          </Alert>
        )}
      </Box>
    </section>
  );
}
