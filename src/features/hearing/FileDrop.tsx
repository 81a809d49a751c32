'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRef, useState, type ReactNode } from 'react';

interface FileDropProps {
  onFile: (file: File) => void;
  children?: ReactNode;
}

/** Where a sound file is dropped or chosen. */
export function FileDrop({ onFile, children }: FileDropProps) {
  const [over, setOver] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const take = (files: FileList | null) => {
    if (files?.[0]) onFile(files[0]);
  };
  return (
    <Box
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        take(event.dataTransfer.files);
      }}
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        alignItems: 'center',
        gap: 2,
        p: 2.5,
        border: '2px dashed',
        borderColor: over ? 'primary.main' : 'divider',
        borderRadius: 1,
        bgcolor: over ? 'action.hover' : 'background.paper',
      }}
    >
      <Button variant="contained" onClick={() => input.current?.click()}>
        Choose a file
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        aria-label="Sound file"
        accept="audio/*,.wav,.mp3,.ogg,.oga,.opus,.flac,.m4a,.mid,.midi"
        onChange={({ target }) => {
          take(target.files);
          // The same file can be chosen again.
          target.value = '';
        }}
      />
      <Typography color="textSecondary" sx={{ flex: '1 1 260px' }}>
        or drop it here: WAV, MP3, OGG, FLAC, M4A or MIDI, up to 20 minutes. It stays on this computer until you keep
        it.
      </Typography>
      {children}
    </Box>
  );
}
