'use client';

import type { Clock } from '@/core/documents/settings';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useActionState } from 'react';
import type { MailRow } from '@/server/mail';
import { EmptyState } from '@/ui/EmptyState';
import { EMPTY_FORM } from '@/ui/form';
import { Page } from '@/ui/Page';
import { dayInWords } from '@/ui/words/dates';
import { plural } from '@/ui/words/text';
import { sendAgainAction, writeSummariesAction } from './actions';

interface MailPageProps {
  mails: readonly MailRow[];
  /** Whether mail leaves this server at all. */
  leaves: boolean;
  clock: Clock;
}

/** What was written to students: sent by the server that is set, or lying here as it would have been sent. */
export function MailPage({ mails, leaves, clock }: MailPageProps) {
  const [state, action, busy] = useActionState(writeSummariesAction, EMPTY_FORM);
  return (
    <Page
      title="Mail"
      note={mails.length ? plural(mails.length, 'mail') : undefined}
      actions={
        <form action={action}>
          <Button type="submit" variant="outlined" loading={busy}>
            Write this week’s summaries
          </Button>
        </form>
      }
    >
      <Box sx={{ display: 'grid', gap: 2.5, maxWidth: 860 }}>
        {!leaves && (
          <Alert severity="info">
            No mail leaves this server: what would have been sent stands here. Whoever runs it sets MOCHILA_SMTP_URL and
            MOCHILA_MAIL_FROM.
          </Alert>
        )}
        {state.say && (
          <Alert severity="success" role="status">
            {state.say}
          </Alert>
        )}
        {!mails.length && (
          <EmptyState title="Nothing was written yet">
            Invitations that are sent by mail, lessons that are moved or left out, and summaries of the week stand here
            for thirty days.
          </EmptyState>
        )}
        {mails.map((one) => (
          <OneMail key={one.id} mail={one} leaves={leaves} clock={clock} />
        ))}
      </Box>
    </Page>
  );
}

function OneMail({ mail, leaves, clock }: { mail: MailRow; leaves: boolean; clock: Clock }) {
  const { id, subject, address, body, written_at, sent_at, failed } = mail;
  return (
    <Box component="article" aria-label={subject} sx={{ borderTop: 1, borderColor: 'divider', pt: 1.5 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center' }}>
        <Box sx={{ flex: '1 1 320px', minWidth: 0 }}>
          <Typography sx={{ fontWeight: 650, overflowWrap: 'anywhere' }}>{subject}</Typography>
          <Typography variant="body2" color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
            to {address}, {dayInWords(written_at, clock)} · {stateOf(mail, leaves)}
          </Typography>
        </Box>
        {leaves && !sent_at && (
          <form action={sendAgainAction}>
            <Button type="submit" name="mail" value={id} aria-label={`Send again: ${subject}`}>
              Send again
            </Button>
          </form>
        )}
      </Box>
      {failed && (
        <Alert severity="warning" sx={{ my: 1 }}>
          It did not leave: {failed}
        </Alert>
      )}
      <Typography sx={{ whiteSpace: 'pre-line', overflowWrap: 'anywhere', mt: 1 }}>{body}</Typography>
    </Box>
  );
}

function stateOf({ sent_at, failed }: MailRow, leaves: boolean): string {
  if (sent_at) return 'sent';
  if (failed) return 'not sent';
  return leaves ? 'waiting' : 'would have been sent';
}
