'use client';

import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import { ORDERS, type Rule } from '@/core/drill/rule';
import type { Problem } from '@/core/result';

interface GroundFieldsProps {
  rule: Rule;
  problems: readonly Problem[];
  onChange: (change: Partial<Rule>) => void;
}

const PARTS = [1, 2, 3, 4, 5, 6, 7, 8];
const MOST = [8, 16, 20, 50, 100, 500, 1000];

/** What the exercises are made over, how many and in which order. */
export function GroundFields({ rule, problems, onChange }: GroundFieldsProps) {
  const problemAt = (name: keyof Rule) => {
    const found = problems.find(({ path }) => path[0] === name);
    return {
      error: Boolean(found),
      helperText: found && [found.where.startsWith('“') ? `${found.where}:` : '', found.say, found.remedy].filter(Boolean).join(' '),
    };
  };
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5, '& > .wide': { gridColumn: '1 / -1' } }}>
      <TextField label="Meter" value={rule.meter} onChange={({ target }) => onChange({ meter: target.value.slice(0, 20) })} {...problemAt('meter')} />
      <TextField
        label="Parts of a count"
        select
        value={rule.parts}
        onChange={({ target }) => onChange({ parts: Number(target.value) })}
        {...problemAt('parts')}
      >
        {PARTS.map((parts) => (
          <MenuItem key={parts} value={parts}>
            {parts}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        className="wide"
        label="The others keep"
        value={rule.ostinato}
        placeholder="nothing"
        onChange={({ target }) => onChange({ ostinato: target.value.slice(0, 200) })}
        {...problemAt('ostinato')}
      />
      <TextField
        label="Goal tempo"
        type="number"
        value={Number.isNaN(rule.goal) ? '' : rule.goal}
        onChange={({ target }) => onChange({ goal: target.value === '' ? NaN : Number(target.value) })}
        {...problemAt('goal')}
      />
      <TextField label="At most" select value={rule.most} onChange={({ target }) => onChange({ most: Number(target.value) })} {...problemAt('most')}>
        {MOST.map((most) => (
          <MenuItem key={most} value={most}>
            {most}
          </MenuItem>
        ))}
      </TextField>
      <TextField className="wide" label="Order" select value={rule.order} onChange={({ target }) => onChange({ order: target.value as Rule['order'] })}>
        {ORDERS.map((order) => (
          <MenuItem key={order} value={order}>
            {order}
          </MenuItem>
        ))}
      </TextField>
      <FormControlLabel
        className="wide"
        control={<Switch checked={rule.withoutTurnings} onChange={(_, withoutTurnings) => onChange({ withoutTurnings })} />}
        label="Leave out what is the same turned round"
      />
    </Box>
  );
}
