import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';

interface ChoiceProps {
  label: ReactNode;
  value: string;
  options: readonly (readonly [string, string])[];
  disabled: boolean;
  onChange: (value: string) => void;
}

/** One of a few, as the transport has them. */
export function Choice({ label, value, options, disabled, onChange }: ChoiceProps) {
  return (
    <TextField
      select
      label={label}
      value={value}
      disabled={disabled}
      onChange={({ target }) => onChange(target.value)}
      sx={{ width: 'auto', minWidth: 84, maxWidth: 170 }}
    >
      {options.map(([each, words]) => (
        <MenuItem key={each} value={each}>
          {words}
        </MenuItem>
      ))}
    </TextField>
  );
}
