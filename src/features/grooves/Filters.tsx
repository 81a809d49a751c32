'use client';

import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import { FEELS } from '@/core/groove/beat';
import { LEVELS } from '@/core/limits';
import type { GrooveRow } from '@/server/grooves';
import { choicesIn, SORTS, type Wanted } from './find';

interface FiltersProps {
  grooves: GrooveRow[];
  wanted: Wanted;
  onWanted: (wanted: Wanted) => void;
}

/** One line to type in, and beside it what narrows the shelf down. */
export function Filters({ grooves, wanted, onWanted }: FiltersProps) {
  const { meters, tags } = choicesIn(grooves);
  const chosen = (change: Partial<Wanted>) => onWanted({ ...wanted, ...change });
  const select = <K extends 'meter' | 'feel' | 'level' | 'tag'>(
    label: string,
    key: K,
    options: readonly string[],
    width: number,
  ) =>
    options.length > 1 && (
      <TextField
        select
        label={label}
        value={wanted[key] ?? ''}
        onChange={({ target }) => chosen({ [key]: target.value || undefined })}
        sx={{ width: { xs: 'calc(50% - 6px)', sm: width } }}
        slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      >
        <MenuItem value="">any</MenuItem>
        {options.map((option) => (
          <MenuItem key={option} value={option}>
            {option}
          </MenuItem>
        ))}
      </TextField>
    );
  return (
    <Box role="search" sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center', mb: 2.5 }}>
      <TextField
        label="Find by title, tag, meter …"
        value={wanted.words}
        onChange={({ target }) => chosen({ words: target.value.slice(0, 100) })}
        sx={{ width: { xs: 1, sm: 262 } }}
      />
      {select('Meter', 'meter', meters, 100)}
      {select('Feel', 'feel', FEELS, 120)}
      {select('Level', 'level', LEVELS, 130)}
      {select('Tag', 'tag', tags, 150)}
      <TextField
        select
        label="Order"
        value={wanted.sort}
        onChange={({ target }) => chosen({ sort: SORTS.find((one) => one === target.value) })}
        sx={{ width: { xs: 'calc(50% - 6px)', sm: 150 } }}
      >
        {SORTS.map((sort) => (
          <MenuItem key={sort} value={sort}>
            {sort}
          </MenuItem>
        ))}
      </TextField>
      <FormControlLabel
        control={<Switch checked={wanted.favourites} onChange={(_, favourites) => chosen({ favourites })} />}
        label="Favourites"
      />
      {grooves.some(({ archived }) => archived) || wanted.archived ? (
        <FormControlLabel
          control={<Switch checked={wanted.archived} onChange={(_, archived) => chosen({ archived })} />}
          label="Put away"
        />
      ) : null}
    </Box>
  );
}
