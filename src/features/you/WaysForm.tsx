'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useActionState } from 'react';
import { SETUPS, type Setup } from '@/core/groove/limbs';
import { REPORT_WORDS, type ReportWords } from '@/core/documents/verdict';
import { Field } from '@/ui/Field';
import { EMPTY_FORM } from '@/ui/form';
import { keepWaysAction } from './actions';

export interface WaysFormProps {
  setup: Setup;
  school: string;
  schools: readonly string[];
  report: ReportWords;
}

/** How one sits, counts and reads reports. */
export function WaysForm({ setup, school, schools, report }: WaysFormProps) {
  const [state, action, busy] = useActionState(keepWaysAction, EMPTY_FORM);
  return (
    <Box
      component="form"
      action={action}
      noValidate
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center' }}
    >
      <Field state={state} name="setup" label="Kit" options={SETUPS} defaultValue={setup} sx={{ width: 160 }} />
      <Field state={state} name="school" label="Counting" options={schools} defaultValue={school} sx={{ width: 240 }} />
      <Field
        state={state}
        name="report"
        label="Reports in"
        options={REPORT_WORDS}
        defaultValue={report}
        sx={{ width: 150 }}
      />
      <Button type="submit" variant="outlined" loading={busy} sx={{ minHeight: 44 }}>
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
