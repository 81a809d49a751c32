'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useActionState } from 'react';
import { EMPTY_FORM } from '@/ui/form';
import { doSuggestionAction, refuseAction } from './actions';

/** For how many weeks something is not suggested. */
const WEEKS = [1, 2, 4, 8, 26];
const USUAL_WEEKS = 2;

interface SuggestedProps {
  studentId: string;
  suggestionKey: string;
  what: string;
  why: string;
  /** What the button says. */
  act: string;
  /** Where it is made, if it is not done by a touch. */
  href?: string;
}

/** One suggestion with its reason, done or refused here. */
export function Suggested({ studentId, suggestionKey, what, why, act, href }: SuggestedProps) {
  const [state, action, busy] = useActionState(doSuggestionAction, EMPTY_FORM);
  const [, refuse, refusing] = useActionState(refuseAction, EMPTY_FORM);
  const hidden = (
    <>
      <input type="hidden" name="student" value={studentId} />
      <input type="hidden" name="key" value={suggestionKey} />
    </>
  );
  return (
    <Box
      component="article"
      aria-label={what}
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        columnGap: 1.5,
        rowGap: 1,
        alignItems: 'center',
        py: 1.25,
        borderTop: 1,
        borderColor: 'divider',
      }}
    >
      <Box sx={{ flex: '1 1 340px', minWidth: 0 }}>
        <Typography sx={{ fontWeight: 650, overflowWrap: 'anywhere' }}>{what}</Typography>
        <Typography variant="body2" color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
          {why}
        </Typography>
        {state.problems.key && (
          <Alert severity="warning" sx={{ mt: 1 }}>
            {state.problems.key}
          </Alert>
        )}
      </Box>
      {href ? (
        <Button href={href} variant="outlined">
          {act}
        </Button>
      ) : (
        <form action={action}>
          {hidden}
          <Button type="submit" variant="outlined" loading={busy} aria-label={`${act}: ${what}`}>
            {act}
          </Button>
        </form>
      )}
      <Box component="form" action={refuse} sx={{ display: 'flex', gap: 0.5, alignItems: 'center' }}>
        {hidden}
        <Button type="submit" color="inherit" loading={refusing} aria-label={`Not now: ${what}`}>
          Not for
        </Button>
        <TextField
          select
          name="weeks"
          size="small"
          defaultValue={USUAL_WEEKS}
          slotProps={{ select: { SelectDisplayProps: { 'aria-label': `For how long not: ${what}` } } }}
        >
          {WEEKS.map((weeks) => (
            <MenuItem key={weeks} value={weeks}>
              {weeks === 1 ? '1 week' : `${weeks} weeks`}
            </MenuItem>
          ))}
        </TextField>
      </Box>
    </Box>
  );
}
