import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

/** An empty list says what to do first. */
export function EmptyState({ title, children, action }: { title: string; children: ReactNode; action?: ReactNode }) {
  return (
    <Box sx={{ border: 1, borderStyle: 'dashed', borderColor: 'divider', borderRadius: 2, p: 4, maxWidth: 620 }}>
      <Typography variant="h2" gutterBottom>
        {title}
      </Typography>
      <Typography color="textSecondary">{children}</Typography>
      {action && <Box sx={{ mt: 2 }}>{action}</Box>}
    </Box>
  );
}
