'use client';

import type { Clock } from '@/core/documents/settings';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useActionState, useState } from 'react';
import { dayInWords } from '@/ui/words/dates';
import { inviteAction, takeBackInvitationAction, type Invited } from './actions';
import { QrCode } from '@/ui/QrCode';

interface InviteSectionProps {
  id: string;
  name: string;
  /** When an invitation that is open runs out. */
  openUntil?: Date;
  clock: Clock;
}

const NONE: Invited = {};

/** A link by which a student comes in: for the first time, or with a new password after the old one is forgotten. */
export function InviteSection({ id, name, openUntil, clock }: InviteSectionProps) {
  const [state, action, busy] = useActionState(inviteAction, NONE);
  const link = state.token && openUntil ? `${window.location.origin}/join/${state.token}` : undefined;
  return (
    <Box sx={{ display: 'grid', gap: 1.5, justifyItems: 'start' }}>
      <Typography color="textSecondary">
        {openUntil
          ? `An invitation is open until ${dayInWords(openUntil, clock)}. It holds once; another one takes its place.`
          : `A link for ${name} to come in with a name and password of their own: once, within seven days. Also where a password is forgotten.`}
      </Typography>
      {state.say && <Alert severity="error">{state.say}</Alert>}
      {link && <Link link={link} />}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5 }}>
        <form action={action}>
          <Button
            type="submit"
            name="person"
            value={id}
            variant={openUntil ? 'outlined' : 'contained'}
            loading={busy}
            sx={{ minHeight: 44 }}
          >
            {openUntil ? 'Make another link' : 'Invite by a link'}
          </Button>
        </form>
        {openUntil && (
          <form action={takeBackInvitationAction}>
            <Button type="submit" name="person" value={id} sx={{ minHeight: 44 }}>
              Take it back
            </Button>
          </form>
        )}
      </Box>
    </Box>
  );
}

/** The link as it is sent or shown; it is kept nowhere, so it is here only now. */
function Link({ link }: { link: string }) {
  const [isCopied, setCopied] = useState(false);
  const copy = () =>
    navigator.clipboard.writeText(link).then(
      () => setCopied(true),
      () => {},
    );
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 3, alignItems: 'center', width: 1 }}>
      <QrCode text={link} label="The invitation, to be held before a camera" />
      <Box sx={{ display: 'grid', gap: 1, flex: '1 1 320px', maxWidth: 460 }}>
        <TextField
          label="The link"
          value={link}
          slotProps={{ htmlInput: { readOnly: true } }}
          onFocus={({ target }) => target.select()}
        />
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5 }}>
          <Button variant="outlined" onClick={() => void copy()}>
            {isCopied ? 'Copied' : 'Copy it'}
          </Button>
          <Typography variant="body2" color="textSecondary">
            Shown only now: it is kept nowhere.
          </Typography>
        </Box>
      </Box>
    </Box>
  );
}
