import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import type { Limb } from '@/core/groove/limbs';
import { SIZES, THREAD, type Lane, type StripSize } from './layout';

interface MarginProps {
  lanes: Lane[];
  size: StripSize;
  task?: readonly Limb[];
  /** Beside a lane's name: the key that plays it. */
  notes?: Partial<Record<Limb, ReactNode>>;
  narrow: boolean;
}

const SHORT: Record<Limb, string> = {
  'right hand': 'R hand',
  'left hand': 'L hand',
  'right foot': 'R foot',
  'left foot': 'L foot',
};

/** The names of the lanes, before the first bar of a row. */
export function Margin({ lanes, size, task, notes, narrow }: MarginProps) {
  const { head, lane, margin } = SIZES[size];
  return (
    <Box sx={{ flex: 'none', width: narrow ? 68 : margin, pt: `${head}px` }}>
      {lanes.map(({ limb, surface }) => (
        <Box
          key={limb}
          sx={{
            height: lane,
            display: 'flex',
            flexDirection: 'column',
            justifyContent: 'flex-end',
            pb: size === 'glance' ? 0 : 1,
            lineHeight: 1.2,
          }}
        >
          {notes?.[limb]}
          <Box
            component="span"
            sx={{
              fontSize: size === 'glance' || narrow ? 13 : 15,
              // What is not in the task has no thread's colour, but can be read.
              ...(task && !task.includes(limb)
                ? { fontWeight: 450, color: 'text.secondary' }
                : { fontWeight: 650, color: (theme) => theme.vars!.palette.cloth[THREAD[limb]] }),
            }}
          >
            {narrow ? SHORT[limb] : limb.charAt(0).toUpperCase() + limb.slice(1)}
          </Box>
          <Box component="span" sx={{ fontSize: size === 'glance' || narrow ? 12 : 13, color: 'text.secondary' }}>
            {surface}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
