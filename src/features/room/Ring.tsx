'use client';

import Box from '@mui/material/Box';
import { useImperativeHandle, useRef, type Ref } from 'react';

export interface RingHandle {
  /** How much is played, 0 to 1; nothing when undefined. */
  fill: (share: number | undefined) => void;
}

interface RingProps {
  handle: Ref<RingHandle>;
  /** In pixels across. */
  size?: number;
  children: React.ReactNode;
}

/** A ring round what it encloses that fills as a take goes on; moved straight on the page. */
export function Ring({ handle, size = 84, children }: RingProps) {
  const line = useRef<SVGCircleElement>(null);
  useImperativeHandle(handle, () => ({
    fill: (share) => {
      line.current?.style.setProperty('stroke-dashoffset', String(1 - (share ?? 0)));
      line.current?.style.setProperty('visibility', share === undefined ? 'hidden' : 'visible');
    },
  }));
  return (
    <Box sx={{ position: 'relative', width: size, height: size, display: 'grid', placeItems: 'center', flex: 'none' }}>
      <Box
        component="svg"
        aria-hidden
        viewBox="0 0 84 84"
        sx={{ position: 'absolute', inset: 0, transform: 'rotate(-90deg)', pointerEvents: 'none' }}
      >
        <Box
          component="circle"
          cx={42}
          cy={42}
          r={39}
          fill="none"
          strokeWidth={5}
          sx={{ stroke: (theme) => theme.vars!.palette.divider }}
        />
        <Box
          component="circle"
          ref={line}
          cx={42}
          cy={42}
          r={39}
          fill="none"
          strokeWidth={5}
          pathLength={1}
          strokeDasharray={1}
          strokeDashoffset={1}
          visibility="hidden"
          sx={{ stroke: (theme) => theme.vars!.palette.secondary.main }}
        />
      </Box>
      {children}
    </Box>
  );
}
