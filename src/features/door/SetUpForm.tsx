'use client';

import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import { useActionState } from 'react';
import { SCHOOL_NAMES } from '@/core/counting/schools';
import { EMPTY_FORM } from '@/ui/form';
import { Field } from '@/ui/Field';
import { setUpAction } from './actions';

export function SetUpForm() {
  const [state, action, busy] = useActionState(setUpAction, EMPTY_FORM);
  /** Days and hours are those of where the workshop is set up, until the teacher sets others. */
  const setUp = (form: FormData) => {
    form.set('timeZone', Intl.DateTimeFormat().resolvedOptions().timeZone);
    action(form);
  };
  return (
    <Stack component="form" action={setUp} noValidate sx={{ gap: 2.5 }}>
      <Field state={state} name="workshop" label="Name of the workshop" hint="What your students call it." />
      <Field state={state} name="teacher" label="Your name" autoComplete="name" />
      <Field
        state={state}
        name="school"
        label="How you count"
        defaultValue={SCHOOL_NAMES[0]}
        options={SCHOOL_NAMES}
        hint="Each student can have another."
      />
      <Field state={state} name="signInName" label="Sign-in name" autoComplete="username" />
      <Field
        state={state}
        name="password"
        label="Password"
        type="password"
        autoComplete="new-password"
        hint="At least 8 characters."
      />
      <Button type="submit" variant="contained" size="large" loading={busy}>
        Set up the workshop
      </Button>
    </Stack>
  );
}
