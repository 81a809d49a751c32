'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Chip from '@mui/material/Chip';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import { useState } from 'react';
import type { School } from '@/core/counting/schools';
import { mostCalls } from '@/core/drill/caller';
import { exerciseInWords, type Exercises } from '@/core/form/exercises';
import { Pick } from '@/ui/Pick';
import { opening, plural } from '@/ui/words/text';
import type { RoomSettings } from './settings';

interface DrillPanelProps {
  drill: Exercises;
  school: School;
  settings: Pick<RoomSettings, 'way' | 'range' | 'caller'>;
  onChange: (change: Partial<RoomSettings>) => void;
}

const PACES = [1, 2, 4, 8];
const CALLS = [8, 16, 32, 64];
const CHOICE = { width: 'auto', minWidth: 140 };

/** The usual numbers and the one that is set, each with what it counts. */
const counted = (usual: readonly number[], set: number, unit: string) =>
  [...new Set([...usual, set])].sort((a, b) => a - b).map((many) => [many, plural(many, unit)] as const);

/** Which exercises of a drill are played, and how they are called. */
export function DrillPanel({ drill, school, settings: { way, range, caller }, onChange }: DrillPanelProps) {
  const [choosing, setChoosing] = useState(false);
  const calls = Math.min(caller.calls, mostCalls(caller.pace));
  const isOn = (index: number) => range.includes(index);
  const all = drill.exercises.map((_, index) => index);
  const touch = (index: number) => {
    const wanted = all.filter((one) => (one === index ? !isOn(one) : isOn(one)));
    // The last one stays: of nothing nothing can be played.
    if (wanted.length) onChange({ range: wanted });
  };
  return (
    <Box
      role="group"
      aria-label="Drill"
      sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1.5, rowGap: 1, alignItems: 'center' }}
    >
      <Button variant="outlined" aria-expanded={choosing} onClick={() => setChoosing(!choosing)} sx={{ minHeight: 44 }}>
        {range.length < all.length
          ? `${range.length} of ${plural(all.length, 'exercise')}`
          : `All ${plural(all.length, 'exercise')}`}
      </Button>
      {way === 'called' && (
        <>
          <Pick
            label="A new one every"
            value={caller.pace}
            options={counted(PACES, caller.pace, 'bar')}
            onPick={(pace) => onChange({ caller: { ...caller, pace } })}
            sx={CHOICE}
          />
          <Pick
            label="How many"
            value={calls}
            options={counted(
              CALLS.map((many) => Math.min(many, mostCalls(caller.pace))),
              calls,
              'call',
            )}
            onPick={(wanted) => onChange({ caller: { ...caller, calls: wanted } })}
            sx={CHOICE}
          />
          <FormControlLabel
            control={<Switch checked={caller.same} onChange={(_, same) => onChange({ caller: { ...caller, same } })} />}
            label="The same calls again"
          />
        </>
      )}
      {choosing && (
        <Box
          role="group"
          aria-label="Exercises"
          sx={{ flexBasis: '100%', display: 'flex', flexWrap: 'wrap', gap: 0.75, alignItems: 'center' }}
        >
          {all.map((index) => (
            <Chip
              key={index}
              label={opening(exerciseInWords(drill, index, school))}
              aria-pressed={isOn(index)}
              variant={isOn(index) ? 'filled' : 'outlined'}
              onClick={() => touch(index)}
              sx={{
                height: 44,
                maxWidth: 320,
                fontWeight: isOn(index) ? 650 : 450,
                color: isOn(index) ? 'text.primary' : 'text.secondary',
                textDecoration: isOn(index) ? undefined : 'line-through',
              }}
            />
          ))}
          {range.length < all.length && (
            <Button onClick={() => onChange({ range: all })} sx={{ minHeight: 44 }}>
              All of them
            </Button>
          )}
        </Box>
      )}
    </Box>
  );
}
