'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { KEYS } from './keys';

/** Every key of the bench. */
export function KeyList({ onClose }: { onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} aria-labelledby="key-list">
      <DialogTitle id="key-list">Keys on the strip</DialogTitle>
      {/* In a low window the list is scrolled, by keys too. */}
      <DialogContent tabIndex={0}>
        <Box component="dl" sx={{ m: 0, display: 'grid', gridTemplateColumns: 'auto 1fr', columnGap: 3, rowGap: 1 }}>
          {KEYS.map(([keys, what]) => (
            <Box key={keys} sx={{ display: 'contents' }}>
              <Box component="dt" sx={{ fontWeight: 650 }}>
                {keys}
              </Box>
              <Box component="dd" sx={{ m: 0 }}>
                {what}
              </Box>
            </Box>
          ))}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
