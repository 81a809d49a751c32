'use client';

import Box from '@mui/material/Box';
import { useEffect, useState } from 'react';

/** Quiet modules round it: four, as the standard has it (ISO/IEC 18004). */
const QUIET = 4;

/** A text to be read by a camera. Dark on white in every theme: cameras want it so. */
export function QrCode({ text, label }: { text: string; label: string }) {
  const [drawn, setDrawn] = useState<{ path: string; size: number }>();
  useEffect(() => {
    let isOver = false;
    void import('qrcode').then(({ create }) => {
      const { size, data } = create(text).modules;
      const rows = Array.from({ length: size }, (_, row) => data.slice(row * size, (row + 1) * size));
      const path = rows
        .flatMap((row, y) => [...row].flatMap((dark, x) => (dark ? [`M${x + QUIET} ${y + QUIET}h1v1h-1z`] : [])))
        .join('');
      if (!isOver) setDrawn({ path, size: size + 2 * QUIET });
    });
    return () => {
      isOver = true;
    };
  }, [text]);
  if (!drawn) return <Box sx={{ width: 180, height: 180 }} />;
  return (
    <Box
      component="svg"
      role="img"
      aria-label={label}
      viewBox={`0 0 ${drawn.size} ${drawn.size}`}
      shapeRendering="crispEdges"
      sx={{ width: 180, height: 180, bgcolor: '#fff', borderRadius: 1 }}
    >
      <path d={drawn.path} fill="#000" />
    </Box>
  );
}
