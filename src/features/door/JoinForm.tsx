'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useActionState } from 'react';
import { Field } from '@/ui/Field';
import { EMPTY_FORM } from '@/ui/form';
import { joinAction } from './actions';

interface JoinFormProps {
  invitation: string;
  /** Whom it is for; `isBack`: they have been here and only need a new password. */
  invited: { name: string; signInName: string; isBack: boolean };
}

/** What somebody chooses who comes in by an invitation. */
export function JoinForm({ invitation, invited: { name, signInName, isBack } }: JoinFormProps) {
  const [state, action, busy] = useActionState(joinAction, EMPTY_FORM);
  return (
    <Stack component="form" action={action} noValidate sx={{ gap: 2 }}>
      <input type="hidden" name="invitation" value={invitation} />
      {state.say && (
        <Alert severity="error" role="alert">
          {state.say}
        </Alert>
      )}
      {isBack ? (
        <>
          <Typography>You sign in as {signInName}.</Typography>
          <input type="hidden" name="username" autoComplete="username" value={signInName} readOnly />
        </>
      ) : (
        <>
          <Field
            state={state}
            name="name"
            label="What you are called"
            defaultValue={name}
            hint="A first name or a nickname is enough."
          />
          <Field
            state={state}
            name="signInName"
            label="Sign-in name"
            autoComplete="username"
            hint="Short and easy to type: letters, digits, dots and dashes."
          />
        </>
      )}
      <Field
        state={state}
        name="password"
        label="Password"
        type="password"
        autoComplete="new-password"
        hint="At least 8 characters."
      />
      <Button type="submit" variant="contained" size="large" loading={busy}>
        Come in
      </Button>
    </Stack>
  );
}
