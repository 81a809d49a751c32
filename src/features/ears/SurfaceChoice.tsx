import Box from '@mui/material/Box';
import Chip from '@mui/material/Chip';
import { SURFACES, type Surface } from '@/core/groove/limbs';
import { opening } from '@/ui/words/text';

const SETS: readonly [string, Surface[]][] = [
  ['Practice pad', ['pad']],
  ['Snare alone', ['snare']],
  ['Small kit', ['closed hat', 'hat pedal', 'snare', 'kick']],
  ['Whole kit', ['closed hat', 'open hat', 'hat pedal', 'snare', 'kick', 'high tom', 'floor tom', 'ride', 'crash']],
];

interface SurfaceChoiceProps {
  chosen: readonly Surface[];
  disabled: boolean;
  onChange: (surfaces: Surface[]) => void;
}

/** What is played there: a set to begin with, and each surface by itself. */
export function SurfaceChoice({ chosen, disabled, onChange }: SurfaceChoiceProps) {
  const isSet = (set: readonly Surface[]) => set.length === chosen.length && set.every((one) => chosen.includes(one));
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Box role="group" aria-label="What is played here" sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
        {SETS.map(([name, set]) => (
          <Chip
            key={name}
            label={name}
            clickable
            disabled={disabled}
            color={isSet(set) ? 'primary' : 'default'}
            aria-pressed={isSet(set)}
            onClick={() => onChange(set)}
            sx={{ height: 40 }}
          />
        ))}
      </Box>
      <Box role="group" aria-label="Surfaces" sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
        {SURFACES.map((surface) => {
          const isOn = chosen.includes(surface);
          return (
            <Chip
              key={surface}
              label={opening(surface)}
              clickable
              variant="outlined"
              disabled={disabled}
              color={isOn ? 'primary' : 'default'}
              aria-pressed={isOn}
              onClick={() => onChange(SURFACES.filter((one) => (one === surface ? !isOn : chosen.includes(one))))}
              sx={{ height: 40, ...(isOn && { borderWidth: 2 }) }}
            />
          );
        })}
      </Box>
    </Box>
  );
}
