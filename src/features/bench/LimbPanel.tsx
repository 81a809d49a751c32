'use client';

import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { tempoShape } from '@/core/documents/shapes';
import { type Groove } from '@/core/groove/groove';
import { isHand, type Limb } from '@/core/groove/limbs';
import { setTechnique, techniqueAt } from '@/core/groove/lines';
import { opening } from '@/ui/words/text';
import { Row, Section } from './Section';
import type { Change } from './useEditing';

const WORDS = { hand: ['wrist', 'fingers', 'full arm', 'push and pull'], foot: ['heel down', 'heel up', 'slide'] };

/** What holds for the whole line of a limb: its lean, and the technique pinned to it. */
export function LimbPanel({ groove, limb, onEdit }: { groove: Groove; limb: Limb; onEdit: (change: Change) => void }) {
  const [open, setOpen] = useState(false);
  const ms = groove.lean?.[limb];
  const word = techniqueAt(groove, limb, groove.tempo);
  return (
    <Section title={opening(limb)}>
      <Row name="Leans" value={ms ? `${Math.abs(ms)} ms ${ms > 0 ? 'behind' : 'ahead'}` : 'on the beat'} />
      <Row name={`Technique at ${groove.tempo}`} value={word ?? 'not said'} />
      {open ? (
        <TechniqueForm key={limb} groove={groove} limb={limb} onEdit={onEdit} onDone={() => setOpen(false)} />
      ) : (
        <Button size="small" onClick={() => setOpen(true)}>
          {word ? 'Change the technique' : 'Pin a technique'}
        </Button>
      )}
    </Section>
  );
}

function TechniqueForm({
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
  const problem = above.trim() && !tempo.success ? tempo.error.issues[0]!.message : undefined;
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
