'use client';

import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { SectionProps } from './WorkshopPage';

const COLUMNS = ['comfortable up to', 'fast up to', 'hardly anybody above'] as const;

export function LimitsTable({ settings, problems, onChange }: SectionProps) {
  const [typed, setTyped] = useState(() => ({
    hand: settings.limits.hand.map(String),
    foot: settings.limits.foot.map(String),
  }));
  const set = (limb: 'hand' | 'foot', index: number, text: string) => {
    const next = { ...typed, [limb]: typed[limb].with(index, text) };
    setTyped(next);
    const [a, b, c] = next[limb].map((each) => Number(each.replace(',', '.')));
    onChange({ limits: { ...settings.limits, [limb]: [a!, b!, c!] } });
  };
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      {(['hand', 'foot'] as const).map((limb) => {
        const problem = Object.entries(problems).find(([path]) => path.startsWith(`limits.${limb}`))?.[1];
        return (
          <Box key={limb} role="group" aria-label={`One ${limb}`}>
            <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center' }}>
              <Typography sx={{ width: 80, fontWeight: 650 }}>One {limb}</Typography>
              {COLUMNS.map((label, index) => (
                <TextField
                  key={label}
                  label={label}
                  value={typed[limb][index]}
                  onChange={({ target }) => set(limb, index, target.value)}
                  error={Boolean(problem)}
                  sx={{ width: 170 }}
                  slotProps={{ htmlInput: { inputMode: 'decimal' } }}
                />
              ))}
            </Box>
            {problem && (
              <Typography variant="body2" color="error" sx={{ mt: 0.5 }}>
                {problem.startsWith('Invalid') ? 'Write three numbers, like 5, 8 and 10.' : problem}
              </Typography>
            )}
          </Box>
        );
      })}
    </Box>
  );
}
