'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import OutlinedInput from '@mui/material/OutlinedInput';
import Typography from '@mui/material/Typography';
import { useActionState } from 'react';
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
  const problem = state.problems.minutes;
  // A plain line: the form's fields would be the heaviest thing on Today.
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
        <Box>
          <OutlinedInput
            key={state.typed.minutes}
            name="minutes"
            placeholder="Other minutes"
            defaultValue={state.typed.minutes}
            error={Boolean(problem)}
            inputProps={{
              'aria-label': 'Other minutes',
              'aria-describedby': problem && 'minutes-wrong',
              inputMode: 'numeric',
            }}
            sx={{ width: 136, minHeight: 44 }}
            size="small"
          />
          {problem && (
            <Typography id="minutes-wrong" role="alert" variant="body2" color="error" sx={{ mt: 0.5, maxWidth: 240 }}>
              {problem}
            </Typography>
          )}
        </Box>
        <Button type="submit" variant="text" disabled={busy} sx={{ minHeight: 44 }}>
          Plan it
        </Button>
      </Box>
    </Box>
  );
}
