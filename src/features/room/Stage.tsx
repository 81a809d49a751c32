'use client';

import Box from '@mui/material/Box';
import type { ReactNode, Ref } from 'react';
import type { School } from '@/core/count/schools';
import type { Groove } from '@/core/groove/document';
import type { Limb } from '@/core/groove/limbs';
import type { Swing } from '@/core/time/swing';
import type { Bpm } from '@/core/time/units';
import type { Bead } from '@/ui/strip/beads';
import { Strip, type StripHandle } from '@/ui/strip/Strip';
import { FIGURE_FONT } from '@/ui/theme';

interface StageProps {
  groove: Groove;
  school: School;
  bpm: Bpm;
  swing?: Swing | 'straight';
  task: readonly Limb[];
  beads?: readonly Bead[];
  strip: Ref<StripHandle>;
  /** What is being counted, written straight on the page; beneath it what is heard now ("swung"). */
  count: Ref<HTMLElement>;
  side: Ref<HTMLElement>;
  layers?: ReactNode;
  pads: ReactNode;
  notes: ReactNode;
}

/** What is looked at from the stool: the strip, the count, the pads. */
export function Stage({ groove, school, bpm, swing, task, beads, strip, count, side, layers, pads, notes }: StageProps) {
  return (
    <>
      <Box>
        <Strip groove={groove} school={school} bpm={bpm} swing={swing} size="room" task={task} beads={beads} handle={strip} />
        {layers}
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 3 }}>
        {pads}
        <Box aria-hidden sx={{ minWidth: 200, textAlign: 'center', mx: 'auto' }}>
          <Box ref={count} sx={{ fontFamily: FIGURE_FONT, fontWeight: 800, fontSize: 104, lineHeight: 0.9, minHeight: 94 }} />
          <Box ref={side} sx={{ fontFamily: FIGURE_FONT, fontWeight: 700, fontSize: 26, minHeight: 36, color: 'secondary.main' }} />
        </Box>
      </Box>
      {notes}
    </>
  );
}
