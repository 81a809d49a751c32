'use client';

import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { School } from '@/core/counting/schools';
import { RUNGS, SUBJECTS, type Subject } from '@/core/documents/listening';
import { SUBJECT_OF } from '@/core/practice/subjects';
import type { ListeningProgress } from '@/server/listening';
import { Page } from '@/ui/Page';
import { opening } from '@/ui/words/text';
import { Listen } from './Listen';

interface ByEarProps {
  school: School;
  progress: readonly ListeningProgress[];
}

/** Drills that are heard and answered: what is trained on the left, one question after another on the right. */
export function ByEar({ school, progress }: ByEarProps) {
  const [subject, setSubject] = useState<Subject>(progress[0]?.subject ?? SUBJECTS[0]);
  const of = (one: Subject) => progress.find((each) => each.subject === one);
  const last = of(subject)?.sittings[0];
  return (
    <Page title="By ear" note="Listen, answer by a touch, hear it again">
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '300px minmax(0, 1fr)' }, gap: 4 }}>
        <Box
          role="group"
          aria-label="What to listen for"
          sx={{
            display: { xs: 'flex', md: 'grid' },
            gap: 0.5,
            alignContent: 'start',
            overflowX: 'auto',
            pb: { xs: 1, md: 0 },
          }}
        >
          {SUBJECTS.map((one) => (
            <ButtonBase
              key={one}
              aria-pressed={one === subject}
              onClick={() => setSubject(one)}
              sx={{
                flex: 'none',
                display: 'block',
                textAlign: 'left',
                font: 'inherit',
                px: 1.5,
                py: 1,
                minHeight: 48,
                borderRadius: 1.5,
                whiteSpace: { xs: 'nowrap', md: 'normal' },
                bgcolor: one === subject ? 'background.paper' : 'transparent',
                boxShadow: (theme) => (one === subject ? `inset 3px 0 ${theme.vars!.palette.secondary.main}` : 'none'),
                '&:focus-visible': { outline: '2px solid', outlineColor: 'secondary.main' },
              }}
            >
              <Typography sx={{ fontWeight: one === subject ? 700 : 500 }}>{opening(one)}</Typography>
              <Typography variant="body2" color="textSecondary">
                {stoodInWords(of(one))}
              </Typography>
            </ButtonBase>
          ))}
        </Box>
        <Listen
          key={subject}
          subject={subject}
          // A little below where the last sitting ended, so that it begins with something that is heard.
          from={Math.max(0, (last?.rung ?? 0) - 1)}
          asks={SUBJECT_OF[subject].asks}
          school={school}
          before={of(subject)?.answers ?? []}
        />
      </Box>
    </Page>
  );
}

function stoodInWords(progress: ListeningProgress | undefined): string {
  const [last] = progress?.sittings ?? [];
  return last ? `step ${last.rung + 1} of ${RUNGS} · last ${last.answered} of ${last.asked}` : 'not yet';
}
