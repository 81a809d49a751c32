'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useActionState } from 'react';
import { Field } from '@/ui/Field';
import { EMPTY_FORM } from '@/ui/form';
import { inviteByMailAction } from './actions';

/** Sends an invitation to an address, which is used this once. */
export function InviteByMail({ id }: { id: string }) {
  const [state, action, busy] = useActionState(inviteByMailAction, EMPTY_FORM);
  return (
    <Box
      component="form"
      action={action}
      noValidate
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'flex-start', mt: 1.5 }}
    >
      <input type="hidden" name="person" value={id} />
      <Field state={state} name="address" label="Or send it by mail to" type="email" size="small" sx={{ width: 280 }} />
      <Button type="submit" variant="outlined" loading={busy} sx={{ minHeight: 40 }}>
        Send it
      </Button>
      {state.say && (
        <Alert severity="success" role="status" sx={{ py: 0 }}>
          {state.say}
        </Alert>
      )}
    </Box>
  );
}
