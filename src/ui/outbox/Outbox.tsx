'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import { useEffect, useSyncExternalStore } from 'react';
import { plural } from '@/ui/words/text';
import { count, discard, emptyOutbox, onOutbox, outboxState, send, sendAgain } from './outbox';

/** Sends what waits when a page opens and when the network comes back; says so only while something is amiss. */
export function Outbox({ playerId }: { playerId: string }) {
  const { waiting, refused, say } = useSyncExternalStore(onOutbox, outboxState, () => emptyOutbox);
  useEffect(() => {
    const sendMine = () => void send(playerId);
    void count(playerId).then(sendMine);
    window.addEventListener('online', sendMine);
    return () => window.removeEventListener('online', sendMine);
  }, [playerId]);

  // Above the page and in its flow, so that it covers nothing; while all is well it takes no room.
  if (!refused.length && !(say && waiting)) return null;
  return (
    <Stack sx={{ gap: 1, px: { xs: 2, sm: 3.5 }, pt: 1.5 }}>
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
      {refused.map(({ id, say: why, isSound }) => (
        <Alert
          key={id}
          severity="error"
          variant="outlined"
          sx={{ bgcolor: 'background.paper' }}
          action={
            <>
              <Button size="small" color="inherit" onClick={() => void sendAgain(id, playerId)}>
                Send again
              </Button>
              <Button size="small" color="inherit" onClick={() => void discard(id, playerId)}>
                Drop it
              </Button>
            </>
          }
        >
          {isSound ? 'A recording' : 'A take'} could not be kept, and waits in this browser: {why}
        </Alert>
      ))}
    </Stack>
  );
}
