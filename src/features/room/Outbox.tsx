'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import { useEffect, useSyncExternalStore } from 'react';
import { plural } from '@/ui/words/text';
import { count, discard, emptyOutbox, onOutbox, outboxState, send } from './outbox';

/** Sends what waits when a page opens and when the network comes back; says so only while something is amiss. */
export function Outbox({ playerId }: { playerId: string }) {
  const { waiting, refused, say } = useSyncExternalStore(onOutbox, outboxState, () => emptyOutbox);
  useEffect(() => {
    const sendMine = () => void send(playerId);
    void count(playerId).then(sendMine);
    window.addEventListener('online', sendMine);
    return () => window.removeEventListener('online', sendMine);
  }, [playerId]);

  return (
    <Stack sx={{ position: 'fixed', top: 12, right: 12, zIndex: 20, gap: 1, maxWidth: 440 }}>
      {say && waiting > 0 && (
        <Alert
          severity="warning"
          variant="outlined"
          sx={{ bgcolor: 'background.paper' }}
          action={
            <Button size="small" color="inherit" onClick={() => void send(playerId)}>
              Send now
            </Button>
          }
        >
          {plural(waiting, 'take')} {waiting === 1 ? 'waits' : 'wait'} in this browser. {say}
        </Alert>
      )}
      {refused.map(({ id, say: why }) => (
        <Alert
          key={id}
          severity="error"
          variant="outlined"
          sx={{ bgcolor: 'background.paper' }}
          action={
            <Button size="small" color="inherit" onClick={() => void discard(id, playerId)}>
              Drop it
            </Button>
          }
        >
          A take could not be kept: {why}
        </Alert>
      ))}
    </Stack>
  );
}
