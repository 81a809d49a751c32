import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { SxProps } from '@mui/material/styles';
import type { ReactNode } from 'react';

interface ExplainedProps {
  /** What it is, how it is worked out, and from how many strokes. */
  explained: string;
  children: ReactNode;
  sx?: SxProps;
}

/** A figure that says on a touch what it is: it unfolds in its place, by keys and by finger. */
export function Explained({ explained, children, sx }: ExplainedProps) {
  return (
    <Box component="details" sx={{ minWidth: 0, ...sx }}>
      <Box
        component="summary"
        sx={{
          cursor: 'pointer',
          listStyle: 'none',
          '&::-webkit-details-marker': { display: 'none' },
          '&:hover .figure-name': { textDecorationStyle: 'solid' },
          '& .figure-name': { textDecoration: 'underline dotted', textUnderlineOffset: '3px' },
          '@media print': { '& .figure-name': { textDecoration: 'none' } },
        }}
      >
        {children}
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ py: 0.75, maxWidth: 560 }}>
        {explained}
      </Typography>
    </Box>
  );
}
