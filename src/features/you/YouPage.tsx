'use client';

import type { Clock } from '@/core/documents/settings';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { useActionState, type ReactNode } from 'react';
import { Field } from '@/ui/Field';
import { EMPTY_FORM } from '@/ui/form';
import { Page } from '@/ui/Page';
import { SchemeButton } from '@/ui/SchemeButton';
import { dayInWords } from '@/ui/words/dates';
import type { OwnSession } from '@/server/ownSessions';
import { CalendarSection } from './CalendarSection';
import { WaysForm, type WaysFormProps } from './WaysForm';
import { changePasswordAction, endSessionAction, signOutEverywhereAction } from './actions';

interface YouPageProps {
  id: string;
  clock: Clock;
  /** Where they are signed in. */
  sessions: readonly OwnSession[];
  name: string;
  signInName: string;
  workshop: string;
  /** In the demo everybody comes in without a password. */
  isDemo: boolean;
  /** When the address of their calendar was made. */
  feedMade?: Date;
  /** Where they are written to, for those of whom an address may be kept. */
  mail: ReactNode;
  signOut: () => Promise<void>;
  ways: WaysFormProps;
}

/** What everybody settles for themselves: how they sit and count, the password, where they are signed in. */
export function YouPage({
  id,
  clock,
  feedMade,
  mail,
  sessions,
  name,
  signInName,
  workshop,
  isDemo,
  signOut,
  ways,
}: YouPageProps) {
  return (
    <Page title={name} note={`${workshop} · signs in as ${signInName}`}>
      <Box sx={{ display: 'grid', gap: 5, maxWidth: 720 }}>
        <section>
          <Typography variant="h2">Kit, counting, reports</Typography>
          <Typography color="textSecondary" sx={{ mb: 2 }}>
            Every groove is turned round for your kit, and counted as you count. What listens to you, and which keys you
            play by, is set in the room under Set up, or under <Link href="/getting-heard">Getting heard</Link>.
          </Typography>
          <WaysForm {...ways} />
        </section>
        <section>
          <Typography variant="h2" sx={{ mb: 2 }}>
            Password
          </Typography>
          {isDemo ? (
            <Typography color="textSecondary">
              In the demo everybody comes in with one touch, so there is no password to change.
            </Typography>
          ) : (
            <PasswordForm signInName={signInName} />
          )}
        </section>
        <section>
          <Typography variant="h2" sx={{ mb: 2 }}>
            Light or dark
          </Typography>
          <SchemeButton withWords />
        </section>
        {mail}
        <CalendarSection made={feedMade} clock={clock} />
        <section>
          <Typography variant="h2">Signed in</Typography>
          <Typography color="textSecondary" sx={{ mb: 2 }}>
            What you left open on a device that is not yours you can end from here.
          </Typography>
          {sessions.map((one) => (
            <Box
              key={one.id}
              sx={{ display: 'flex', gap: 2, alignItems: 'center', py: 1, borderTop: 1, borderColor: 'divider' }}
            >
              <Typography sx={{ flex: 1 }}>
                {one.opened_with || 'another device'}
                <Typography component="span" color="textSecondary">
                  {' '}
                  · since {dayInWords(one.opened_at, clock)}
                </Typography>
              </Typography>
              {one.is_this ? (
                <Typography color="textSecondary">here</Typography>
              ) : (
                <form action={endSessionAction}>
                  <Button type="submit" name="session" value={one.id}>
                    End it
                  </Button>
                </form>
              )}
            </Box>
          ))}
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, mt: 2 }}>
            <form action={signOut}>
              <Button type="submit" variant="outlined" sx={{ minHeight: 44 }}>
                Sign out here
              </Button>
            </form>
            <form action={signOutEverywhereAction}>
              <Button type="submit" variant="outlined" sx={{ minHeight: 44 }}>
                Sign out everywhere
              </Button>
            </form>
          </Box>
        </section>
        <section>
          <Typography variant="h2">What is kept of you</Typography>
          <Typography color="textSecondary" sx={{ mb: 2 }}>
            Every take, word and recording of yours, as one file to keep.
          </Typography>
          <Button
            component="a"
            download
            href={`/api/people/${id}/everything`}
            variant="outlined"
            sx={{ minHeight: 44 }}
          >
            Everything as one file
          </Button>
        </section>
      </Box>
    </Page>
  );
}

function PasswordForm({ signInName }: { signInName: string }) {
  const [state, action, busy] = useActionState(changePasswordAction, EMPTY_FORM);
  return (
    <Box component="form" action={action} noValidate sx={{ display: 'grid', gap: 2, maxWidth: 360 }}>
      {/* So that a browser keeps the new password under the right name. */}
      <input type="hidden" name="username" autoComplete="username" value={signInName} readOnly />
      {state.say && (
        <Alert severity="success" role="status">
          {state.say}
        </Alert>
      )}
      <Field
        state={state}
        name="password"
        label="The password you have now"
        type="password"
        autoComplete="current-password"
      />
      <Field
        state={state}
        name="newPassword"
        label="New password"
        type="password"
        autoComplete="new-password"
        hint="At least 8 characters."
      />
      <Box>
        <Button type="submit" variant="contained" loading={busy} sx={{ minHeight: 44 }}>
          Change it
        </Button>
      </Box>
    </Box>
  );
}
