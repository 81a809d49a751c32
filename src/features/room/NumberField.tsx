'use client';

import TextField from '@mui/material/TextField';

interface NumberFieldProps {
  label: string;
  text: string;
  onText: (text: string) => void;
  problem?: string;
  disabled?: boolean;
}

/** A number as it is typed; what is wrong with it is said beneath. */
export function NumberField({ label, text, onText, problem, disabled }: NumberFieldProps) {
  return (
    <TextField
      label={label}
      value={text}
      disabled={disabled}
      onChange={({ target }) => onText(target.value.slice(0, 8))}
      error={Boolean(problem)}
      helperText={problem}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
    />
  );
}

/** What was typed as a number; NaN when it is none. A decimal comma counts as a point. */
export const numberTyped = (text: string): number => (text.trim() ? Number(text.replace(',', '.')) : NaN);
