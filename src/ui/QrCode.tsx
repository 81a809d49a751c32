'use client';

import Box from '@mui/material/Box';
import { useEffect, useState } from 'react';

/** Quiet modules round it: four, as the standard has it (ISO/IEC 18004). */
const QUIET = 4;

/** A text to be read by a camera. Dark on white in every theme: cameras want it so. */
export function QrCode({ text, label, size = 180 }: { text: string; label: string; size?: number }) {
  const [drawn, setDrawn] = useState<{ path: string; modules: number }>();
  useEffect(() => {
    let isOver = false;
    void import('qrcode').then(({ create }) => {
      const { size: modules, data } = create(text).modules;
      const rows = Array.from({ length: modules }, (_, row) => data.slice(row * modules, (row + 1) * modules));
      const path = rows
        .flatMap((row, y) => [...row].flatMap((dark, x) => (dark ? [`M${x + QUIET} ${y + QUIET}h1v1h-1z`] : [])))
        .join('');
      if (!isOver) setDrawn({ path, modules: modules + 2 * QUIET });
    });
    return () => {
      isOver = true;
    };
  }, [text]);
  if (!drawn) return <Box sx={{ width: size, height: size }} />;
  return (
    <Box
      component="svg"
      role="img"
      aria-label={label}
      viewBox={`0 0 ${drawn.modules} ${drawn.modules}`}
      shapeRendering="crispEdges"
      sx={{ width: size, height: size, bgcolor: '#fff', borderRadius: 1 }}
    >
      <path d={drawn.path} fill="#000" />
    </Box>
  );
}
