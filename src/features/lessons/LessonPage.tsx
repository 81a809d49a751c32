import type { Clock } from '@/core/documents/settings';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { onClock } from '@/core/plan/agenda';
import type { Lesson } from '@/server/lessons';
import type { LessonTemplate } from '@/server/lessonTemplates';
import { Page } from '@/ui/Page';
import { Unreadable } from '@/ui/Unreadable';
import { dayInWords } from '@/ui/words/dates';
import { namesInWords } from '@/ui/words/text';
import type { OpensChoice } from './choices';
import { HeldLesson } from './HeldLesson';
import { LessonSettings } from './LessonSettings';
import { PlannedLesson } from './PlannedLesson';
import { RunningLesson } from './RunningLesson';

interface LessonPageProps {
  lesson: Lesson;
  clock: Clock;
  choices: readonly OpensChoice[];
  templates: readonly LessonTemplate[];
  /** What was last said to each student, by their name. */
  last: readonly { name: string; words: string; at: Date }[];
  /** What is set for them, to be looked at, changed and set. */
  homework: ReactNode;
}

const STATES = { planned: 'to come', running: 'running', held: 'held', skipped: 'skipped' } as const;

/** A lesson: its plan, how it runs, and what was done, with the homework beside it. */
export function LessonPage({ lesson, clock, choices, templates, last, homework }: LessonPageProps) {
  const { id, students, plan, state, starts_at, minutes } = lesson;
  const names = namesInWords(students.map(({ name }) => name));
  return (
    <Page
      title={`Lesson: ${names || 'nobody'}`}
      note={`${dayInWords(starts_at, clock)} · ${minutes} minutes · ${STATES[state]}`}
      actions={
        <>
          {students.map((one) => (
            <Link key={one.id} href={`/people/${one.id}`} sx={{ alignSelf: 'center' }}>
              {one.name}
            </Link>
          ))}
          <Button href={`/handout/lesson/${id}`}>Handout</Button>
        </>
      }
    >
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { lg: 'minmax(0, 1.9fr) minmax(0, 1fr)' },
          gap: { xs: 4, lg: 5 },
          maxWidth: 1480,
        }}
      >
        <Box sx={{ display: 'grid', gap: 4, alignContent: 'start', minWidth: 0 }}>
          <Steps lesson={lesson} choices={choices} templates={templates} />
          {plan.ok && (state === 'planned' || state === 'skipped') && (
            <LessonSettings
              key={starts_at.getTime()}
              id={id}
              {...onClock(starts_at, clock.timeZone)}
              minutes={minutes}
              isSkipped={state === 'skipped'}
              templates={templates}
            />
          )}
        </Box>
        <Box sx={{ display: 'grid', gap: 4, alignContent: 'start', minWidth: 0 }}>
          {last.length > 0 && (
            <section>
              <Typography variant="h2" sx={{ mb: 1 }}>
                Last time
              </Typography>
              {last.map((one) => (
                <Box key={one.name} sx={{ mb: 1.5 }}>
                  <Typography variant="body2" color="textSecondary">
                    {students.length > 1 && `${one.name}, `}
                    {dayInWords(one.at, clock)}
                  </Typography>
                  <Typography sx={{ whiteSpace: 'pre-line', overflowWrap: 'anywhere' }}>{one.words}</Typography>
                </Box>
              ))}
            </section>
          )}
          {homework}
        </Box>
      </Box>
    </Page>
  );
}

function Steps({ lesson, choices, templates }: Pick<LessonPageProps, 'lesson' | 'choices' | 'templates'>) {
  const { id, plan, state, minutes, save_number } = lesson;
  if (!plan.ok) return <Unreadable what="The plan of this lesson" problem={plan.problems[0]!} />;
  if (state === 'held') return <HeldLesson id={id} plan={plan.value} words={lesson.words} />;
  if (state === 'running')
    return (
      <RunningLesson
        // Begun anew with its state only: what is being written goes on while something else on the page is kept.
        key="running"
        id={id}
        plan={plan.value}
        from={save_number}
        beganMs={lesson.began_at!.getTime()}
        minutes={minutes}
      />
    );
  if (state === 'skipped') return <Typography>This lesson is skipped. Bring it back below to plan it.</Typography>;
  return (
    <PlannedLesson
      key="planned"
      id={id}
      minutes={minutes}
      plan={plan.value}
      from={save_number}
      choices={choices}
      templates={templates}
    />
  );
}
