'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Chip from '@mui/material/Chip';
import LinearProgress from '@mui/material/LinearProgress';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, useSyncExternalStore } from 'react';
import type { LessonPlan, LessonStep } from '@/core/documents/lesson';
import { MOST_STEP_NOTES } from '@/core/limits';
import { spentMs, stepTitle, turnTo, wordsToTakeHome } from '@/core/plan/lesson';
import { FIGURE_FONT } from '@/ui/theme';
import { opening } from '@/ui/words/text';
import { openStepAction } from './actions';
import { EndLesson } from './EndLesson';
import { SavingNote } from './SavingNote';
import { usePlan } from './usePlan';

/** What a teacher notes down most, a touch each. */
const SHORT_NOTES = [
  'Clean.',
  'Once more next time.',
  'Slower next time.',
  'A notch faster.',
  'Count aloud.',
  'Watch the shoulders.',
];
/** The clock of a lesson is quiet: it turns every few seconds and makes no sound. */
const CLOCK_MS = 5000;

function subscribeClock(turned: () => void) {
  const timer = setInterval(turned, CLOCK_MS);
  return () => clearInterval(timer);
}
const nowInSteps = () => Math.floor(Date.now() / CLOCK_MS) * CLOCK_MS;

interface RunningLessonProps {
  id: string;
  plan: LessonPlan;
  from: number;
  beganMs: number;
  minutes: number;
}

/** A lesson that runs: its quiet clock, the step that is on with what it opens, and what is noted down. */
export function RunningLesson({ id, plan: first, from, beganMs, minutes }: RunningLessonProps) {
  const { plan, saving, change, changeStep, save } = usePlan(id, first, from);
  const [isEnding, setEnding] = useState(false);
  const now = useSyncExternalStore(subscribeClock, nowInSteps, () => beganMs);
  const gone = Math.max(0, Math.floor((now - beganMs) / 60_000));
  return (
    <section>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center', mb: 1.5 }}>
        <Typography variant="h2">
          <Box component="span" role="timer" sx={{ fontFamily: FIGURE_FONT, fontWeight: 750 }}>
            {gone}
          </Box>{' '}
          of {minutes} minutes
        </Typography>
        <SavingNote saving={saving} />
        <Button
          variant={isEnding ? 'text' : 'contained'}
          onClick={() => setEnding(!isEnding)}
          sx={{ ml: 'auto', minHeight: 44 }}
        >
          {isEnding ? 'Go on' : 'End the lesson'}
        </Button>
      </Box>
      {isEnding && <EndLesson id={id} words={wordsToTakeHome(plan)} beforeSending={save} />}
      <Box component="ol" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {plan.steps.map((step, at) => (
          <Step
            key={at}
            id={id}
            at={at}
            step={step}
            isOn={plan.on?.step === at}
            spentMinutes={Math.floor(spentMs(plan, at, now) / 60_000)}
            onTurn={() => change(turnTo(plan, at, Date.now()), { atOnce: true })}
            onNotes={(notes) => changeStep(at, { notes })}
            beforeOpening={save}
          />
        ))}
      </Box>
    </section>
  );
}

interface StepProps {
  id: string;
  at: number;
  step: LessonStep;
  isOn: boolean;
  spentMinutes: number;
  onTurn: () => void;
  onNotes: (notes: string) => void;
  beforeOpening: () => Promise<void>;
}

function Step({ id, at, step, isOn, spentMinutes, onTurn, onNotes, beforeOpening }: StepProps) {
  const title = opening(stepTitle(step));
  return (
    <Box
      component="li"
      aria-label={title}
      aria-current={isOn ? 'step' : undefined}
      sx={{
        borderTop: 1,
        borderColor: 'divider',
        py: 1.5,
        px: isOn ? 2 : 0,
        ...(isOn && { bgcolor: 'background.paper', borderLeft: 4, borderLeftColor: 'primary.main', borderRadius: 1 }),
      }}
    >
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, rowGap: 0.5, alignItems: 'center' }}>
        <Typography variant={isOn ? 'h2' : 'body1'} component="h3" sx={{ fontWeight: 650, overflowWrap: 'anywhere' }}>
          {title}
        </Typography>
        <Typography color={spentMinutes > step.minutes ? 'warning.main' : 'textSecondary'}>
          {stepTitle(step) !== step.kind && `${step.kind} · `}
          {isOn || step.spentMs > 0 ? `${spentMinutes} of ${step.minutes} min` : `${step.minutes} min`}
        </Typography>
        <Box sx={{ ml: 'auto', display: 'flex', gap: 1 }}>
          {step.opens && (
            <form
              action={async (form) => {
                await beforeOpening();
                await openStepAction(form);
              }}
            >
              <input type="hidden" name="lesson" value={id} />
              <Button
                type="submit"
                name="step"
                value={at}
                variant={isOn ? 'contained' : 'text'}
                aria-label={`Open ${title}`}
              >
                Open
              </Button>
            </form>
          )}
          {!isOn && (
            <Button onClick={onTurn} aria-label={`Turn to ${title}`}>
              Turn to it
            </Button>
          )}
        </Box>
      </Box>
      {isOn && (
        <>
          <LinearProgress
            variant="determinate"
            value={Math.min(100, (spentMinutes / step.minutes) * 100)}
            aria-label="Time of this step"
            sx={{ my: 1.5, height: 3, borderRadius: 2 }}
          />
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mb: 1.5 }}>
            {SHORT_NOTES.map((note) => (
              <Chip
                key={note}
                label={note}
                variant="outlined"
                onClick={() => onNotes(`${step.notes} ${note}`.trim().slice(0, MOST_STEP_NOTES))}
                sx={{ minHeight: 36 }}
              />
            ))}
          </Box>
          <TextField
            fullWidth
            multiline
            minRows={2}
            maxRows={8}
            label="Notes"
            value={step.notes}
            onChange={({ target }) => onNotes(target.value.slice(0, MOST_STEP_NOTES))}
          />
        </>
      )}
      {!isOn && step.notes && (
        <Typography variant="body2" color="textSecondary" sx={{ whiteSpace: 'pre-line', overflowWrap: 'anywhere' }}>
          {step.notes}
        </Typography>
      )}
    </Box>
  );
}
