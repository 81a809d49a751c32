'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { archivePersonAction, deleteStudentAction } from './actions';

/** How a student leaves: archived first, taken out as a file, and, where that is wished, deleted for good. */
export function LeavingSection({ id, name, archived }: { id: string; name: string; archived: boolean }) {
  const [asks, setAsks] = useState(false);
  return (
    <Box component="section">
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        Leaving
      </Typography>
      <Typography color="textSecondary" sx={{ mb: 1.5 }}>
        {archived
          ? `Archived: ${name} signs in no more and stands in no list. Every take and figure is kept.`
          : `Archived, ${name} signs in no more and stands in no list; every take is kept, and they can be brought back.`}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center' }}>
        <Button component="a" download href={`/api/people/${id}/everything`} variant="outlined" sx={{ minHeight: 44 }}>
          Everything as one file
        </Button>
        <form action={archivePersonAction}>
          <input type="hidden" name="person" value={id} />
          <Button
            type="submit"
            name="archived"
            value={archived ? 'no' : 'yes'}
            variant={archived ? 'contained' : 'text'}
            sx={{ minHeight: 44 }}
          >
            {archived ? `Bring ${name} back` : `Archive ${name}`}
          </Button>
        </form>
        {archived && !asks && (
          <Button color="error" onClick={() => setAsks(true)} sx={{ minHeight: 44 }}>
            Delete {name} for good
          </Button>
        )}
      </Box>
      {archived && asks && (
        <Box
          role="alertdialog"
          aria-label={`Delete ${name} for good`}
          sx={{ mt: 2, p: 2, border: 1, borderColor: 'error.main', borderRadius: 1, maxWidth: 640 }}
        >
          <Typography sx={{ mb: 1.5 }}>
            Delete {name}? Every take, recording, word, ladder and listening drill of theirs goes, and nobody can bring
            it back. Take everything as one file first. Grooves and other people’s figures stay as they are.
          </Typography>
          <Box sx={{ display: 'flex', gap: 1.5 }}>
            <form action={deleteStudentAction}>
              <Button type="submit" name="person" value={id} variant="contained" color="error" sx={{ minHeight: 44 }}>
                Delete for good
              </Button>
            </form>
            <Button onClick={() => setAsks(false)} sx={{ minHeight: 44 }}>
              Leave it
            </Button>
          </Box>
        </Box>
      )}
    </Box>
  );
}
