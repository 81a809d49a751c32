'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { Limb } from '@/core/groove/limbs';
import { SwapHorizRounded } from '@/ui/icons';
import { THREAD } from '@/ui/strip/layout';
import { FIGURE_FONT } from '@/ui/theme';
import { plural } from '@/ui/words/text';
import type { RoomSettings } from '../../settings';
import { nextLimb } from './useBuildUp';

interface BuildUpPanelProps {
  buildUp: RoomSettings['buildUp'];
  task: readonly Limb[];
  playing: boolean;
  onChange: (buildUp: RoomSettings['buildUp']) => void;
  /** Brings the next limb in. */
  onNext: () => void;
}

/** Limbs come in one after another: in which order, and when. */
export function BuildUpPanel({ buildUp, task, playing, onChange, onNext }: BuildUpPanelProps) {
  const { order, after } = buildUp;
  const next = nextLimb(order, task);
  const earlier = (index: number) =>
    onChange({ ...buildUp, order: order.toSpliced(index - 1, 2, order[index]!, order[index - 1]!) });
  return (
    <Box
      role="group"
      aria-label="Build-up"
      sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', columnGap: 3, rowGap: 1 }}
    >
      <Box component="ol" sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, listStyle: 'none', m: 0, p: 0 }}>
        {order.map((limb, index) => (
          <Box component="li" key={limb} sx={{ display: 'flex', alignItems: 'center' }}>
            {index > 0 && (
              <IconButton
                aria-label={`${limb} before the ${order[index - 1]}`}
                disabled={playing}
                onClick={() => earlier(index)}
                sx={{ width: 44, height: 44 }}
              >
                <SwapHorizRounded />
              </IconButton>
            )}
            <Box
              sx={{
                px: 1.5,
                py: 0.75,
                borderRadius: 1,
                border: 2,
                fontWeight: 650,
                borderColor: (theme) => theme.vars!.palette.cloth[THREAD[limb]],
                bgcolor: (theme) => (task.includes(limb) ? theme.vars!.palette.cloth[THREAD[limb]] : 'transparent'),
                color: (theme) =>
                  task.includes(limb) ? theme.vars!.palette.background.paper : theme.vars!.palette.cloth[THREAD[limb]],
              }}
            >
              {index + 1} {limb}
            </Box>
          </Box>
        ))}
      </Box>
      <TextField
        select
        label="The next comes in"
        value={String(after)}
        onChange={({ target }) => onChange({ ...buildUp, after: Number(target.value) })}
        sx={{ width: 'auto', minWidth: 190 }}
      >
        {[1, 2, 3, 4].map((rounds) => (
          <MenuItem key={rounds} value={String(rounds)}>
            after {plural(rounds, 'clean round')}
          </MenuItem>
        ))}
        <MenuItem value="0">only when asked</MenuItem>
      </TextField>
      {next ? (
        <Button variant="outlined" sx={{ minHeight: 44 }} onClick={onNext}>
          Bring in the {next}
        </Button>
      ) : (
        <Typography role="status" sx={{ fontFamily: FIGURE_FONT, fontWeight: 700, fontSize: 20 }}>
          All limbs are in
        </Typography>
      )}
    </Box>
  );
}
