'use client';

import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { opening } from '@/ui/words/text';
import type { WayName } from './settings';

/** How the groove or drill is practised. */
export function WayChoice({
  way,
  ways,
  onChange,
}: {
  way: WayName;
  ways: readonly WayName[];
  onChange: (way: WayName) => void;
}) {
  return (
    <ToggleButtonGroup
      exclusive
      value={way}
      aria-label="How to practise"
      onChange={(_, next: WayName | null) => next && onChange(next)}
      sx={{
        overflowX: 'auto',
        maxWidth: 1,
        justifySelf: 'start',
        '& .MuiToggleButton-root': { minHeight: 44, px: 2, textTransform: 'none', flex: 'none', fontSize: 15 },
      }}
    >
      {ways.map((one) => (
        <ToggleButton key={one} value={one}>
          {opening(one)}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}
