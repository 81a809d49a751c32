'use client';

import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { STEP_KINDS, type LessonStep, type StepKind } from '@/core/documents/lesson';
import { LONGEST_LESSON } from '@/core/limits';
import { ArrowDownwardRounded, ArrowUpwardRounded, CloseRounded } from '@/ui/icons';
import { opensSame, type OpensChoice } from './choices';

interface StepRowProps {
  step: LessonStep;
  number: number;
  of: number;
  choices: readonly OpensChoice[];
  onChange: (part: Partial<LessonStep>) => void;
  onMove: (by: 1 | -1) => void;
  onRemove: () => void;
}

/** A step of a lesson while it is planned: what it is for, what it opens, how long. */
export function StepRow({ step, number, of, choices, onChange, onMove, onRemove }: StepRowProps) {
  const { opens: own } = step;
  const known = own && choices.find(({ opens }) => opensSame(opens, own));
  // What stands on no shelf, as a drill that was written out for somebody, is still what the step opens.
  const chosen: OpensChoice | null =
    known ?? (own ? { label: own.what === 'by ear' ? own.subject : own.title, group: 'Set', opens: own } : null);
  const setMinutes = (text: string) => {
    const minutes = Math.round(Number(text));
    if (minutes >= 1 && minutes <= LONGEST_LESSON) onChange({ minutes });
  };
  return (
    <Box
      component="li"
      aria-label={`Step ${number}`}
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr 84px', md: '128px 84px minmax(0, 1.1fr) minmax(0, 1fr) auto' },
        gap: 1.25,
        alignItems: 'center',
        py: 1.5,
        borderTop: 1,
        borderColor: 'divider',
      }}
    >
      <TextField
        select
        size="small"
        label="For"
        value={step.kind}
        onChange={({ target }) => onChange({ kind: target.value as StepKind })}
      >
        {STEP_KINDS.map((kind) => (
          <MenuItem key={kind} value={kind}>
            {kind}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        size="small"
        type="number"
        label="Minutes"
        // What cannot be yet, as an empty field while it is typed, is not taken over.
        key={step.minutes}
        defaultValue={step.minutes}
        onBlur={({ target }) => setMinutes(target.value)}
        slotProps={{ htmlInput: { min: 1, max: LONGEST_LESSON } }}
      />
      <Autocomplete
        size="small"
        options={chosen && !known ? [chosen, ...choices] : choices}
        value={chosen}
        groupBy={({ group }) => group}
        getOptionKey={({ group, opens }) => `${group} ${opens.what === 'by ear' ? opens.subject : opens.id}`}
        onChange={(_, value) => onChange({ opens: value?.opens })}
        renderInput={(params) => <TextField {...params} label="Opens" placeholder="nothing" />}
        sx={{ gridColumn: { xs: '1 / -1', md: 'auto' } }}
      />
      <TextField
        size="small"
        label="In words"
        value={step.title}
        onChange={({ target }) => onChange({ title: target.value.slice(0, 120) })}
        sx={{ gridColumn: { xs: '1 / -1', md: 'auto' } }}
      />
      <Box sx={{ display: 'flex', gridColumn: { xs: '1 / -1', md: 'auto' }, justifyContent: 'flex-end' }}>
        <IconButton
          onClick={() => onMove(-1)}
          disabled={number === 1}
          aria-label={`Step ${number} earlier`}
          size="small"
        >
          <ArrowUpwardRounded fontSize="small" />
        </IconButton>
        <IconButton onClick={() => onMove(1)} disabled={number === of} aria-label={`Step ${number} later`} size="small">
          <ArrowDownwardRounded fontSize="small" />
        </IconButton>
        <IconButton onClick={onRemove} aria-label={`Leave step ${number} out`} size="small">
          <CloseRounded fontSize="small" />
        </IconButton>
      </Box>
    </Box>
  );
}
