'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import { useActionState } from 'react';
import { EMPTY_FORM } from '@/ui/form';
import { Field } from '@/ui/Field';
import { signInAction } from './actions';

export function SignInForm() {
  const [state, action, busy] = useActionState(signInAction, EMPTY_FORM);
  return (
    <Stack component="form" action={action} noValidate sx={{ gap: 2 }}>
      {state.say && (
        <Alert severity="error" role="alert">
          {state.say}
        </Alert>
      )}
      <Field state={state} name="name" label="Sign-in name" autoComplete="username" />
      <Field state={state} name="password" label="Password" type="password" autoComplete="current-password" />
      <Button type="submit" variant="contained" size="large" loading={busy}>
        Sign in
      </Button>
    </Stack>
  );
}
