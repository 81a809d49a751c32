import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { dayInWords } from '@/ui/words/dates';
import type { SectionProps } from './WorkshopPage';

/** When the last backup was made, and after how many days a new one is wanted. */
export function BackupField({ settings, problems, onChange, last }: SectionProps & { last: Date | null }) {
  const [typed, setTyped] = useState(String(settings.backupDays));
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center' }}>
      <TextField
        label="Wanted every … days"
        value={typed}
        onChange={({ target }) => {
          setTyped(target.value);
          onChange({ backupDays: target.value.trim() === '' ? NaN : Number(target.value) });
        }}
        error={Boolean(problems['backupDays'])}
        helperText={problems['backupDays']}
        sx={{ width: 190 }}
        slotProps={{ htmlInput: { inputMode: 'numeric' } }}
      />
      <Typography color="textSecondary">
        {last ? `The last one is of ${dayInWords(last, settings)}.` : 'None has been made yet.'} 0: say nothing.
      </Typography>
    </Box>
  );
}
