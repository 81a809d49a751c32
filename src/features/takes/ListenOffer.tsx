'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { RecordingRow } from '@/server/recordings';
import { clockInWords } from '@/ui/words/recordings';

interface ListenOfferProps {
  recording: RecordingRow;
  isLoading: boolean;
  say?: string;
  onLoad: () => void;
  children: ReactNode;
}

/** That a take can be listened to, before its sound is brought. */
export function ListenOffer({ recording: { length_ms, bytes }, isLoading, say, onLoad, children }: ListenOfferProps) {
  return (
    <Box component="section" aria-label="Listen back" className="no-print" sx={{ display: 'grid', gap: 1 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', columnGap: 2, rowGap: 1 }}>
        <Button variant="outlined" loading={isLoading} onClick={onLoad} sx={{ minHeight: 44 }}>
          Listen back
        </Button>
        <Typography color="textSecondary" sx={{ mr: 'auto' }}>
          {clockInWords(length_ms)} of sound, {(bytes / 1e6).toFixed(1)} MB
        </Typography>
        {children}
      </Box>
      {say && <Alert severity="error">{say}</Alert>}
    </Box>
  );
}
