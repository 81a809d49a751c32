'use client';

import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { useSyncExternalStore } from 'react';
import { emptyOutbox, onOutbox, outboxState } from './outbox';

/** Whether the server has a take yet; once it has, the way to it. */
export function KeptNote({ id }: { id: string }) {
  const { kept, refused } = useSyncExternalStore(onOutbox, outboxState, () => emptyOutbox);
  return (
    <Typography variant="body2" color="textSecondary" role="status">
      {kept.has(id) ? <Link href={`/takes/${id}`}>Kept in the log</Link> : waitingInWords(id, refused)}
    </Typography>
  );
}

const waitingInWords = (id: string, refused: readonly { id: string }[]): string =>
  refused.some((one) => one.id === id) ? 'Not kept' : 'Safe in this browser, being sent …';
