import type { Clock } from '@/core/documents/settings';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { EventRow } from '@/server/events';
import { Page } from '@/ui/Page';
import { dayInWords } from '@/ui/words/dates';
import { eventInWords } from './eventInWords';

interface ChangesPageProps {
  events: readonly EventRow[];
  clock: Clock;
  /** How many a page lists at most. */
  most: number;
}

/** Who signed in, and who changed what of people, homework and settings. */
export function ChangesPage({ events, clock, most }: ChangesPageProps) {
  return (
    <Page
      title="Changes"
      note="sign-ins, people, homework, settings; written by the database, altered by nobody"
      actions={
        <Button href="/workshop" variant="outlined">
          Workshop
        </Button>
      }
    >
      {!events.length && <Typography color="textSecondary">Nothing older.</Typography>}
      <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0, maxWidth: 860 }}>
        {events.map((one) => (
          <Box
            key={one.id}
            component="li"
            sx={{
              display: 'grid',
              gridTemplateColumns: { xs: '1fr', sm: '170px 1fr' },
              columnGap: 2,
              py: 1,
              borderTop: 1,
              borderColor: 'divider',
            }}
          >
            <Typography component="time" dateTime={one.happened_at.toISOString()} color="textSecondary">
              {dayInWords(one.happened_at, clock)}
            </Typography>
            <Typography sx={{ overflowWrap: 'anywhere' }}>{eventInWords(one)}</Typography>
          </Box>
        ))}
      </Box>
      {events.length === most && (
        <Button href={`/workshop/changes?before=${events.at(-1)!.id}`} variant="outlined" sx={{ mt: 2, minHeight: 44 }}>
          Older changes
        </Button>
      )}
    </Page>
  );
}
