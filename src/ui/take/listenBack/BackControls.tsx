'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import type { Ref } from 'react';
import { PlayArrow as PlayIcon, Stop as StopIcon } from '@/ui/icons';
import { Pick } from '../../Pick';
import { BARS_SHOWN, windowAt, type Back } from './back';
import type { ShownBars } from './useShownBars';

interface BackControlsProps {
  back: Back;
  shown: ShownBars;
  clock: Ref<HTMLElement>;
  /** Somebody wants to write a word on a bar. */
  onBar?: (bar: number) => void;
}

/** What can be done while listening back: begin, other bars, slower, over and over, the click beside it. */
export function BackControls({ back, shown: { bars, first, shown, window, show }, clock, onBar }: BackControlsProps) {
  const isPlaying = back.state === 'playing';
  const bar = bars[first]!.barInRun;
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', columnGap: 2, rowGap: 1 }}>
      <Button
        variant="contained"
        startIcon={isPlaying ? <StopIcon /> : <PlayIcon />}
        loading={back.state === 'getting ready'}
        onClick={() => (isPlaying ? back.stop() : back.play(window.startMs))}
        sx={{ minHeight: 44, minWidth: 104 }}
      >
        {isPlaying ? 'Stop' : 'Listen'}
      </Button>
      <Box sx={{ display: 'flex', gap: 0.5 }}>
        <Button onClick={() => show(first - shown)} disabled={first === 0} sx={{ minHeight: 44 }}>
          Before
        </Button>
        <Button onClick={() => show(first + shown)} disabled={first + shown >= bars.length} sx={{ minHeight: 44 }}>
          Next
        </Button>
      </Box>
      <Pick
        label="Bars shown"
        value={shown}
        options={BARS_SHOWN}
        onPick={(count) => show(windowAt(bars, window.startMs, count), count)}
        sx={{ width: 110 }}
      />
      <Pick
        label="Speed"
        value={back.speed}
        options={back.speeds.map((speed) => [speed, speed === 1 ? 'as played' : `${100 * speed} %`] as const)}
        onPick={(speed) => back.set({ speed })}
        sx={{ width: 130 }}
      />
      <FormControlLabel
        control={
          <Switch
            checked={back.loop !== undefined}
            onChange={({ target }) =>
              back.set({ loop: target.checked ? { fromMs: window.startMs, toMs: window.endMs } : undefined })
            }
          />
        }
        label="Over and over"
      />
      <FormControlLabel
        control={<Switch checked={back.isClicked} onChange={({ target }) => back.set({ isClicked: target.checked })} />}
        label="Click"
      />
      <Typography ref={clock} component="span" color="textSecondary" sx={{ fontVariantNumeric: 'tabular-nums' }} />
      {onBar && (
        <Button onClick={() => onBar(bar)} sx={{ minHeight: 44, ml: 'auto' }}>
          A word on bar {bar + 1}
        </Button>
      )}
    </Box>
  );
}
