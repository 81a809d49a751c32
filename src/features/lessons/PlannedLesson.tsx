'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { startTransition, useActionState } from 'react';
import type { LessonPlan, LessonStep } from '@/core/documents/lesson';
import { freshStep, minutesOf, planFrom, usualPlan } from '@/core/plan/lesson';
import { MOST_STEPS } from '@/core/limits';
import type { LessonTemplate } from '@/server/lessonTemplates';
import { EMPTY_FORM } from '@/ui/form';
import { plural } from '@/ui/words/text';
import { beginLessonAction } from './actions';
import type { OpensChoice } from './choices';
import { SavingNote } from './SavingNote';
import { StepRow } from './StepRow';
import { usePlan } from './usePlan';

interface PlannedLessonProps {
  id: string;
  minutes: number;
  plan: LessonPlan;
  from: number;
  choices: readonly OpensChoice[];
  templates: readonly LessonTemplate[];
}

/**
 * The plan of a lesson that is to come: its steps with minutes, from a template or the usual one, and its beginning.
 */
export function PlannedLesson({ id, minutes, plan: first, from, choices, templates }: PlannedLessonProps) {
  const { plan, saving, change, changeStep, save } = usePlan(id, first, from);
  const [state, begin, busy] = useActionState(beginLessonAction, EMPTY_FORM);
  const { steps } = plan;
  const withSteps = (next: LessonStep[]) => change({ version: 1, steps: next });
  const moved = (at: number, by: 1 | -1) => {
    const next = [...steps];
    [next[at], next[at + by]] = [next[at + by]!, next[at]!];
    withSteps(next);
  };
  const apart = minutesOf(plan) - minutes;
  return (
    <section>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center', mb: 1.5 }}>
        <Typography variant="h2">Plan</Typography>
        <Typography color="textSecondary">
          {plural(minutesOf(plan), 'minute')}
          {apart !== 0 && `, ${plural(Math.abs(apart), 'minute')} ${apart > 0 ? 'more' : 'fewer'} than the lesson has`}
        </Typography>
        <SavingNote saving={saving} />
        <TextField
          select
          size="small"
          label="Begin from"
          value=""
          onChange={({ target }) => {
            const template = templates.find((one) => one.id === target.value);
            change(template ? planFrom(template.plan, minutes) : usualPlan(minutes), { atOnce: true });
          }}
          sx={{ ml: 'auto', width: 190 }}
        >
          <MenuItem value="usual">the usual plan</MenuItem>
          {templates.map((one) => (
            <MenuItem key={one.id} value={one.id}>
              {one.name}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      <Box component="ol" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {steps.map((step, at) => (
          <StepRow
            // A step is nothing but its place.
            key={at}
            step={step}
            number={at + 1}
            of={steps.length}
            choices={choices}
            onChange={(part) => changeStep(at, part)}
            onMove={(by) => moved(at, by)}
            onRemove={() => withSteps(steps.toSpliced(at, 1))}
          />
        ))}
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center', mt: 1.5 }}>
        <form
          action={async (form) => {
            await save();
            startTransition(() => begin(form));
          }}
        >
          <Button
            type="submit"
            name="lesson"
            value={id}
            variant="contained"
            size="large"
            loading={busy}
            sx={{ minHeight: 48 }}
          >
            Begin the lesson
          </Button>
        </form>
        <Button
          onClick={() => withSteps([...steps, freshStep('new', 5)])}
          disabled={steps.length >= MOST_STEPS}
          sx={{ minHeight: 44 }}
        >
          Add a step
        </Button>
        {state.say && <Alert severity="warning">{state.say}</Alert>}
      </Box>
    </section>
  );
}
