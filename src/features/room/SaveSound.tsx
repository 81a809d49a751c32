'use client';

import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Piece } from './piece';
import type { RoomSettings } from './settings';

const SaveDialog = dynamic(() => import('./SaveDialog').then((module) => module.SaveDialog), { ssr: false });

interface SaveSoundProps {
  piece: Piece;
  settings: RoomSettings;
}

/** Saves what the room would play, the click with or without the groove, as a sound file. */
export function SaveSound(props: SaveSoundProps) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button size="small" onClick={() => setOpen(true)} sx={{ minHeight: 44 }}>
        Save as sound
      </Button>
      {open && <SaveDialog {...props} onClose={() => setOpen(false)} />}
    </>
  );
}
