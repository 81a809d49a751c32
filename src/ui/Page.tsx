import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

/** The frame of a page: its title, a line beside it, what can be done here, and the content. */
export function Page({
  title,
  note,
  actions,
  children,
}: {
  title: string;
  note?: ReactNode;
  actions?: ReactNode;
  children: ReactNode;
}) {
  return (
    <>
      <Box
        component="header"
        sx={{
          display: 'flex',
          flexWrap: 'wrap',
          alignItems: 'center',
          columnGap: 2.5,
          rowGap: 1,
          px: { xs: 2, sm: 3.5 },
          py: 1.5,
          minHeight: 64,
          borderBottom: 1,
          borderColor: 'divider',
        }}
      >
        <Typography variant="h1" sx={{ overflowWrap: 'anywhere' }}>
          {title}
        </Typography>
        {note && (
          <Typography component="div" color="textSecondary" sx={{ flexGrow: 1 }}>
            {note}
          </Typography>
        )}
        {actions && (
          <Box sx={{ ml: { sm: 'auto' }, display: 'flex', flexWrap: 'wrap', gap: 1, whiteSpace: 'nowrap' }}>
            {actions}
          </Box>
        )}
      </Box>
      <Box sx={{ px: { xs: 2, sm: 3.5 }, py: 3 }}>{children}</Box>
    </>
  );
}
