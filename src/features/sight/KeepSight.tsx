import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import type { SightPlanJson } from '@/core/documents/sightPlan';
import { MOST_TITLE } from '@/core/limits';
import { keepSightAction } from './actions';

interface KeepSightProps {
  plan: SightPlanJson;
  tempo: number;
  /** Whether a line can be drawn from it. */
  isReadable: boolean;
}

/** Keeps what is to be read under a name, and reads it at once if wished. */
export function KeepSight({ plan, tempo, isReadable }: KeepSightProps) {
  const [title, setTitle] = useState('');
  const [said, setSaid] = useState<{ ok: boolean; words: string }>();
  const [busy, start] = useTransition();
  const router = useRouter();
  const keep = (then: (id: string) => void) =>
    start(async () => {
      try {
        const answer = await keepSightAction({ title, tempo, plan });
        if (answer.ok) then(answer.id);
        else setSaid({ ok: false, words: answer.say });
      } catch {
        setSaid({ ok: false, words: 'The server cannot be reached. Nothing here is lost: try again in a moment.' });
      }
    });
  return (
    <Box component="form" aria-label="Keep" onSubmit={(event) => event.preventDefault()}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.25, '& .MuiButton-root': { minHeight: 40 } }}>
        <TextField
          label="Name"
          value={title}
          placeholder="Off the ferry board, 8ths"
          onChange={({ target }) => setTitle(target.value.slice(0, MOST_TITLE))}
          sx={{ flex: '1 1 220px', maxWidth: 460 }}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <Button
          variant="outlined"
          type="submit"
          disabled={!isReadable || busy}
          onClick={() => keep(() => setSaid({ ok: true, words: `“${title.trim()}” is kept below.` }))}
        >
          Keep
        </Button>
        <Button
          variant="contained"
          disabled={!isReadable || busy}
          onClick={() => keep((id) => router.push(`/room/${id}`))}
        >
          Keep and read
        </Button>
      </Box>
      {said && (
        <Alert severity={said.ok ? 'success' : 'error'} role="status" sx={{ mt: 1 }}>
          {said.words}
        </Alert>
      )}
    </Box>
  );
}
