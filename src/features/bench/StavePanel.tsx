'use client';

import Box from '@mui/material/Box';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import { memo, useState } from 'react';
import type { School } from '@/core/counting/schools';
import type { Groove } from '@/core/groove/groove';
import type { Place } from '@/core/groove/edit';
import { writeSwingOut } from '@/core/groove/feel';
import { strokeInLine, strokeOfLine, type StrokeInLine } from '@/ui/stave/layout';

// The engraver and its font are heavy: they come when the bench is there.
const Stave = dynamic(() => import('@/ui/stave/Stave'), { ssr: false });

interface StavePanelProps {
  groove: Groove;
  cursor: Place;
  school: School;
  onPick: (place: Place) => void;
}

/** The groove on the stave; a swung one as it is written, or as it is really played. */
export const StavePanel = memo(function StavePanel({ groove, cursor, school, onPick }: StavePanelProps) {
  const [wanted, setWanted] = useState<'written' | 'played'>('written');
  const played = groove.swing && wanted === 'played' ? writeSwingOut(groove) : undefined;
  const pick = (picked: StrokeInLine) => {
    const stroke = strokeOfLine(groove, picked);
    if (stroke) onPick({ bar: picked.bar, limb: stroke.limb, at: stroke.at });
  };
  return (
    <Box
      component="section"
      aria-label="Staff notation"
      sx={{
        bgcolor: 'background.paper',
        border: 1,
        borderColor: 'divider',
        borderRadius: 2,
        px: 2,
        py: 1,
        minWidth: 0,
      }}
    >
      {groove.swing && (
        <ToggleButtonGroup
          exclusive
          size="small"
          value={wanted}
          onChange={(_, value: typeof wanted | null) => value && setWanted(value)}
          aria-label="Swing on the stave"
        >
          <ToggleButton value="written">As written</ToggleButton>
          <ToggleButton value="played">As played</ToggleButton>
        </ToggleButtonGroup>
      )}
      {played && !played.ok && (
        <Typography variant="body2" color="textSecondary" sx={{ py: 1 }}>
          {played.problems[0]!.say} {played.problems[0]!.remedy}
        </Typography>
      )}
      <Stave
        groove={played?.ok ? played.value.groove : groove}
        school={school}
        selected={strokeInLine(groove, cursor)}
        onPick={pick}
      />
    </Box>
  );
});
