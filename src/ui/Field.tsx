'use client';

import MenuItem from '@mui/material/MenuItem';
import TextField, { type TextFieldProps } from '@mui/material/TextField';
import { useId } from 'react';
import type { FormState } from './form';

type FieldProps = Omit<TextFieldProps, 'name' | 'error' | 'select'> & {
  name: string;
  state: FormState;
  hint?: string;
  options?: readonly (string | { value: string; label: string })[];
};

/** A form's field: shows what was typed before and, at its place, what is wrong with it. */
export function Field({ name, state, hint, options, defaultValue, ...props }: FieldProps) {
  const problem = state.problems[name];
  const value = state.typed[name] ?? defaultValue ?? '';
  // Several forms of a page may ask for minutes: each label belongs to its own.
  const id = useId();
  return (
    // Keyed by what was typed, so that React's form reset after an action does not empty it.
    <TextField
      key={JSON.stringify(value)}
      name={name}
      id={id}
      error={Boolean(problem)}
      helperText={problem ?? hint}
      defaultValue={value}
      select={Boolean(options)}
      {...props}
      slotProps={{
        ...props.slotProps,
        // A list always shows something, which its label must not lie over until the script runs.
        ...(options && { inputLabel: { shrink: true } }),
      }}
    >
      {options?.map((option) => {
        const { value: each, label } = typeof option === 'string' ? { value: option, label: option } : option;
        return (
          <MenuItem key={each} value={each}>
            {label}
          </MenuItem>
        );
      })}
    </TextField>
  );
}
