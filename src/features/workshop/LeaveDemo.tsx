'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useActionState, useState } from 'react';
import { Field } from '@/ui/Field';
import { EMPTY_FORM } from '@/ui/form';
import { leaveDemoAction } from './actions';

/** The demo taken away, and a workshop of one's own begun in its place. */
export function LeaveDemo() {
  const [isOpen, setOpen] = useState(false);
  const [state, action, busy] = useActionState(leaveDemoAction, EMPTY_FORM);
  return (
    <section aria-label="The demo">
      <Typography variant="h2">The demo</Typography>
      <Typography color="textSecondary" sx={{ mb: 2 }}>
        These people and what they played are made up. Take them away, and this is your own workshop.
      </Typography>
      {!isOpen && (
        <Button variant="outlined" onClick={() => setOpen(true)}>
          Begin your own workshop
        </Button>
      )}
      {isOpen && (
        <Stack component="form" action={action} noValidate sx={{ gap: 2.5, maxWidth: 420 }}>
          <Field state={state} name="workshop" label="Name of the workshop" hint="What your students call it." />
          <Field state={state} name="teacher" label="Your name" autoComplete="name" />
          <Field state={state} name="signInName" label="Sign-in name" autoComplete="username" />
          <Field
            state={state}
            name="password"
            label="Password"
            type="password"
            autoComplete="new-password"
            hint="At least 8 characters."
          />
          <FormControlLabel
            control={<Checkbox name="keepsGrooves" defaultChecked />}
            label="Keep its grooves and drills in my library"
          />
          <Stack direction="row" sx={{ gap: 1 }}>
            <Button type="submit" variant="contained" color="error" loading={busy}>
              Remove the demo
            </Button>
            <Button onClick={() => setOpen(false)}>Cancel</Button>
          </Stack>
          <Typography color="textSecondary" variant="body2">
            Its people, lessons, homework and takes go for good. There is no way back to the demo here.
          </Typography>
        </Stack>
      )}
    </section>
  );
}
