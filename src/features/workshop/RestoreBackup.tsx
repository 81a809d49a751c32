'use client';

import type { Clock } from '@/core/documents/settings';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { dayInWords } from '@/ui/words/dates';
import { plural } from '@/ui/words/text';
import { rowsInWords } from './backup';
import { sendBackup, type Restored } from './sendBackup';

/** A backup brought in: first tried, so that one sees what it holds and what would come of it, then kept. */
export function RestoreBackup({ clock }: { clock: Clock }) {
  const [isOpen, setOpen] = useState(false);
  const [file, setFile] = useState<File>();
  const [rows, setRows] = useState<number>();
  const [tried, setTried] = useState<Restored>();
  const [say, setSay] = useState<string>();
  const stop = useRef<AbortController>(null);
  const picker = useRef<HTMLInputElement>(null);
  const router = useRouter();

  const send = async (given: File, isTry: boolean) => {
    setSay(undefined);
    setRows(0);
    stop.current = new AbortController();
    const answer = await sendBackup(given, { isTry, onRows: setRows, signal: stop.current.signal });
    setRows(undefined);
    if (!answer) return;
    if (!answer.ok) setSay(answer.say);
    else if (isTry) setTried(answer);
    // Everything on every page is another now.
    else {
      router.push('/today');
      router.refresh();
    }
  };
  if (!isOpen)
    return (
      <Button variant="outlined" onClick={() => setOpen(true)}>
        Bring a backup in
      </Button>
    );
  return (
    <Box
      component="section"
      aria-label="Bring a backup in"
      sx={{ display: 'grid', gap: 1.5, maxWidth: 720, width: '100%' }}
    >
      <Typography>
        A backup goes into a new workshop, where nobody is yet but you. You see what it holds before anything is kept.
      </Typography>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button variant="outlined" disabled={rows !== undefined} onClick={() => picker.current?.click()}>
          Choose a backup
        </Button>
        <input
          ref={picker}
          type="file"
          accept=".gz,application/gzip"
          hidden
          aria-label="Backup of a workshop"
          onChange={({ target }) => {
            const given = target.files?.[0];
            target.value = '';
            setTried(undefined);
            setFile(given);
            if (given) void send(given, true);
          }}
        />
        <Button onClick={() => setOpen(false)} disabled={rows !== undefined}>
          Close
        </Button>
      </Box>
      {rows !== undefined && (
        <Box sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
          <Box sx={{ flex: 1 }}>
            <LinearProgress aria-label="Rows read" />
            <Typography role="status" color="textSecondary">
              {plural(rows, 'row')} read
            </Typography>
          </Box>
          <Button onClick={() => stop.current?.abort()}>Stop</Button>
        </Box>
      )}
      {say && <Alert severity="error">{say}</Alert>}
      {tried && file && (
        <>
          <Alert severity="info" role="status">
            <strong>{tried.head.workshop}</strong> as it was on {dayInWords(new Date(tried.head.madeAt), clock)}:{' '}
            {rowsInWords(tried.rows)}. You become {tried.owner.name}, and sign in as {tried.owner.signInName} with the
            password you have now; everybody else as before.
          </Alert>
          <Button
            variant="contained"
            disabled={rows !== undefined}
            sx={{ justifySelf: 'start' }}
            onClick={() => void send(file, false)}
          >
            Bring it in
          </Button>
        </>
      )}
    </Box>
  );
}
