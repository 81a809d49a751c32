'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { SCHOOLS, type School } from '@/core/counting/schools';
import { SPOKEN_DIVISIONS, syllablesAsTyped, syllablesFrom } from '@/core/documents/settings';
import type { SectionProps } from './WorkshopPage';

/** A table of syllables for each school of the teacher's own: a row a division, a word a slot after the number. */
export function SchoolTables({ settings, problems, onChange }: SectionProps) {
  const { schools } = settings;
  const change = (index: number, school: School | undefined) =>
    onChange({ schools: school ? schools.with(index, school) : schools.toSpliced(index, 1) });
  const add = (like: School) =>
    onChange({ schools: [...schools, { name: `${like.name}, mine`, syllables: { ...like.syllables } }] });
  return (
    <Box sx={{ display: 'grid', gap: 2.5 }}>
      {schools.map((school, index) => (
        <Box
          // Rows keep what is typed; another number of schools means other rows.
          key={`${schools.length} ${index}`}
          role="group"
          aria-label={school.name || 'A school without a name'}
          sx={{ border: 1, borderColor: 'divider', borderRadius: 2, bgcolor: 'background.paper', p: 2 }}
        >
          <Box sx={{ display: 'flex', gap: 2, alignItems: 'flex-start', mb: 2 }}>
            <TextField
              label="Name of the school"
              value={school.name}
              onChange={({ target }) => change(index, { ...school, name: target.value })}
              error={Boolean(problems[`schools.${index}.name`])}
              helperText={problems[`schools.${index}.name`]}
              sx={{ maxWidth: 340 }}
            />
            <Button color="error" onClick={() => change(index, undefined)} sx={{ ml: 'auto', height: 40 }}>
              Delete this school
            </Button>
          </Box>
          <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 2 }}>
            {SPOKEN_DIVISIONS.map((division) => (
              <Row
                key={division}
                school={school}
                division={division}
                problem={problems[`schools.${index}.syllables.${division}`]}
                onChange={(said) => change(index, { ...school, syllables: { ...school.syllables, [division]: said } })}
              />
            ))}
          </Box>
        </Box>
      ))}
      {schools.length < 8 && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
          <Typography component="span" color="textSecondary">
            Start one of your own from
          </Typography>
          {SCHOOLS.map((like) => (
            <Button key={like.name} variant="outlined" size="small" onClick={() => add(like)}>
              {like.name}
            </Button>
          ))}
        </Box>
      )}
    </Box>
  );
}

interface RowProps {
  school: School;
  division: (typeof SPOKEN_DIVISIONS)[number];
  problem?: string;
  onChange: (said: string[]) => void;
}

function Row({ school, division, problem, onChange }: RowProps) {
  const [typed, setTyped] = useState(syllablesAsTyped(school, division));
  const said = syllablesFrom(typed);
  const heard = ['1', ...Array.from({ length: division - 1 }, (_, index) => said[index] || '·')].join(' ');
  return (
    <TextField
      label={`A count in ${division}`}
      value={typed}
      onChange={({ target }) => {
        setTyped(target.value.slice(0, 120));
        onChange(syllablesFrom(target.value.slice(0, 120)));
      }}
      error={Boolean(problem)}
      helperText={
        problem ??
        (said.length ? heard : `Passed in silence. ${division - 1} ${division === 2 ? 'word' : 'words'} wanted.`)
      }
      autoComplete="off"
    />
  );
}
