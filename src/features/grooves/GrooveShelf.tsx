'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { turnFor } from '@/core/groove/limbs';
import type { StoredGroove } from '@/server/grooves';
import type { Person } from '@/server/people';
import { EmptyState } from '@/ui/EmptyState';
import { Page } from '@/ui/Page';
import { Strip } from '@/ui/strip/Strip';
import { grooveInWords, plural, tempoInWords } from '@/ui/words';

/** The grooves one may play, the easiest first, each with its strip. */
export function GrooveShelf({ person, grooves, newGroove }: { person: Person; grooves: StoredGroove[]; newGroove: (form: FormData) => Promise<void> }) {
  const teacher = person.role === 'teacher';
  const [wanted, setWanted] = useState('');
  const shown = grooves.filter((one) => matches(one, wanted));
  return (
    <Page
      title="Grooves"
      note={grooves.length ? plural(grooves.length, 'groove') : undefined}
      actions={
        teacher && (
          <form action={newGroove}>
            <Button type="submit" variant="contained">
              New groove
            </Button>
          </form>
        )
      }
    >
      {!grooves.length && <EmptyState title="No grooves yet">Grooves that your teacher sets for you stay here, also when they are done.</EmptyState>}
      {grooves.length > 1 && (
        <TextField
          label="Find by title, meter, feel or level"
          value={wanted}
          onChange={({ target }) => setWanted(target.value.slice(0, 100))}
          sx={{ maxWidth: 420, mb: 2.5, display: 'block' }}
        />
      )}
      {grooves.length > 0 && !shown.length && (
        <EmptyState title="No groove like that" action={<Button onClick={() => setWanted('')}>Show all</Button>}>
          Titles, meters like 7/8, feels like swung or straight, and levels are looked through.
        </EmptyState>
      )}
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 520px), 1fr))', gap: 2.5 }}>
        {shown.map(({ id, title, level, tempo, groove }) => (
          <Box key={id} component="article" sx={{ bgcolor: 'background.paper', border: 1, borderColor: 'divider', borderRadius: 2, p: 2, minWidth: 0 }}>
            <Box sx={{ display: 'flex', gap: 2, alignItems: 'flex-start', mb: 1.5 }}>
              <Box sx={{ flex: 1, minWidth: 0 }}>
                <Typography variant="h2" sx={{ overflowWrap: 'anywhere' }}>
                  {title}
                </Typography>
                <Typography variant="body2" color="textSecondary">
                  {grooveInWords(groove)} · {tempoInWords(tempo)} bpm · {level}
                </Typography>
              </Box>
              <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, justifyContent: 'flex-end' }}>
                {teacher && (
                  <form action={newGroove}>
                    <Button type="submit" name="like" value={id} aria-label={`Copy ${title}`}>
                      Copy
                    </Button>
                  </form>
                )}
                {teacher && (
                  <Button href={`/bench/${id}`} variant="outlined" aria-label={`Open ${title} on the bench`}>
                    Bench
                  </Button>
                )}
                <Button href={`/room/${id}`} variant="outlined" aria-label={`Open ${title} in the room`}>
                  Room
                </Button>
              </Box>
            </Box>
            <Strip groove={turnFor(groove, person.setup)} school={person.school} size="glance" />
          </Box>
        ))}
      </Box>
    </Page>
  );
}

/** Every word is found somewhere in the title, meter, feel or level. */
function matches({ title, level, groove }: StoredGroove, wanted: string): boolean {
  const all = `${title} ${grooveInWords(groove)} ${level}`.toLowerCase();
  return wanted
    .toLowerCase()
    .split(/\s+/)
    .every((word) => all.includes(word));
}
