'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useActionState } from 'react';
import { Field } from '@/ui/Field';
import { EMPTY_FORM } from '@/ui/form';
import { setAsideAction } from './actions';

/** That a take was set aside, why, and how it is taken in again. */
export function AsideNote({ takeId, why }: { takeId: string; why: string }) {
  const [, action, busy] = useActionState(setAsideAction, EMPTY_FORM);
  return (
    <Alert
      severity="info"
      action={
        <form action={action} className="no-print">
          <input type="hidden" name="take" value={takeId} />
          <Button type="submit" name="again" value="yes" size="small" color="inherit" loading={busy}>
            Take it in again
          </Button>
        </form>
      }
    >
      Set aside: {why} It stays here, and counts for nothing.
    </Alert>
  );
}

/** Sets a bad take aside, with why. */
export function SetAside({ takeId }: { takeId: string }) {
  const [state, action, busy] = useActionState(setAsideAction, EMPTY_FORM);
  return (
    <Box component="details" className="no-print" open={Boolean(state.problems['why']) || undefined}>
      <Typography component="summary" sx={{ cursor: 'pointer', py: 1 }}>
        Set this take aside
      </Typography>
      <Box component="form" action={action} noValidate sx={{ display: 'grid', gap: 1.5, mt: 0.5 }}>
        <input type="hidden" name="take" value={takeId} />
        <Field
          state={state}
          name="why"
          label="Why"
          hint="“The stool slipped.” It is not deleted: it counts for nothing until it is taken in again."
        />
        <Box>
          <Button type="submit" variant="outlined" loading={busy} sx={{ minHeight: 44 }}>
            Set it aside
          </Button>
        </Box>
      </Box>
    </Box>
  );
}
