'use client';

import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Slider from '@mui/material/Slider';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { MOST_LEAN } from '@/core/limits';
import { LIMBS, SURFACES } from '@/core/groove/limbs';
import { NOTE_VALUE_NAMES, type Choice, type Choices } from './transforms';

interface TransformFieldsProps {
  uses: readonly Choice[];
  choices: Choices;
  onChange: (change: Partial<Choices>) => void;
}

const UNITS = [2, 4, 8, 16] as const;

/** The few choices a transform asks for. */
export function TransformFields({ uses, choices, onChange }: TransformFieldsProps) {
  const select = <K extends Choice>(
    key: K,
    label: string,
    options: readonly { value: Choices[K]; words: string }[],
    width = 170,
  ) =>
    uses.includes(key) && (
      <TextField
        select
        label={label}
        value={choices[key]}
        onChange={({ target }) =>
          onChange({
            [key]: options.find(({ value }) => String(value) === String(target.value))!.value,
          })
        }
        sx={{ width }}
      >
        {options.map(({ value, words }) => (
          <MenuItem key={words} value={value as string | number}>
            {words}
          </MenuItem>
        ))}
      </TextField>
    );
  const named = <T extends string>(names: readonly T[]) => names.map((value) => ({ value, words: value }));
  if (!uses.length) return null;
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center', pt: 1.5 }}>
      {uses.includes('limbs') && (
        <Box role="group" aria-label="Limbs">
          {LIMBS.map((limb) => (
            <FormControlLabel
              key={limb}
              control={
                <Checkbox
                  checked={choices.limbs.includes(limb)}
                  onChange={(_, on) =>
                    onChange({ limbs: LIMBS.filter((one) => (one === limb ? on : choices.limbs.includes(one))) })
                  }
                />
              }
              label={limb}
            />
          ))}
        </Box>
      )}
      {select('limb', 'Limb', named(LIMBS))}
      {select('surface', 'Surface', named(SURFACES))}
      {select('step', 'By', [
        { value: 'slot', words: 'a slot here' },
        ...NOTE_VALUE_NAMES.map((value) => ({ value, words: value })),
      ])}
      {select(
        'times',
        'How often',
        [1, 2, 3, 4, 5, 6, 7, 8].map((value) => ({ value, words: value === 1 ? 'once' : `${value} times` })),
        120,
      )}
      {select('way', 'Which way', named(['later', 'earlier'] as const), 130)}
      {uses.includes('plan') && (
        <TextField
          label="In which notes"
          value={choices.plan}
          placeholder="3 quarter triplets, the rest in 8ths"
          helperText="All in one value, or several one after another: 3 quarter triplets, 4 8ths, the rest in 16ths"
          onChange={({ target }) => onChange({ plan: target.value.slice(0, 200) })}
          sx={{ flex: 1, minWidth: 260 }}
        />
      )}
      {select(
        'counts',
        'Triplets on the first',
        [1, 2, 3, 4, 5, 6].map((value) => ({ value, words: value === 1 ? '1 count' : `${value} counts` })),
      )}
      {select(
        'swing',
        'Pairs of',
        (['8th', '16th'] as const).map((value) => ({ value, words: `${value}s` })),
        120,
      )}
      {select('ratio', 'Long to short', [
        { value: '2', words: '2:1, triplet' },
        { value: '3/2', words: '3:2, light' },
        { value: '3', words: '3:1, dotted' },
      ])}
      {uses.includes('ms') && (
        <Box sx={{ width: 320, px: 1 }}>
          <Typography id="lean-label" variant="body2">
            {choices.ms === 0 ? 'on the beat' : `${Math.abs(choices.ms)} ms ${choices.ms > 0 ? 'behind' : 'ahead'}`}
          </Typography>
          <Slider
            aria-labelledby="lean-label"
            min={-MOST_LEAN}
            max={MOST_LEAN}
            step={1}
            marks={[{ value: 0 }]}
            value={choices.ms}
            onChange={(_, ms) => onChange({ ms: ms })}
          />
        </Box>
      )}
      {select(
        'of',
        'In every',
        [2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12].map((value) => ({ value, words: `${value} notes` })),
        130,
      )}
      {uses.includes('on') && (
        <TextField
          label="accents on"
          value={choices.on}
          onChange={({ target }) => onChange({ on: target.value.slice(0, 40) })}
          sx={{ width: 150 }}
        />
      )}
      {select(
        'unit',
        'Bottom number',
        UNITS.map((value) => ({ value, words: String(value) })),
        150,
      )}
      {select('reading', 'Counted', [
        { value: 'pulse', words: 'in pulses' },
        { value: 'numbers', words: 'in all numbers' },
      ])}
    </Box>
  );
}
