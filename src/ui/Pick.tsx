'use client';

import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { SxProps, Theme } from '@mui/material/styles';

interface PickProps<T extends string | number> {
  label: string;
  value: T;
  /** Each as it stands, or with the words for it. */
  options: readonly (T | readonly [T, string])[];
  disabled?: boolean;
  onPick: (value: T) => void;
  sx?: SxProps<Theme>;
}

/** One of a few: as wide as where it stands. */
export function Pick<T extends string | number>({ label, value, options, disabled, onPick, sx }: PickProps<T>) {
  const all = options.map((option) => (typeof option === 'object' ? option : ([option, String(option)] as const)));
  return (
    <TextField
      select
      fullWidth
      label={label}
      value={value}
      disabled={disabled}
      onChange={({ target }) => onPick(all.find(([one]) => String(one) === String(target.value))![0])}
      sx={sx}
    >
      {all.map(([one, words]) => (
        <MenuItem key={one} value={one}>
          {words}
        </MenuItem>
      ))}
    </TextField>
  );
}
