'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useActionState } from 'react';
import { Field } from '@/ui/Field';
import { EMPTY_FORM } from '@/ui/form';
import { planDayAction } from './actions';

/** Practices that are often made. */
const OFTEN = [10, 20, 30, 45];

interface PlanFormProps {
  /** The minutes of the plan there is. */
  minutes?: number;
}

/** How long there is today: one touch, or minutes of one's own. */
export function PlanForm({ minutes }: PlanFormProps) {
  const [state, action, busy] = useActionState(planDayAction, EMPTY_FORM);
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'flex-start' }}>
      {OFTEN.map((each) => (
        <form key={each} action={action}>
          <Button
            type="submit"
            name="minutes"
            value={each}
            variant={each === minutes ? 'contained' : 'outlined'}
            disabled={busy}
            sx={{ minHeight: 44 }}
          >
            {each} minutes
          </Button>
        </form>
      ))}
      <Box component="form" action={action} noValidate sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
        <Field
          state={state}
          name="minutes"
          label="Other minutes"
          size="small"
          sx={{ width: 136, '& .MuiInputBase-root': { minHeight: 44 } }}
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        />
        <Button type="submit" variant="text" disabled={busy} sx={{ minHeight: 44 }}>
          Plan it
        </Button>
      </Box>
    </Box>
  );
}
