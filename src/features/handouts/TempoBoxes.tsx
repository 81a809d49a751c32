import Box from '@mui/material/Box';
import type { Bpm } from '@/core/time/units';
import { tempoInWords } from '@/ui/words/figures';

/** Tempos from the first to the goal, each with a box to tick. */
export function TempoBoxes({ tempos }: { tempos: readonly Bpm[] }) {
  if (!tempos.length) return null;
  return (
    <Box
      component="ul"
      aria-label="Tempos to tick"
      sx={{
        listStyle: 'none',
        m: 0,
        p: 0,
        display: 'flex',
        flexWrap: 'wrap',
        columnGap: 2,
        rowGap: 1,
        breakInside: 'avoid',
        breakAfter: 'avoid',
      }}
    >
      {tempos.map((bpm) => (
        <Box component="li" key={bpm} sx={{ display: 'flex', alignItems: 'center', gap: 0.75, fontWeight: 600 }}>
          <Box
            component="span"
            sx={{ width: '1.15em', height: '1.15em', border: '1.3px solid', borderRadius: '3px' }}
          />
          {tempoInWords(bpm)}
        </Box>
      ))}
    </Box>
  );
}
