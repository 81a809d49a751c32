'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { startTransition, useActionState } from 'react';
import { Field } from '@/ui/Field';
import { EMPTY_FORM } from '@/ui/form';
import { lessonWordsAction } from './actions';

interface EndLessonProps {
  id: string;
  /** What stands there already: the notes of the steps, or what was kept. */
  words: string;
  isHeld?: boolean;
  beforeSending?: () => Promise<void>;
}

/** What the student takes home: the lesson ends with it, and it can be corrected afterwards. */
export function EndLesson({ id, words, isHeld = false, beforeSending }: EndLessonProps) {
  const [state, action, busy] = useActionState(lessonWordsAction, EMPTY_FORM);
  return (
    <Box
      component="form"
      action={async (form) => {
        await beforeSending?.();
        startTransition(() => action(form));
      }}
      noValidate
      sx={{ display: 'grid', gap: 1.5, mb: 3, maxWidth: 720 }}
    >
      <input type="hidden" name="lesson" value={id} />
      {!isHeld && (
        <Typography color="textSecondary">
          Your notes stand here already. What you leave in is what the student reads; homework is told beside it.
        </Typography>
      )}
      <Field
        state={state}
        name="words"
        label="For the student to take home"
        defaultValue={words}
        multiline
        minRows={3}
        maxRows={12}
      />
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
        <Button type="submit" variant="contained" loading={busy} sx={{ minHeight: 44 }}>
          {isHeld ? 'Correct it' : 'End it and keep it in the log'}
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
