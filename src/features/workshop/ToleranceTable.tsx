import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { LEVELS, type Level } from '@/core/limits';
import type { SectionProps } from './WorkshopPage';

/** How many times what can be heard a stroke may miss by, at each level. */
export function ToleranceTable({ settings, problems, onChange }: SectionProps) {
  const [typed, setTyped] = useState(
    () =>
      Object.fromEntries(LEVELS.map((level) => [level, String(settings.tolerances[level])])) as Record<Level, string>,
  );
  const set = (level: Level, text: string) => {
    setTyped({ ...typed, [level]: text });
    const factor = text.trim() === '' ? NaN : Number(text.replace(',', '.'));
    onChange({ tolerances: { ...settings.tolerances, [level]: factor } });
  };
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2 }}>
      {LEVELS.map((level) => (
        <TextField
          key={level}
          label={level}
          value={typed[level]}
          onChange={({ target }) => set(level, target.value)}
          error={Boolean(problems[`tolerances.${level}`])}
          helperText={problems[`tolerances.${level}`]}
          sx={{ width: 170 }}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        />
      ))}
    </Box>
  );
}
