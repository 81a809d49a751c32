'use client';

import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { writeTake, type Take } from '@/core/documents/take';
import { KeptNote } from '@/ui/outbox/KeptNote';
import { post } from '@/ui/outbox/outbox';

interface KeepTakeProps {
  id: string;
  take: Take;
  playerId: string;
  grooveId: string;
  playedAt: Date;
  onKept: () => void;
}

/** Keeps what was heard in a file as a take, when its player says so. */
export function KeepTake({ id, take, playerId, grooveId, playedAt, onKept }: KeepTakeProps) {
  const [state, setState] = useState<'here' | 'sent' | 'failed'>('here');
  const keep = async () => {
    try {
      const body = { id, playerId, grooveId, playedAt: playedAt.toISOString(), take: writeTake(take) };
      await post({ id, playerId, body: JSON.stringify(body) });
      setState('sent');
      onKept();
    } catch {
      setState('failed');
    }
  };
  if (state === 'sent') return <KeptNote id={id} />;
  return (
    <>
      <Button variant="contained" onClick={() => void keep()} sx={{ minHeight: 44 }}>
        Keep it in the log
      </Button>
      {state === 'failed' && (
        <Typography role="status">This browser keeps nothing (private window, or its storage is full).</Typography>
      )}
    </>
  );
}
