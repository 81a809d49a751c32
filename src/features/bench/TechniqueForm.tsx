'use client';

import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { tempoShape } from '@/core/documents/shapes';
import { type Groove } from '@/core/groove/groove';
import { isHand, type Limb } from '@/core/groove/limbs';
import { setTechnique } from '@/core/groove/lines';
import { problemsOf } from '@/core/result';
import type { Change } from './useEditing';

const WORDS = { hand: ['wrist', 'fingers', 'full arm', 'push and pull'], foot: ['heel down', 'heel up', 'slide'] };

/** The word for how a limb plays its line, and another above a tempo. */
export function TechniqueForm({
  groove,
  limb,
  onEdit,
  onDone,
}: {
  groove: Groove;
  limb: Limb;
  onEdit: (change: Change) => void;
  onDone: () => void;
}) {
  const before = groove.technique?.[limb];
  const [word, setWord] = useState(before?.word ?? '');
  const [above, setAbove] = useState(before?.faster ? String(before.faster.above) : '');
  const [faster, setFaster] = useState(before?.faster?.word ?? '');
  const tempo = tempoShape.safeParse(Number(above.replace(',', '.')));
  const problem = above.trim() && !tempo.success ? problemsOf(tempo.error)[0]!.say : undefined;
  const options = WORDS[isHand(limb) ? 'hand' : 'foot'];
  const keep = () => {
    const changes = tempo.success && faster.trim() ? { faster: { above: tempo.data, word: faster.trim() } } : {};
    onEdit((now) => setTechnique(now, limb, word.trim() ? { word: word.trim(), ...changes } : undefined));
    onDone();
  };
  return (
    <Box sx={{ display: 'grid', gap: 1.5, mt: 1.5 }}>
      <Autocomplete
        freeSolo
        options={options}
        inputValue={word}
        onInputChange={(_, value) => setWord(value.slice(0, 40))}
        renderInput={(params) => <TextField {...params} label="Technique" />}
      />
      <TextField
        label="Above this tempo"
        value={above}
        onChange={({ target }) => setAbove(target.value)}
        error={Boolean(problem)}
        helperText={problem}
        slotProps={{ htmlInput: { inputMode: 'decimal' } }}
      />
      <Autocomplete
        freeSolo
        options={options}
        inputValue={faster}
        onInputChange={(_, value) => setFaster(value.slice(0, 40))}
        renderInput={(params) => <TextField {...params} label="rather" />}
      />
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button variant="outlined" size="small" onClick={keep} disabled={Boolean(problem)}>
          Pin it
        </Button>
        <Button size="small" onClick={onDone}>
          Leave it
        </Button>
      </Box>
    </Box>
  );
}
