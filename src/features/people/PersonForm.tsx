'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useActionState } from 'react';
import { SETUPS } from '@/core/groove/limbs';
import { schoolNamesIn } from '@/core/documents/settings';
import { AGE_BANDS, LEVELS } from '@/core/limits';
import { REPORT_WORDS } from '@/core/documents/verdict';
import type { Person } from '@/server/people';
import { Field } from '@/ui/Field';
import { EMPTY_FORM } from '@/ui/form';
import { changePersonAction } from './actions';

/**
 * What a person is called, how they count and sit, and, of a student, how near a stroke must fall and what they are
 * after.
 */
export function PersonForm({ person }: { person: Person }) {
  const [state, action, busy] = useActionState(changePersonAction, EMPTY_FORM);
  return (
    <Box
      component="form"
      action={action}
      noValidate
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'flex-start' }}
    >
      <input type="hidden" name="person" value={person.id} />
      <Field state={state} name="name" label="Name" defaultValue={person.name} sx={{ width: 220 }} />
      {person.role === 'student' && (
        <Field
          state={state}
          name="age"
          label="Age"
          defaultValue={person.age ?? ''}
          options={[{ value: '', label: 'not said' }, ...AGE_BANDS]}
          slotProps={{ select: { displayEmpty: true } }}
          sx={{ width: 130 }}
        />
      )}
      {person.role === 'student' && (
        <Field
          state={state}
          name="level"
          label="Level"
          options={LEVELS}
          defaultValue={person.level}
          sx={{ width: 150 }}
        />
      )}
      <Field state={state} name="setup" label="Kit" options={SETUPS} defaultValue={person.setup} sx={{ width: 150 }} />
      <Field
        state={state}
        name="school"
        label="Counting"
        options={schoolNamesIn(person.settings)}
        defaultValue={person.school.name}
        sx={{ width: 220 }}
      />
      <Field
        state={state}
        name="report"
        label="Reports in"
        options={REPORT_WORDS}
        defaultValue={person.report}
        sx={{ width: 140 }}
      />
      {person.role === 'student' && (
        <>
          {/* Until they come in by their link they have none of their own. */}
          {!person.sign_in_name.startsWith('invited-') && (
            <Field
              state={state}
              name="signInName"
              label="Sign-in name"
              autoComplete="off"
              defaultValue={person.sign_in_name.split('@')[0]}
              sx={{ width: 160 }}
            />
          )}
          <Field
            state={state}
            name="hands"
            label="Hand, strokes a second"
            placeholder={person.settings.limits.hand.join(' ')}
            defaultValue={person.limits?.hand.join(' ') ?? ''}
            hint="Comfortable, fast, limit; the workshop’s when empty."
            sx={{ width: 250 }}
          />
          <Field
            state={state}
            name="feet"
            label="Foot, strokes a second"
            placeholder={person.settings.limits.foot.join(' ')}
            defaultValue={person.limits?.foot.join(' ') ?? ''}
            hint="For small or careful legs, lower."
            sx={{ width: 250 }}
          />
        </>
      )}
      {person.role === 'student' && (
        <Field
          state={state}
          name="goals"
          label={`What ${person.name} is after`}
          defaultValue={person.goals}
          multiline
          maxRows={4}
          sx={{ flex: '1 1 420px' }}
        />
      )}
      <Button type="submit" variant="outlined" loading={busy} sx={{ height: 40 }}>
        Keep
      </Button>
      {state.say && (
        <Alert severity="success" role="status" sx={{ py: 0 }}>
          {state.say}
        </Alert>
      )}
    </Box>
  );
}
