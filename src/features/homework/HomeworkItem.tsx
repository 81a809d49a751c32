'use client';

import type { Clock } from '@/core/documents/settings';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Homework } from '@/server/assignments';
import { dayInWords, shortDayInWords } from '@/ui/words/dates';
import { goingInWords, setInWords } from '@/ui/words/homework';
import { endAssignmentAction, undoAssignmentAction } from './actions';
import { HomeworkForm, type DueChoice } from './HomeworkForm';

interface HomeworkItemProps {
  one: Homework;
  due: readonly DueChoice[];
  clock: Clock;
  /** Whose it is, where there are several. */
  whose?: string;
}

/** One thing that is set: how, by when, how it goes; changed, ended or taken back here. */
export function HomeworkItem({ one, due, clock, whose }: HomeworkItemProps) {
  const [isChanging, setChanging] = useState(false);
  // A lesson that is not among those to come any more stays what it was due by.
  const at = one.due_at?.toISOString();
  const dueHere =
    at && !due.some(({ value }) => value === at) ? [{ value: at, label: dayInWords(one.due_at!, clock) }, ...due] : due;
  return (
    <Box component="article" aria-label={one.title} sx={{ py: 1.5, borderTop: 1, borderColor: 'divider' }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, rowGap: 1, alignItems: 'center' }}>
        <Box sx={{ flex: '1 1 360px', minWidth: 0 }}>
          <Typography sx={{ overflowWrap: 'anywhere' }}>
            <strong>{one.title}</strong> {setInWords(one)}
            {whose && ` · ${whose}`}
          </Typography>
          <Typography sx={{ color: one.passed ? 'success.main' : 'text.primary', fontWeight: one.passed ? 650 : 450 }}>
            {goingInWords(one)}
          </Typography>
          <Typography variant="body2" color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
            {one.reason} Since {shortDayInWords(one.set_at, clock)}
            {one.due_at && `, by ${dayInWords(one.due_at, clock)}`}.
          </Typography>
        </Box>
        {one.groove_id && (
          <Button
            href={`/handout/${one.groove_id}?for=${one.student_id}&set=${one.id}`}
            size="small"
            aria-label={`Handout of ${one.title}`}
          >
            Handout
          </Button>
        )}
        <Button
          onClick={() => setChanging(!isChanging)}
          aria-expanded={isChanging}
          size="small"
          aria-label={`Change ${one.title}`}
        >
          {isChanging ? 'Leave it' : 'Change'}
        </Button>
        <form action={one.takes ? endAssignmentAction : undoAssignmentAction}>
          <Button
            type="submit"
            name="assignment"
            value={one.id}
            variant="outlined"
            size="small"
            aria-label={one.takes ? `End ${one.title}` : `Take back ${one.title}`}
          >
            {one.takes ? 'End it' : 'Take it back'}
          </Button>
        </form>
      </Box>
      {isChanging && (
        <Box sx={{ mt: 2, mb: 1 }}>
          <HomeworkForm changed={one} due={dueHere} />
        </Box>
      )}
    </Box>
  );
}
