'use client';

import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import type { Groove } from '@/core/groove/groove';
import { grooveOf } from './grooveOf';

/** A groove of the workshop that a drill can be made of or over. */
export interface Pickable {
  id: string;
  title: string;
}

interface GroovePickProps {
  label: string;
  grooves: readonly Pickable[];
  /** The title of the one that is chosen; it may have changed in the library since. */
  title: string | undefined;
  /** What stands there when none is. */
  none: string;
  problem?: string;
  /** Nothing when it is taken away. */
  onPick: (groove: Groove | undefined) => void;
}

/** One groove of many, found by typing a part of its title. */
export function GroovePick({ label, grooves, title, none, problem, onPick }: GroovePickProps) {
  return (
    <Autocomplete
      options={[...grooves]}
      getOptionLabel={(one) => one.title}
      getOptionKey={({ id }) => id}
      isOptionEqualToValue={(one, other) => one.title === other.title}
      value={title === undefined ? null : (grooves.find((one) => one.title === title) ?? { id: title, title })}
      onChange={(_, chosen) => (chosen ? void grooveOf(chosen.id).then(onPick) : onPick(undefined))}
      renderInput={(params) => (
        <TextField
          {...params}
          label={label}
          placeholder={none}
          error={Boolean(problem)}
          helperText={problem}
          slotProps={{ ...params.slotProps, inputLabel: { ...params.slotProps?.inputLabel, shrink: true } }}
        />
      )}
    />
  );
}
