'use client';

import Box from '@mui/material/Box';
import type { ReactNode, Ref } from 'react';
import { FIGURE_FONT } from '@/ui/theme';

interface StageProps {
  strip: ReactNode;
  /** What is being counted, written straight on the page; beneath it what is heard now ("swung"). */
  count: Ref<HTMLElement>;
  side: Ref<HTMLElement>;
  layers?: ReactNode;
  pads: ReactNode;
  notes: ReactNode;
}

/** What is looked at from the stool: the strip, the count, the pads. */
export function Stage({ strip, count, side, layers, pads, notes }: StageProps) {
  return (
    <>
      <Box>
        {strip}
        {layers}
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 3 }}>
        {pads}
        <Box aria-hidden sx={{ minWidth: 200, textAlign: 'center', mx: 'auto' }}>
          <Box
            ref={count}
            sx={{ fontFamily: FIGURE_FONT, fontWeight: 800, fontSize: 104, lineHeight: 0.9, minHeight: 94 }}
          />
          <Box
            ref={side}
            sx={{ fontFamily: FIGURE_FONT, fontWeight: 700, fontSize: 26, minHeight: 36, color: 'secondary.main' }}
          />
        </Box>
      </Box>
      {notes}
    </>
  );
}
