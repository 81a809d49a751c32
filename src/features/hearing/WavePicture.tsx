'use client';

import Box from '@mui/material/Box';
import Slider from '@mui/material/Slider';
import { useTheme } from '@mui/material/styles';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import type { HeardStroke } from '@/core/hearing/index';
import { outlinePath } from '@/core/hearing/dsp/outline';
import type { Ms } from '@/core/time/units';
import { clockInWords } from '@/ui/words/recordings';

/** So much of a recording is shown at a time. */
const WINDOW_MS = 8000;
const HEIGHT = 150;
/** Points of the outline across the picture. */
const COLUMNS = 900;

interface WavePictureProps {
  outline: Float32Array;
  lengthMs: Ms;
  strokes: readonly HeardStroke[];
}

/** The outline of a recording and every stroke in it, the taller the louder. */
export function WavePicture({ outline, lengthMs, strokes }: WavePictureProps) {
  const { cloth, text, divider } = useTheme().vars!.palette;
  const [from, setFrom] = useState(0);
  const windowMs = Math.min(WINDOW_MS, lengthMs || 1);
  const to = from + windowMs;
  const path = useMemo(
    () => outlinePath(outline, { fromMs: from, lengthMs: windowMs, width: COLUMNS, height: HEIGHT }),
    [outline, from, windowMs],
  );
  const shown = strokes.filter(({ ms }) => ms >= from && ms <= to);
  const loudest = Math.max(...strokes.map(({ levelDb }) => levelDb));
  const x = (ms: Ms) => (COLUMNS * (ms - from)) / windowMs;
  const seconds = Array.from({ length: Math.floor(windowMs / 1000) + 1 }, (_, index) => Math.ceil(from / 1000) + index);
  return (
    <Box>
      <Box
        component="svg"
        role="img"
        aria-label={`${shown.length} strokes between ${clockInWords(from)} and ${clockInWords(to)}`}
        viewBox={`0 0 ${COLUMNS} ${HEIGHT}`}
        preserveAspectRatio="none"
        sx={{
          width: 1,
          height: HEIGHT,
          display: 'block',
          bgcolor: 'background.paper',
          border: 1,
          borderColor: 'divider',
          borderRadius: 1,
        }}
      >
        {seconds.map((second) => (
          <line
            key={second}
            x1={x(1000 * second)}
            x2={x(1000 * second)}
            y1={0}
            y2={HEIGHT}
            stroke={divider}
            vectorEffect="non-scaling-stroke"
          />
        ))}
        <path
          d={path}
          fill={cloth.countShade}
          stroke={text.secondary}
          strokeWidth={0.6}
          vectorEffect="non-scaling-stroke"
        />
        {shown.map(({ ms, levelDb, sure }, index) => {
          const tall = HEIGHT * Math.max(0.18, Math.min(0.92, 0.92 - (loudest - levelDb) / 36));
          return (
            <line
              key={index}
              x1={x(ms)}
              x2={x(ms)}
              y1={HEIGHT}
              y2={HEIGHT - tall}
              stroke={cloth.rightHand}
              strokeWidth={2}
              opacity={0.4 + 0.6 * sure}
              vectorEffect="non-scaling-stroke"
            />
          );
        })}
      </Box>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, mt: 0.5 }}>
        <Typography variant="body2" color="textSecondary" sx={{ flex: 'none' }}>
          {clockInWords(from)} – {clockInWords(to)} of {clockInWords(lengthMs)}
        </Typography>
        {lengthMs > windowMs && (
          <Slider
            aria-label="From"
            size="small"
            min={0}
            max={lengthMs - windowMs}
            step={250}
            value={from}
            valueLabelDisplay="auto"
            valueLabelFormat={clockInWords}
            getAriaValueText={clockInWords}
            onChange={(_, value) => setFrom(value)}
          />
        )}
      </Box>
    </Box>
  );
}
