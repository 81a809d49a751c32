'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { CONTRASTS, type Contrast, type Sides } from '@/core/form/sides';
import { sentence, type Result } from '@/core/result';
import { plural } from '@/ui/words/text';
import type { RoomSettings } from '../../settings';

interface ContrastPanelProps {
  contrast: RoomSettings['contrast'];
  /** Both sides, or why they cannot be set against each other. */
  sides: Result<Sides>;
  playing: boolean;
  onChange: (contrast: RoomSettings['contrast']) => void;
}

/** Two sides of a groove, bar line against bar line. */
export function ContrastPanel({ contrast, sides, playing, onChange }: ContrastPanelProps) {
  return (
    <Box
      role="group"
      aria-label="Back to back"
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center' }}
    >
      <TextField
        select
        label="Set against each other"
        value={contrast.what}
        disabled={playing}
        onChange={({ target }) => onChange({ ...contrast, what: target.value as Contrast })}
        sx={{ width: 'auto', minWidth: 230 }}
      >
        {CONTRASTS.map((what) => (
          <MenuItem key={what} value={what}>
            {what}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        label="Bars of each"
        value={String(contrast.bars)}
        disabled={playing}
        onChange={({ target }) => onChange({ ...contrast, bars: Number(target.value) })}
        sx={{ width: 'auto', minWidth: 110 }}
      >
        {[1, 2, 4, 8].map((bars) => (
          <MenuItem key={bars} value={String(bars)}>
            {plural(bars, 'bar')}
          </MenuItem>
        ))}
      </TextField>
      {!sides.ok && <Alert severity="warning">{sentence(sides.problems[0]!)}</Alert>}
    </Box>
  );
}
