import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

/** One step of getting heard, under its heading. */
export function Step({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box component="section" sx={{ display: 'grid', gap: 1.5, justifyItems: 'start' }}>
      <Typography variant="h2">{title}</Typography>
      {children}
    </Box>
  );
}
