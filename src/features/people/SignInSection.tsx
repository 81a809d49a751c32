'use client';

import type { Clock } from '@/core/documents/settings';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useActionState, useState, type ReactNode } from 'react';
import type { Person } from '@/server/people';
import { Field } from '@/ui/Field';
import { EMPTY_FORM } from '@/ui/form';
import { setStudentPasswordAction } from './actions';
import { InviteSection } from './InviteSection';

interface SignInSectionProps {
  student: Pick<Person, 'id' | 'name' | 'sign_in_name'>;
  /** When an invitation that is open runs out. */
  openUntil?: Date;
  clock: Clock;
  /** The invitation sent by mail. */
  byMail: ReactNode;
}

/** A student's way in, as the teacher settles it: by a link, or by a password that is told. */
export function SignInSection({ student: { id, name, sign_in_name }, openUntil, clock, byMail }: SignInSectionProps) {
  const [state, action, busy] = useActionState(setStudentPasswordAction, EMPTY_FORM);
  const [isOpen, setOpen] = useState(false);
  return (
    <Box component="section" sx={{ display: 'grid', gap: 1.5 }}>
      <Typography variant="h2">Coming in</Typography>
      <InviteSection id={id} name={name} openUntil={openUntil} clock={clock} />
      {byMail}
      {!isOpen && (
        <Box>
          <Button onClick={() => setOpen(true)} sx={{ minHeight: 44 }}>
            Set a password instead
          </Button>
        </Box>
      )}
      {isOpen && (
        <>
          <Typography color="textSecondary" sx={{ mb: 1.5 }}>
            {name} signs in as {sign_in_name}. A new password ends every session {name} has open.
          </Typography>
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
            {state.say && (
              <Alert severity="success" role="status" sx={{ py: 0 }}>
                {state.say}
              </Alert>
            )}
          </Box>
        </>
      )}
    </Box>
  );
}
