'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { Limb } from '@/core/groove/limbs';
import { CheckRounded, VolumeOffOutlined, VolumeUpOutlined } from '@/ui/icons';
import { THREAD } from '@/ui/strip/layout';

interface LimbSwitchesProps {
  limb: Limb;
  inTask: boolean;
  isHeard: boolean;
  /** The last limb of the task stays. */
  last: boolean;
  /** Whether the task may be changed now. */
  fixed?: boolean;
  onTask: (on: boolean) => void;
  onHeard: (on: boolean) => void;
}

/** One touch takes a limb out of the task, and so out of the judging; another one silences it. */
export function LimbSwitches({ limb, inTask, isHeard, last, fixed, onTask, onHeard }: LimbSwitchesProps) {
  return (
    <Box sx={{ display: 'flex', justifyContent: 'center', gap: 0.5, mt: 0.75 }}>
      <Button
        variant={inTask ? 'contained' : 'outlined'}
        disabled={fixed || (inTask && last)}
        aria-pressed={inTask}
        aria-label={`${limb} ${inTask ? 'in task' : 'left out'}`}
        onClick={() => onTask(!inTask)}
        startIcon={inTask ? <CheckRounded /> : undefined}
        sx={{
          minHeight: 44,
          minWidth: 0,
          flex: '0 1 108px',
          px: 1,
          fontSize: 14,
          '& .MuiButton-startIcon': { mr: 0.5 },
          '&&': {
            bgcolor: (theme) => (inTask ? theme.vars!.palette.cloth[THREAD[limb]] : undefined),
            color: (theme) => (inTask ? theme.vars!.palette.background.paper : theme.vars!.palette.text.secondary),
          },
        }}
      >
        {inTask ? 'in task' : 'left out'}
      </Button>
      <Button
        variant="outlined"
        aria-pressed={isHeard}
        aria-label={`${limb} ${isHeard ? 'heard' : 'silent'}`}
        onClick={() => onHeard(!isHeard)}
        sx={{
          minHeight: 44,
          minWidth: 44,
          px: 0,
          color: isHeard ? 'text.primary' : 'text.secondary',
          borderColor: 'divider',
        }}
      >
        {isHeard ? <VolumeUpOutlined /> : <VolumeOffOutlined />}
      </Button>
    </Box>
  );
}
