'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Chip from '@mui/material/Chip';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { School } from '@/core/count/schools';
import { mostCalls } from '@/core/drill/caller';
import { partSaid, type Part } from '@/core/drill/parts';
import type { Groove } from '@/core/groove/document';
import { opening, plural } from '@/ui/words';
import type { RoomSettings } from './settings';

interface DrillPanelProps {
  groove: Groove;
  parts: readonly Part[];
  school: School;
  settings: Pick<RoomSettings, 'way' | 'range' | 'caller'>;
  onChange: (change: Partial<RoomSettings>) => void;
}

const PACES = [1, 2, 4, 8];
const CALLS = [8, 16, 32, 64];

/** Which exercises of a drill are played, and how they are called. */
export function DrillPanel({ groove, parts, school, settings: { way, range, caller }, onChange }: DrillPanelProps) {
  const isOn = (index: number) => range.includes(index);
  const all = parts.map((_, index) => index);
  const touch = (index: number) => {
    const wanted = all.filter((one) => (one === index ? !isOn(one) : isOn(one)));
    // The last one stays: of nothing nothing can be played.
    if (wanted.length) onChange({ range: wanted });
  };
  return (
    <Box sx={{ display: 'grid', gap: 1.25 }}>
      <Box role="group" aria-label="Exercises" sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75, alignItems: 'center' }}>
        {parts.map((part, index) => (
          <Chip
            key={index}
            label={opening(partSaid(part, groove, school))}
            aria-pressed={isOn(index)}
            color={isOn(index) ? 'primary' : undefined}
            variant={isOn(index) ? 'filled' : 'outlined'}
            onClick={() => touch(index)}
            sx={{ height: 36, maxWidth: 320 }}
          />
        ))}
        {range.length < all.length && (
          <Button onClick={() => onChange({ range: all })} sx={{ minHeight: 36 }}>
            All {all.length}
          </Button>
        )}
      </Box>
      {way === 'called' && (
        <Box role="group" aria-label="Caller" sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center' }}>
          <Pick label="A new one every" value={caller.pace} options={PACES} unit="bar" onPick={(pace) => onChange({ caller: { ...caller, pace } })} />
          <Pick
            label="How many"
            value={Math.min(caller.calls, mostCalls(caller.pace))}
            options={[...new Set(CALLS.map((calls) => Math.min(calls, mostCalls(caller.pace))))]}
            unit="call"
            onPick={(calls) => onChange({ caller: { ...caller, calls } })}
          />
          <FormControlLabel
            control={<Switch checked={caller.same} onChange={(_, same) => onChange({ caller: { ...caller, same } })} />}
            label="The same calls again"
          />
          <Typography variant="body2" color="textSecondary">
            Each is said and shown in the bar before it.
          </Typography>
        </Box>
      )}
    </Box>
  );
}

interface PickProps {
  label: string;
  value: number;
  options: readonly number[];
  unit: string;
  onPick: (value: number) => void;
}

function Pick({ label, value, options, unit, onPick }: PickProps) {
  return (
    <TextField
      select
      label={label}
      value={value}
      onChange={({ target }) => onPick(Number(target.value))}
      sx={{ width: 'auto', minWidth: 140, '& .MuiInputBase-root': { minHeight: 44 } }}
    >
      {[...new Set([...options, value])]
        .sort((a, b) => a - b)
        .map((one) => (
          <MenuItem key={one} value={one}>
            {plural(one, unit)}
          </MenuItem>
        ))}
    </TextField>
  );
}
