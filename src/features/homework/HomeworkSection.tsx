'use client';

import type { Clock } from '@/core/documents/settings';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Homework } from '@/server/assignments';
import { namesInWords } from '@/ui/words/text';
import { shortDayInWords } from '@/ui/words/dates';
import { goingInWords, setInWords } from '@/ui/words/homework';
import { setAgainAction } from './actions';
import { HomeworkForm, type DueChoice, type HomeworkChoice } from './HomeworkForm';
import { HomeworkItem } from './HomeworkItem';

interface HomeworkSectionProps {
  students: readonly { id: string; name: string }[];
  homework: readonly Homework[];
  /** What was ended, the last first. */
  ended?: readonly Homework[];
  choices: readonly HomeworkChoice[];
  due: readonly DueChoice[];
  clock: Clock;
  /** Something that is to be set next. */
  chosen?: string;
  canSet: boolean;
}

/** What is set for one student or a group, how it goes, and what is set next. */
export function HomeworkSection({
  students,
  homework,
  ended = [],
  choices,
  due,
  clock,
  chosen,
  canSet,
}: HomeworkSectionProps) {
  const [isSetting, setSetting] = useState(Boolean(chosen) || !homework.length);
  const [showsEnded, setShowsEnded] = useState(false);
  const names = namesInWords(students.map(({ name }) => name));
  return (
    <section>
      <Typography variant="h2" sx={{ mb: 1 }}>
        Set to practise
      </Typography>
      {!homework.length && (
        <Typography color="textSecondary" sx={{ mb: 2 }}>
          Nothing is set. What you set stands on the Today of {names || 'a student'} at once.
        </Typography>
      )}
      {homework.map((one) => (
        <HomeworkItem
          key={one.id}
          one={one}
          due={due}
          clock={clock}
          whose={students.length > 1 ? students.find(({ id }) => id === one.student_id)?.name : undefined}
        />
      ))}
      {canSet && (
        <Box id="set" sx={{ mt: 2 }}>
          {isSetting ? (
            <HomeworkForm key={chosen} students={students} choices={choices} chosen={chosen} due={due} />
          ) : (
            <Button variant="outlined" onClick={() => setSetting(true)} sx={{ minHeight: 44 }}>
              Set something
            </Button>
          )}
        </Box>
      )}
      {ended.length > 0 && (
        <Box sx={{ mt: 2 }}>
          <Button onClick={() => setShowsEnded(!showsEnded)} aria-expanded={showsEnded}>
            {showsEnded ? 'Leave out what is ended' : `Ended before (${ended.length})`}
          </Button>
          {showsEnded &&
            ended.map((one) => (
              <Box
                key={one.id}
                sx={{
                  display: 'flex',
                  flexWrap: 'wrap',
                  gap: 1.5,
                  alignItems: 'center',
                  py: 1,
                  borderTop: 1,
                  borderColor: 'divider',
                }}
              >
                <Typography sx={{ flex: '1 1 320px', overflowWrap: 'anywhere' }}>
                  <strong>{one.title}</strong> {setInWords(one)}
                  <br />
                  <Box component="span" sx={{ color: 'text.secondary' }}>
                    {shortDayInWords(one.set_at, clock)} to {shortDayInWords(one.ended_at!, clock)}. {goingInWords(one)}
                  </Box>
                </Typography>
                {canSet && (
                  <form action={setAgainAction}>
                    <Button
                      type="submit"
                      name="assignment"
                      value={one.id}
                      size="small"
                      aria-label={`Set ${one.title} again`}
                    >
                      Set again
                    </Button>
                  </form>
                )}
              </Box>
            ))}
        </Box>
      )}
    </section>
  );
}
