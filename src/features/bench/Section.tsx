import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

/** A titled part of the side panel. */
export function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box component="section">
      <Typography variant="h3" component="h2" gutterBottom>
        {title}
      </Typography>
      {children}
    </Box>
  );
}

/** A name and what it comes to. */
export function Row({ name, value, wrong }: { name: string; value: string; wrong?: boolean }) {
  return (
    <Box
      sx={{
        display: 'flex',
        justifyContent: 'space-between',
        gap: 2,
        py: 0.9,
        borderBottom: 1,
        borderBottomStyle: 'dashed',
        borderColor: 'divider',
        fontSize: 14,
      }}
    >
      <span>{name}</span>
      <Box component="span" sx={{ fontWeight: 600, textAlign: 'right', color: wrong ? 'error.main' : undefined }}>
        {value}
      </Box>
    </Box>
  );
}
