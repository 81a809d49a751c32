import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import type { SectionProps } from './WorkshopPage';

const ZONES = ['Etc/UTC', ...Intl.supportedValuesOf('timeZone')];

/** Where the workshop is. */
export function ZoneField({ settings, problems, onChange }: SectionProps) {
  return (
    <Autocomplete
      options={ZONES.includes(settings.timeZone) ? ZONES : [settings.timeZone, ...ZONES]}
      value={settings.timeZone}
      disableClearable
      onChange={(_, timeZone) => onChange({ timeZone })}
      sx={{ maxWidth: 340 }}
      renderInput={(params) => (
        <TextField
          {...params}
          label="Time zone"
          error={Boolean(problems['timeZone'])}
          helperText={problems['timeZone']}
        />
      )}
    />
  );
}
