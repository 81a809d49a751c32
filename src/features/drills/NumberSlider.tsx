'use client';

import Box from '@mui/material/Box';
import FormHelperText from '@mui/material/FormHelperText';
import Slider from '@mui/material/Slider';
import Typography from '@mui/material/Typography';

interface NumberSliderProps {
  label: string;
  value: number;
  least: number;
  most: number;
  /** What the number counts, where the label does not say it. */
  said?: string;
  problem?: string;
  onChange: (value: number) => void;
}

/** A small whole number that is slid to; its exercises follow while it moves. */
export function NumberSlider({
  label,
  value,
  least,
  most,
  said = String(value),
  problem,
  onChange,
}: NumberSliderProps) {
  return (
    <Box>
      <Box sx={{ display: 'flex', justifyContent: 'space-between' }}>
        <Typography variant="body2" color={problem ? 'error' : 'textSecondary'}>
          {label}
        </Typography>
        <Typography variant="body2" sx={{ fontWeight: 650 }}>
          {said}
        </Typography>
      </Box>
      <Slider
        aria-label={label}
        getAriaValueText={() => said}
        value={value}
        min={least}
        max={most}
        step={1}
        marks={most - least <= 8}
        onChange={(_, next) => onChange(next)}
        sx={{ py: 1.25 }}
      />
      {problem && <FormHelperText error>{problem}</FormHelperText>}
    </Box>
  );
}
