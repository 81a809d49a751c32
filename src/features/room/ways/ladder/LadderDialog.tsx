'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { rungsOf } from '@/core/plan/ladder';
import { readLadder, type Ladder } from '@/core/documents/climb';
import { plural } from '@/ui/words/text';
import { tempoInWords } from '@/ui/words/figures';
import { NumberField, numberTyped } from '../../NumberField';

interface LadderDialogProps {
  ladder: Ladder;
  onTake: (ladder: Ladder) => void;
  onClose: () => void;
}

/** A ladder set: what is wrong is said at its field, and how many rungs it comes to. */
export function LadderDialog({ ladder, onTake, onClose }: LadderDialogProps) {
  const [typed, setTyped] = useState({
    start: tempoInWords(ladder.start),
    goal: tempoInWords(ladder.goal),
    step: tempoInWords(ladder.step),
    length: String(ladder.length.many),
    climb: ladder.rule.by === 'hand' ? '2' : String(ladder.rule.climb),
    fall: ladder.rule.by === 'hand' ? '2' : String(ladder.rule.fall),
  });
  const [unit, setUnit] = useState(ladder.length.unit);
  const [byHand, setByHand] = useState(ladder.rule.by === 'hand');
  const [loudnesses, setLoudnesses] = useState(ladder.loudnesses);
  const read = readLadder({
    start: numberTyped(typed.start),
    goal: numberTyped(typed.goal),
    step: numberTyped(typed.step),
    length: { unit, many: numberTyped(typed.length) },
    rule: byHand ? { by: 'hand' } : { by: 'takes', climb: numberTyped(typed.climb), fall: numberTyped(typed.fall) },
    loudnesses,
  });
  const problemAt = (name: string) =>
    read.ok ? undefined : read.problems.find(({ path }) => path[0] === name || path[1] === name)?.say;
  const field = (name: keyof typeof typed, label: string) => (
    <NumberField
      label={label}
      text={typed[name]}
      onText={(text) => setTyped({ ...typed, [name]: text })}
      problem={problemAt(name)}
    />
  );
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="ladder">
      <DialogTitle id="ladder">Ladder</DialogTitle>
      <DialogContent
        sx={{
          display: 'grid',
          gridTemplateColumns: 'repeat(6, 1fr)',
          gap: 2,
          pt: '8px !important',
          '& > *': { gridColumn: 'span 2' },
        }}
      >
        {field('start', 'Start')}
        {field('goal', 'Goal')}
        {field('step', 'Step')}
        {field('length', 'Length of a take')}
        <TextField
          select
          label="Counted in"
          value={unit}
          onChange={({ target }) => setUnit(target.value as 'bars' | 'minutes')}
        >
          <MenuItem value="bars">bars</MenuItem>
          <MenuItem value="minutes">minutes</MenuItem>
        </TextField>
        <Box />
        <TextField
          select
          label="Who climbs"
          value={byHand ? 'hand' : 'takes'}
          onChange={({ target }) => setByHand(target.value === 'hand')}
        >
          <MenuItem value="takes">clean takes</MenuItem>
          <MenuItem value="hand">only you, by hand</MenuItem>
        </TextField>
        {!byHand && field('climb', 'Clean takes to climb')}
        {!byHand && field('fall', 'Others to fall back')}
        <FormControlLabel
          sx={{ '&&': { gridColumn: '1 / -1' } }}
          control={<Switch checked={loudnesses} onChange={(_, on) => setLoudnesses(on)} />}
          label="Soft, middle and loud on each rung, before the next tempo"
        />
        <Typography sx={{ '&&': { gridColumn: '1 / -1' } }} role="status" variant="body2" color="textSecondary">
          {read.ok
            ? `${plural(rungsOf(read.value).length, 'rung')}. The next time starts one rung below where you stop. Raise the tempo in small steps; stop when it hurts.`
            : 'Not a ladder yet.'}
        </Typography>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        <Button variant="contained" disabled={!read.ok} onClick={() => read.ok && onTake(read.value)}>
          Take it
        </Button>
      </DialogActions>
    </Dialog>
  );
}
