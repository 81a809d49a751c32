import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { INPUTS } from '@/core/documents/take';
import { isNarrowed, queryOf, type AskedOfLog } from './asked';

const DAY = { width: 160 };

/**
 * Narrows the log to an item, days, or what heard it; everything stands in the address, so that it can be kept and
 * sent.
 */
export function LogFilters({ asked }: { asked: AskedOfLog }) {
  const { student, item, from, to, input } = asked;
  const shrink = { inputLabel: { shrink: true } };
  return (
    <Box
      component="form"
      role="search"
      aria-label="The log"
      action="/takes"
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.25, alignItems: 'center', mb: 2.5 }}
      key={queryOf(asked)}
    >
      {student && <input type="hidden" name="student" value={student} />}
      <TextField name="item" label="What was played" size="small" defaultValue={item} sx={{ width: 200 }} />
      <TextField
        name="from"
        label="From"
        type="date"
        size="small"
        defaultValue={from ?? ''}
        sx={DAY}
        slotProps={shrink}
      />
      <TextField name="to" label="To" type="date" size="small" defaultValue={to ?? ''} sx={DAY} slotProps={shrink} />
      <TextField
        select
        name="input"
        label="Heard by"
        size="small"
        defaultValue={input ?? ''}
        sx={{ width: 160 }}
        slotProps={{ ...shrink, select: { displayEmpty: true } }}
      >
        <MenuItem value="">anything</MenuItem>
        {INPUTS.map((one) => (
          <MenuItem key={one} value={one}>
            {one}
          </MenuItem>
        ))}
      </TextField>
      <Button type="submit" variant="outlined" sx={{ minHeight: 40 }}>
        Show these
      </Button>
      {isNarrowed(asked) && (
        <Button href={`/takes?${queryOf({ student })}`} sx={{ minHeight: 40 }}>
          Show all
        </Button>
      )}
    </Box>
  );
}
