'use client';

import Alert from '@mui/material/Alert';
import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, useTransition } from 'react';
import { MOST_PATH_STEPS } from '@/core/limits';
import type { PathRow } from '@/server/paths';
import { AddRounded, ArrowDownwardRounded, ArrowUpwardRounded, CloseRounded } from '@/ui/icons';
import { keepPathAction } from './actions';

/** A groove, or a drill that was written out, to be a step. */
export interface GrooveChoice {
  id: string;
  title: string;
  tempo: number;
}

interface Step {
  key: number;
  groove: GrooveChoice | null;
  goal: string;
  passTakes: string;
}

interface PathEditorProps {
  path?: PathRow;
  grooves: readonly GrooveChoice[];
  onClose: () => void;
}

const USUAL_PASS = '2';
const numberOf = (text: string) => (text.trim() ? Number(text.replace(',', '.')) : NaN);

/** Makes a path or changes one: steps chosen, ordered, each with its tempo and how many clean takes pass it. */
export function PathEditor({ path, grooves, onClose }: PathEditorProps) {
  const [id] = useState(() => path?.id ?? crypto.randomUUID());
  const [name, setName] = useState(path?.name ?? '');
  const [steps, setSteps] = useState<Step[]>(() => stepsOf(path, grooves));
  const [say, setSay] = useState<string>();
  const [busy, start] = useTransition();
  const set = (index: number, change: Partial<Step>) =>
    setSteps(steps.map((step, at) => (at === index ? { ...step, ...change } : step)));
  const swap = (index: number, by: 1 | -1) =>
    setSteps(steps.toSpliced(index, 1).toSpliced(index + by, 0, steps[index]!));
  const keep = () =>
    start(async () => {
      const problem = await keepPathAction({
        id,
        name,
        saveNumber: path?.saveNumber ?? 0,
        steps: steps.map(({ groove, goal, passTakes }) => ({
          grooveId: groove?.id ?? '',
          goal: numberOf(goal),
          passTakes: numberOf(passTakes),
        })),
      }).catch(() => 'It could not be kept: Mochila did not answer. Try again.');
      if (problem) setSay(problem);
      else onClose();
    });
  return (
    <Box
      component="section"
      aria-label={path ? `Change ${path.name}` : 'A new path'}
      sx={{ display: 'grid', gap: 1.5 }}
    >
      <TextField
        label="Name of the path"
        value={name}
        onChange={({ target }) => setName(target.value)}
        sx={{ maxWidth: 480 }}
      />
      {steps.map((step, index) => (
        <Box
          key={step.key}
          role="group"
          aria-label={`Step ${index + 1}`}
          sx={{
            display: 'grid',
            gap: 1,
            alignItems: 'center',
            gridTemplateColumns: { xs: '1fr 1fr', md: '28px 1fr 110px 130px auto' },
          }}
        >
          <Typography sx={{ fontWeight: 650 }}>{index + 1}.</Typography>
          <Autocomplete
            options={[...grooves]}
            value={step.groove}
            getOptionLabel={({ title }) => title}
            getOptionKey={(one) => one.id}
            isOptionEqualToValue={(a, b) => a.id === b.id}
            onChange={(_, groove) => set(index, { groove, ...(groove && { goal: String(groove.tempo) }) })}
            renderInput={(params) => <TextField {...params} label="Groove or drill" size="small" />}
            sx={{ gridColumn: { xs: '1 / -1', md: 'auto' } }}
          />
          <TextField
            label="Passed at"
            size="small"
            value={step.goal}
            onChange={({ target }) => set(index, { goal: target.value })}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          />
          <TextField
            label="Clean takes"
            size="small"
            value={step.passTakes}
            onChange={({ target }) => set(index, { passTakes: target.value })}
            slotProps={{ htmlInput: { inputMode: 'numeric' } }}
          />
          <Box sx={{ whiteSpace: 'nowrap' }}>
            <IconButton onClick={() => swap(index, -1)} disabled={index === 0} aria-label={`Step ${index + 1} earlier`}>
              <ArrowUpwardRounded fontSize="small" />
            </IconButton>
            <IconButton
              onClick={() => swap(index, 1)}
              disabled={index === steps.length - 1}
              aria-label={`Step ${index + 1} later`}
            >
              <ArrowDownwardRounded fontSize="small" />
            </IconButton>
            <IconButton onClick={() => setSteps(steps.toSpliced(index, 1))} aria-label={`Leave out step ${index + 1}`}>
              <CloseRounded fontSize="small" />
            </IconButton>
          </Box>
        </Box>
      ))}
      {say && <Alert severity="error">{say}</Alert>}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
        <Button
          startIcon={<AddRounded />}
          onClick={() => setSteps([...steps, emptyStep(steps)])}
          disabled={steps.length >= MOST_PATH_STEPS}
        >
          Add a step
        </Button>
        <Button onClick={keep} variant="contained" loading={busy}>
          Keep the path
        </Button>
        <Button onClick={onClose}>Leave it as it was</Button>
      </Box>
    </Box>
  );
}

const emptyStep = (steps: readonly Step[]): Step => ({
  key: 1 + Math.max(-1, ...steps.map(({ key }) => key)),
  groove: null,
  goal: '',
  passTakes: USUAL_PASS,
});

const stepsOf = (path: PathRow | undefined, grooves: readonly GrooveChoice[]): Step[] =>
  path
    ? path.steps.map(({ grooveId, title, goal, passTakes }, key) => ({
        key,
        groove: grooves.find(({ id }) => id === grooveId) ?? { id: grooveId, title, tempo: goal },
        goal: String(goal),
        passTakes: String(passTakes),
      }))
    : [emptyStep([])];
