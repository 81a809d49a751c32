'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';

interface NoticesProps {
  /** What happened to the last attempt. */
  say: string | undefined;
  /** It is time for a rest. */
  rest: boolean;
  tooFast: string | undefined;
  onRested: () => void;
}

/** What has to be known before the next start. */
export function Notices({ say, rest, tooFast, onRested }: NoticesProps) {
  return (
    <>
      {say && (
        <Alert severity="info" role="status">
          {say}
        </Alert>
      )}
      {rest && (
        <Alert severity="info" role="status" action={<Button onClick={onRested}>I have rested</Button>}>
          25 minutes of playing: put the sticks down for five, let hands and ears rest, drink something.
        </Alert>
      )}
      {tooFast && (
        <Alert severity="warning" sx={{ maxWidth: 1000 }}>
          {tooFast}
        </Alert>
      )}
    </>
  );
}

interface NotesProps {
  /** How many words are left out because they come too fast, and whether places are called. */
  unspoken: number;
  called: boolean;
  /** Why it was set, while nothing plays. */
  reason: string | undefined;
  /** Whether the usual care is said. */
  care: boolean;
}

/** What stands under the pads. */
export function Notes({ unspoken, called, reason, care }: NotesProps) {
  return (
    <>
      {unspoken > 0 && (
        <Typography role="status">
          {called
            ? 'Too fast to say every place in the bar before it: what does not fit is only shown.'
            : 'The count is too fast to say every syllable: the inner ones drop out.'}
        </Typography>
      )}
      {reason && <Typography sx={{ maxWidth: 720, fontSize: '1.1rem', overflowWrap: 'anywhere' }}>{reason}</Typography>}
      {care && (
        <Typography variant="body2" color="textSecondary">
          Space starts and stops. Warm up first, keep the level where talking is easy, rest every 25 minutes; stop when
          it hurts, and if it stays, see a doctor.
        </Typography>
      )}
    </>
  );
}
