import Box from '@mui/material/Box';
import dynamic from 'next/dynamic';
import { useEffect, useRef } from 'react';
import type { School } from '@/core/counting/schools';
import type { Groove } from '@/core/groove/groove';
import type { StaveWords } from '@/ui/stave/drawBar';

const Stave = dynamic(() => import('@/ui/stave/Stave'), { ssr: false });

/** Counts and sticking are what one has to find. */
const NOTES_ALONE: StaveWords = { counts: 'off', sticking: false };

/** A line as it is read: notes alone, the line of the bar that plays kept in sight. */
export function SightStage({ groove, school, bar }: { groove: Groove; school: School; bar: number }) {
  const frame = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const played = frame.current?.querySelector<HTMLElement>(`[data-stave-bar="${bar}"]`);
    // Its line stands first, so that the next one is in sight.
    if (played)
      frame.current!.scrollTop += played.getBoundingClientRect().top - frame.current!.getBoundingClientRect().top;
  }, [bar]);
  return (
    <Box ref={frame} sx={{ height: 1, overflow: 'auto' }} tabIndex={0} role="region" aria-label="Line to be read">
      {/* To be read from the stool, and all of it while it is looked at. */}
      <Box sx={{ zoom: { md: groove.bars.length > 4 ? 1.1 : 1.3 } }}>
        <Stave groove={groove} school={school} words={NOTES_ALONE} isOneDrum end="final" />
      </Box>
    </Box>
  );
}
