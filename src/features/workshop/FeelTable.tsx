'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { FEELS } from '@/core/groove/beat';
import type { StyleFeel } from '@/core/documents/settings';
import { DeleteOutlined } from '@/ui/icons';
import type { SectionProps } from './WorkshopPage';

export function FeelTable({ settings, problems, onChange }: SectionProps) {
  const { feels } = settings;
  const change = (index: number, row: Partial<StyleFeel>) =>
    onChange({ feels: feels.with(index, { ...feels[index]!, ...row }) });
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      {feels.map(({ style, feel, reason }, index) => (
        <Box
          key={index}
          role="group"
          aria-label={style || 'A style without a name'}
          sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'flex-start' }}
        >
          <TextField
            label="Style"
            value={style}
            onChange={({ target }) => change(index, { style: target.value.slice(0, 60) })}
            error={Boolean(problems[`feels.${index}.style`])}
            helperText={problems[`feels.${index}.style`]}
            sx={{ width: { xs: 1, sm: 250 } }}
          />
          <TextField
            select
            label="wants"
            value={feel}
            onChange={({ target }) => change(index, { feel: FEELS.find((one) => one === target.value) })}
            sx={{ width: 130 }}
          >
            {FEELS.map((one) => (
              <MenuItem key={one} value={one}>
                {one}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            label="because"
            value={reason}
            onChange={({ target }) => change(index, { reason: target.value.slice(0, 200) })}
            sx={{ flex: '1 1 240px' }}
          />
          <IconButton
            aria-label={`Delete ${style || 'this style'}`}
            onClick={() => onChange({ feels: feels.toSpliced(index, 1) })}
          >
            <DeleteOutlined />
          </IconButton>
        </Box>
      ))}
      {feels.length < 40 && (
        <Box>
          <Button onClick={() => onChange({ feels: [...feels, { style: '', feel: 'straight', reason: '' }] })}>
            Add a style
          </Button>
        </Box>
      )}
    </Box>
  );
}
