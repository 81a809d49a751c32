'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { PathRow } from '@/server/paths';
import { EmptyState } from '@/ui/EmptyState';
import { Page } from '@/ui/Page';
import { plural } from '@/ui/words/text';
import { archivePathAction } from './actions';
import { PathEditor, type GrooveChoice } from './PathEditor';
import { PathSteps } from './PathSteps';

interface PathsPageProps {
  paths: readonly PathRow[];
  grooves: readonly GrooveChoice[];
}

/** The paths of the workshop: grooves and drills in order, each with when it is passed; who walks them. */
export function PathsPage({ paths, grooves }: PathsPageProps) {
  // A new one has no id yet.
  const [edited, setEdited] = useState<string | 'new'>();
  const close = () => setEdited(undefined);
  return (
    <Page
      title="Paths"
      note={paths.length ? plural(paths.length, 'path') : undefined}
      actions={
        <>
          <Button href="/drills">Drills</Button>
          <Button variant="contained" onClick={() => setEdited('new')} disabled={edited === 'new'}>
            Make a path
          </Button>
        </>
      }
    >
      <Box sx={{ display: 'grid', gap: 3, maxWidth: 1080 }}>
        {edited === 'new' && <PathEditor grooves={grooves} onClose={close} />}
        {!paths.length && edited !== 'new' && (
          <EmptyState
            title="No path yet"
            action={
              <Button variant="contained" onClick={() => setEdited('new')}>
                Make a path
              </Button>
            }
          >
            A path is grooves and drills in order, each with a tempo and how many clean takes pass it. A student on it
            is offered the next step as soon as the one before is passed.
          </EmptyState>
        )}
        {paths.map((path) =>
          edited === path.id ? (
            <PathEditor key={path.id} path={path} grooves={grooves} onClose={close} />
          ) : (
            <PathCard key={path.id} path={path} onEdit={() => setEdited(path.id)} />
          ),
        )}
      </Box>
    </Page>
  );
}

function PathCard({ path, onEdit }: { path: PathRow; onEdit: () => void }) {
  const { id, name, madeBy, canChange, archived, steps, walkers } = path;
  return (
    <Box component="article" aria-label={name} sx={{ borderTop: 1, borderColor: 'divider', pt: 1.5 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center' }}>
        <Typography variant="h2" sx={{ overflowWrap: 'anywhere' }}>
          {name}
        </Typography>
        <Typography color="textSecondary">
          {archived && 'put away · '}
          {plural(steps.length, 'step')} · by {madeBy}
        </Typography>
        {canChange && (
          <Box sx={{ ml: 'auto', display: 'flex', gap: 1 }}>
            <form action={archivePathAction}>
              <input type="hidden" name="path" value={id} />
              <Button
                type="submit"
                name="archived"
                value={archived ? 'no' : 'yes'}
                aria-label={`${archived ? 'Bring back' : 'Put away'} ${name}`}
              >
                {archived ? 'Bring back' : 'Put away'}
              </Button>
            </form>
            <Button onClick={onEdit} variant="outlined" aria-label={`Change ${name}`}>
              Change
            </Button>
          </Box>
        )}
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        {walkers.length ? (
          <>
            Walked by{' '}
            {walkers.length > 6
              ? plural(walkers.length, 'student')
              : walkers.map(({ id: one, name: whose }, index) => (
                  <span key={one}>
                    {index > 0 && ', '}
                    <Link href={`/people/${one}`}>{whose}</Link>
                  </span>
                ))}
            .
          </>
        ) : (
          'Nobody of yours is on it: put a student on it on their page.'
        )}
      </Typography>
      <PathSteps steps={steps} />
    </Box>
  );
}
