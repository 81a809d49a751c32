import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { DATE_LANGUAGES, WEEK_STARTS, type DateLanguage, type WeekStart } from '@/core/documents/settings';
import { DATE_NAMES } from '@/ui/words/dateNames';
import { weekdayNamed } from '@/ui/words/dates';
import type { SectionProps } from './WorkshopPage';

const ZONES = ['Etc/UTC', ...Intl.supportedValuesOf('timeZone')];
/** A Monday, a Sunday and a Saturday, to name the day by. */
const DAY: Record<WeekStart, string> = { Monday: '2026-11-23', Sunday: '2026-11-22', Saturday: '2026-11-21' };

/** Where the workshop is, in which language its days are named, and which of them a week begins with. */
export function ZoneField({ settings, problems, onChange }: SectionProps) {
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2 }}>
      <Autocomplete
        options={ZONES.includes(settings.timeZone) ? ZONES : [settings.timeZone, ...ZONES]}
        value={settings.timeZone}
        disableClearable
        onChange={(_, timeZone) => onChange({ timeZone })}
        sx={{ width: 340, maxWidth: '100%' }}
        renderInput={(params) => (
          <TextField
            {...params}
            label="Time zone"
            error={Boolean(problems['timeZone'])}
            helperText={problems['timeZone']}
          />
        )}
      />
      <TextField
        select
        label="Days are named in"
        value={settings.dates}
        onChange={({ target }) => onChange({ dates: target.value as DateLanguage })}
        sx={{ width: 190 }}
      >
        {DATE_LANGUAGES.map((one) => (
          <MenuItem key={one} value={one} lang={one}>
            {DATE_NAMES[one].language}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        label="A week begins on"
        value={settings.weekStart}
        onChange={({ target }) => onChange({ weekStart: target.value as WeekStart })}
        sx={{ width: 190 }}
      >
        {WEEK_STARTS.map((one) => (
          <MenuItem key={one} value={one}>
            {weekdayNamed(DAY[one], settings)}
          </MenuItem>
        ))}
      </TextField>
    </Box>
  );
}
