'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useActionState } from 'react';
import type { Person } from '@/server/people';
import { Field } from '@/ui/Field';
import { EMPTY_FORM } from '@/ui/form';
import { archivePersonAction, setStudentPasswordAction } from './actions';

/** A student's way in, as the teacher settles it: a new password, or none any more. */
export function SignInSection({
  student: { id, name, archived, sign_in_name },
}: {
  student: Pick<Person, 'id' | 'name' | 'archived' | 'sign_in_name'>;
}) {
  const [state, action, busy] = useActionState(setStudentPasswordAction, EMPTY_FORM);
  return (
    <Box component="section">
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        Signing in
      </Typography>
      <Typography color="textSecondary" sx={{ mb: 2 }}>
        {archived
          ? `Archived: ${name} signs in no more and stands in no list. Every take and figure is kept.`
          : `Signs in as ${sign_in_name}. A new password ends every session ${name} has open.`}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'flex-start' }}>
        {!archived && (
          <Box
            component="form"
            action={action}
            noValidate
            sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'flex-start' }}
          >
            <input type="hidden" name="person" value={id} />
            <Field
              state={state}
              name="password"
              label="New password"
              type="password"
              size="small"
              autoComplete="new-password"
              sx={{ width: 240 }}
            />
            <Button type="submit" variant="outlined" loading={busy} sx={{ height: 40 }}>
              Set the password
            </Button>
          </Box>
        )}
        <form action={archivePersonAction}>
          <input type="hidden" name="person" value={id} />
          <Button
            type="submit"
            name="archived"
            value={archived ? 'no' : 'yes'}
            variant={archived ? 'contained' : 'text'}
            color={archived ? 'primary' : 'inherit'}
            sx={{ height: 40 }}
          >
            {archived ? `Bring ${name} back` : `Archive ${name}`}
          </Button>
        </form>
        {state.say && (
          <Alert severity="success" role="status" sx={{ py: 0 }}>
            {state.say}
          </Alert>
        )}
      </Box>
    </Box>
  );
}
