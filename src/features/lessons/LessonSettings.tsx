'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useActionState } from 'react';
import type { LessonTemplate } from '@/server/lessonTemplates';
import { Field } from '@/ui/Field';
import { EMPTY_FORM } from '@/ui/form';
import { dropTemplateAction, keepTemplateAction, moveLessonAction, skipLessonAction } from './actions';

interface LessonSettingsProps {
  id: string;
  day: string;
  at: string;
  minutes: number;
  isSkipped: boolean;
  templates: readonly LessonTemplate[];
}

/** When a lesson is, whether it takes place, and its steps as a template for others. */
export function LessonSettings({ id, day, at, minutes, isSkipped, templates }: LessonSettingsProps) {
  const [moved, move, moving] = useActionState(moveLessonAction, EMPTY_FORM);
  const [kept, keep, keeping] = useActionState(keepTemplateAction, EMPTY_FORM);
  const row = { display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'flex-start' } as const;
  const shrink = { inputLabel: { shrink: true } };
  return (
    <Box component="section" sx={{ display: 'grid', gap: 2 }}>
      <Typography variant="h2">When</Typography>
      <Box sx={row}>
        <Box component="form" action={move} noValidate sx={row}>
          <input type="hidden" name="lesson" value={id} />
          <Field
            state={moved}
            name="day"
            label="Day"
            type="date"
            size="small"
            sx={{ width: 170 }}
            defaultValue={day}
            slotProps={shrink}
          />
          <Field
            state={moved}
            name="at"
            label="Time"
            type="time"
            size="small"
            sx={{ width: 130 }}
            defaultValue={at}
            slotProps={shrink}
          />
          <Field
            state={moved}
            name="minutes"
            label="Minutes"
            size="small"
            defaultValue={String(minutes)}
            slotProps={{ htmlInput: { inputMode: 'numeric' } }}
            sx={{ width: 100 }}
          />
          <Button type="submit" variant="outlined" loading={moving} sx={{ height: 40 }}>
            Move it
          </Button>
        </Box>
        <form action={skipLessonAction}>
          <input type="hidden" name="lesson" value={id} />
          <Button type="submit" name="skipped" value={isSkipped ? 'no' : 'yes'} sx={{ height: 40 }}>
            {isSkipped ? 'Bring it back' : 'Skip it'}
          </Button>
        </form>
        {moved.say && (
          <Alert severity="success" role="status" sx={{ py: 0 }}>
            {moved.say}
          </Alert>
        )}
      </Box>
      <Typography variant="h2" sx={{ mt: 1 }}>
        Templates
      </Typography>
      <Box component="form" action={keep} noValidate sx={row}>
        <input type="hidden" name="lesson" value={id} />
        <Field state={kept} name="name" label="Keep these steps as" size="small" sx={{ width: 260 }} />
        <Button type="submit" variant="outlined" loading={keeping} sx={{ height: 40 }}>
          Keep them
        </Button>
        {kept.say && (
          <Alert severity="success" role="status" sx={{ py: 0 }}>
            {kept.say}
          </Alert>
        )}
      </Box>
      {templates.map((one) => (
        <Box key={one.id} component="form" action={dropTemplateAction} sx={{ ...row, alignItems: 'center' }}>
          <Typography sx={{ overflowWrap: 'anywhere' }}>{one.name}</Typography>
          <Button
            type="submit"
            name="template"
            value={one.id}
            size="small"
            aria-label={`Drop the template ${one.name}`}
          >
            Drop
          </Button>
        </Box>
      ))}
    </Box>
  );
}
