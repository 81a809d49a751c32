'use client';

import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import type { Problem } from '@/core/result';
import { NumberSlider } from './NumberSlider';
import type { Parameter } from './parameters';

interface ParameterFieldsProps {
  parameters: readonly Parameter[];
  values: Record<string, unknown>;
  problems: readonly Problem[];
  onChange: (values: Record<string, unknown>) => void;
}

/** The parameters of a family; what is wrong with one is said beneath it, with what would work. */
export function ParameterFields({ parameters, values, problems, onChange }: ParameterFieldsProps) {
  return parameters.map((one) => {
    const value = values[one.name] ?? one.usual;
    const set = (next: unknown) => onChange({ ...values, [one.name]: next });
    const problem = problems.find(({ path }) => path[0] === 'params' && path[1] === one.name);
    const shared = {
      fullWidth: true,
      label: one.label,
      error: Boolean(problem),
      helperText: problem && `${problem.say} ${problem.remedy}`,
    };
    switch (one.kind) {
      case 'switch':
        return (
          <FormControlLabel
            key={one.name}
            control={<Switch checked={value as boolean} onChange={(_, on) => set(on)} />}
            label={one.label}
          />
        );
      case 'number':
        return (
          <NumberSlider
            key={one.name}
            label={one.label}
            value={value as number}
            least={one.least}
            most={one.most}
            problem={problem && `${problem.say} ${problem.remedy}`}
            onChange={set}
          />
        );
      case 'one of':
        return (
          <TextField key={one.name} {...shared} select value={value} onChange={({ target }) => set(target.value)}>
            {one.options.map((option) => (
              <MenuItem key={option} value={option}>
                {option}
              </MenuItem>
            ))}
          </TextField>
        );
      case 'text':
        return (
          <TextField
            key={one.name}
            {...shared}
            value={value}
            onChange={({ target }) => set(target.value.slice(0, 60))}
          />
        );
      case 'lines':
        return (
          <TextField
            key={one.name}
            {...shared}
            multiline
            placeholder={one.example}
            slotProps={{ inputLabel: { shrink: one.example ? true : undefined } }}
            minRows={one.example ? 2 : 4}
            maxRows={12}
            value={(value as string[]).join('\n')}
            helperText={problem && `${problem.where}: ${problem.say} ${problem.remedy}`}
            onChange={({ target }) => set(target.value.split('\n'))}
          />
        );
      case 'some of':
        return (
          <TextField
            key={one.name}
            {...shared}
            select
            value={value}
            // The last one stays: of nothing nothing can be made.
            onChange={({ target }) =>
              (target.value as unknown as unknown[]).length &&
              set(inOrder(one.options, target.value as unknown as (string | number)[]))
            }
            slotProps={{ select: { multiple: true, renderValue: (chosen) => (chosen as unknown[]).join(', ') } }}
          >
            {one.options.map((option) => (
              <MenuItem key={option} value={option}>
                {option}
              </MenuItem>
            ))}
          </TextField>
        );
    }
  });
}

const inOrder = <T,>(options: readonly T[], chosen: readonly T[]): T[] =>
  options.filter((option) => chosen.includes(option));
