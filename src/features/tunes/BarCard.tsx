import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Popover from '@mui/material/Popover';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { EngravedBar } from '@/core/chart/play/engraved';

interface BarCardProps {
  bar: EngravedBar;
  anchor: HTMLElement;
  typed: string;
  /** Sets what stands over the bar; what is wrong with it where it cannot be. */
  onSet: (words: string) => string | undefined;
  onClose: () => void;
}

/** What stands over one bar that was pointed at, to be said anew. */
export function BarCard({ bar, anchor, typed, onSet, onClose }: BarCardProps) {
  const [words, setWords] = useState(typed);
  const [wrong, setWrong] = useState<string>();
  const set = () => {
    const problem = onSet(words);
    setWrong(problem);
    if (!problem) onClose();
  };
  return (
    <Popover open anchorEl={anchor} onClose={onClose} anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}>
      <Box
        component="form"
        onSubmit={(event) => {
          event.preventDefault();
          set();
        }}
        sx={{ p: 2, display: 'grid', gap: 1.5, width: 340, maxWidth: 'calc(100vw - 32px)' }}
      >
        <Typography variant="h3">
          Bar {bar.number} of {bar.section}
        </Typography>
        <TextField
          autoFocus
          label="What stands over it"
          value={words}
          onChange={({ target }) => setWords(target.value)}
          error={Boolean(wrong)}
          helperText={wrong ?? 'Like hits: 1, short & of 2; or p, fill, D.S. al Coda.'}
          slotProps={{ htmlInput: { spellCheck: false, maxLength: 400 } }}
        />
        <Box sx={{ display: 'flex', gap: 1 }}>
          <Button type="submit" variant="contained">
            Set it
          </Button>
          <Button onClick={onClose}>Close</Button>
        </Box>
      </Box>
    </Popover>
  );
}
