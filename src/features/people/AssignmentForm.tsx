'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useActionState, useState } from 'react';
import { CLICK_PLAN_NAMES, type ClickPlanName } from '@/core/time/clickPlan';
import { Field } from '@/ui/Field';
import { EMPTY_FORM } from '@/ui/form';
import { setAssignmentAction } from './actions';

interface AssignmentFormProps {
  student: string;
  /** Grooves and drills that can be set; `value` tells which. */
  choices: { value: string; label: string; tempo: number; click: ClickPlanName }[];
  /** The one that stands there first. */
  chosen?: string;
}

export function AssignmentForm({ student, choices, chosen }: AssignmentFormProps) {
  const first = choices.find(({ value }) => value === chosen) ?? choices[0];
  const [picked, setPicked] = useState(first?.value);
  // Tempo and click begin with what is usual for what is picked.
  const one = choices.find(({ value }) => value === picked);
  const [state, action, busy] = useActionState(setAssignmentAction, EMPTY_FORM);
  return (
    <Box
      component="form"
      action={action}
      noValidate
      sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr 1fr', sm: '2fr 1fr 1.2fr 1fr' }, gap: 2, maxWidth: 900 }}
    >
      <input type="hidden" name="student" value={student} />
      <Field
        state={state}
        name="groove"
        label="Groove or drill"
        defaultValue={first?.value}
        onChange={({ target }) => setPicked(target.value)}
        options={choices}
        sx={{ gridColumn: { xs: '1 / -1', sm: 'auto' } }}
      />
      <Field
        state={state}
        name="tempo"
        label="Tempo, bpm"
        defaultValue={one ? String(one.tempo) : ''}
        slotProps={{ htmlInput: { inputMode: 'decimal' } }}
      />
      <Field
        state={state}
        name="click"
        label="Click on"
        defaultValue={one?.click ?? 'counts'}
        options={CLICK_PLAN_NAMES}
      />
      <Field
        state={state}
        name="minutes"
        label="Minutes a day"
        defaultValue="15"
        slotProps={{ htmlInput: { inputMode: 'numeric' } }}
      />
      <Field
        state={state}
        name="reason"
        label="Why, or what to listen for"
        hint="May be left out."
        multiline
        minRows={2}
        sx={{ gridColumn: '1 / -1' }}
      />
      <Box sx={{ gridColumn: '1 / -1', display: 'flex', gap: 2, alignItems: 'center' }}>
        <Button type="submit" variant="contained" loading={busy}>
          Set it
        </Button>
        {state.say && (
          <Alert severity="success" role="status" sx={{ py: 0 }}>
            {state.say}
          </Alert>
        )}
      </Box>
    </Box>
  );
}
