'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useActionState } from 'react';
import { SETUPS } from '@/core/groove/limbs';
import { AGE_BANDS, LEVELS } from '@/core/limits';
import { REPORT_WORDS } from '@/core/documents/verdict';
import { Field } from '@/ui/Field';
import { EMPTY_FORM } from '@/ui/form';
import { addStudentAction } from './actions';

export function StudentForm({ school, schools }: { school: string; schools: string[] }) {
  const [state, action, busy] = useActionState(addStudentAction, EMPTY_FORM);
  return (
    <Box
      component="form"
      action={action}
      noValidate
      sx={{ display: 'grid', gridTemplateColumns: { sm: '1fr 1fr' }, gap: 2.5, maxWidth: 720 }}
    >
      <Field state={state} name="name" label="Name" hint="A first name or a nickname is enough." />
      <Field
        state={state}
        name="age"
        label="Age"
        defaultValue=""
        options={[{ value: '', label: 'not said' }, ...AGE_BANDS]}
        slotProps={{ select: { displayEmpty: true } }}
      />
      <Field
        state={state}
        name="level"
        label="Level"
        options={LEVELS}
        defaultValue={LEVELS[0]}
        hint="Decides how near a stroke must fall."
      />
      <Field
        state={state}
        name="setup"
        label="Kit"
        options={SETUPS}
        defaultValue={SETUPS[0]}
        hint="Every groove is turned round for it."
      />
      <Field state={state} name="school" label="Counting" options={schools} defaultValue={school} />
      <Field
        state={state}
        name="report"
        label="Reports in"
        options={REPORT_WORDS}
        defaultValue={REPORT_WORDS[0]}
        hint="Children read “a little late” rather than milliseconds."
      />
      <Field
        state={state}
        name="goals"
        label="What they are after"
        multiline
        maxRows={4}
        hint="Optional, in a line or two."
        sx={{ gridColumn: '1 / -1' }}
      />
      <Typography color="textSecondary" sx={{ gridColumn: '1 / -1' }}>
        Leave the next two empty and invite them by a link: they then choose their own.
      </Typography>
      <Field state={state} name="signInName" label="Sign-in name" autoComplete="off" hint="Short and easy to type." />
      <Field
        state={state}
        name="password"
        label="First password"
        type="password"
        autoComplete="new-password"
        hint="At least 8 characters. Tell it to the student."
      />
      <Box>
        <Button type="submit" variant="contained" size="large" loading={busy}>
          Add the student
        </Button>
      </Box>
    </Box>
  );
}
