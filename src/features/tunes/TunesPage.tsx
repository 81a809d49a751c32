'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useState } from 'react';
import type { Tune } from '@/server/tunes';
import { ImportCsv } from '@/ui/csv/ImportCsv';
import { EmptyState } from '@/ui/EmptyState';
import { FindByName } from '@/ui/FindByName';
import { Page } from '@/ui/Page';
import { FIGURE_FONT } from '@/ui/theme';
import { tempoInWords } from '@/ui/words/figures';
import { plural } from '@/ui/words/text';
import { dropTuneAction, keepTunesAction } from './actions';
import { TUNE_COLUMNS, tuneOfLine } from './csv';
import { TuneForm } from './TuneForm';

interface TunesPageProps {
  tunes: readonly Tune[];
  grooves: readonly { id: string; title: string }[];
  /** What is looked for. */
  words: string;
  /** How many a page shows. */
  most: number;
}

/** The workshop's tunes: how each goes, which grooves fit, what is asked for; typed, or read from a file. */
export function TunesPage({ tunes, grooves, words, most }: TunesPageProps) {
  const [open, setOpen] = useState<string | 'new' | 'file'>();
  const close = () => setOpen(undefined);
  return (
    <Page
      title="Tunes"
      note={tunes.length ? plural(tunes.length, 'tune') : undefined}
      actions={
        <>
          {tunes.length > 0 && (
            <Button component="a" href="/api/tunes" download>
              As a file
            </Button>
          )}
          <Button onClick={() => setOpen('file')} variant="outlined">
            Read from a file
          </Button>
          <Button onClick={() => setOpen('new')} variant="contained">
            Add a tune
          </Button>
        </>
      }
    >
      <Box sx={{ display: 'grid', gap: 2.5, maxWidth: 1080 }}>
        {open === 'new' && <TuneForm grooves={grooves} onClose={close} />}
        {open === 'file' && (
          <ImportCsv
            one="tune"
            columns={TUNE_COLUMNS}
            readLine={(line) => tuneOfLine(line, grooves)}
            onKeep={keepTunesAction}
            onClose={close}
          />
        )}
        {(tunes.length > 8 || words) && <FindByName action="/tunes" label="Find a tune" words={words} />}
        {!tunes.length && !open && (
          <EmptyState
            title={words ? `No tune is called “${words}”` : 'No tune yet'}
            action={
              <Button variant="contained" onClick={() => setOpen('new')}>
                Add a tune
              </Button>
            }
          >
            Write down the music you play: its tempo, its feel, the grooves that fit it. A student who plays one of
            these clean at the tempo is told that the tune is theirs.
          </EmptyState>
        )}
        <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
          {tunes.map((tune) =>
            open === tune.id ? (
              <li key={tune.id}>
                <TuneForm tune={tune} grooves={grooves} onClose={close} />
              </li>
            ) : (
              <TuneRow key={tune.id} tune={tune} onChange={() => setOpen(tune.id)} />
            ),
          )}
        </Box>
        {tunes.length === most && (
          <Typography color="textSecondary">The first {most} are shown: look for a name.</Typography>
        )}
      </Box>
    </Page>
  );
}

function TuneRow({ tune, onChange }: { tune: Tune; onChange: () => void }) {
  const { id, title, tempo, meter, feel, part, grooves } = tune;
  return (
    <Box
      component="li"
      aria-label={title}
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        gap: 2,
        alignItems: 'center',
        py: 1.25,
        borderTop: 1,
        borderColor: 'divider',
      }}
    >
      <Typography sx={{ fontFamily: FIGURE_FONT, fontWeight: 700, fontSize: 26, width: 64, lineHeight: 1 }}>
        {tempoInWords(tempo)}
      </Typography>
      <Box sx={{ flex: '1 1 320px', minWidth: 0 }}>
        <Typography sx={{ fontWeight: 650, overflowWrap: 'anywhere' }}>
          {title}{' '}
          <Box component="span" sx={{ fontWeight: 450, color: 'text.secondary' }}>
            {meter}, {feel}
          </Box>
        </Typography>
        <Typography variant="body2" color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
          {grooves.length ? `Fits ${grooves.map((one) => one.title).join(', ')}.` : 'No groove fits it yet.'} {part}
        </Typography>
      </Box>
      <Button component={Link} href={`/tunes/${id}`} aria-label={`Chart of ${title}`}>
        {tune.chart_id ? 'Chart' : 'Write a chart'}
      </Button>
      <Button onClick={onChange} aria-label={`Change ${title}`}>
        Change
      </Button>
      <form action={dropTuneAction}>
        <Button type="submit" name="tune" value={id} color="inherit" aria-label={`Take ${title} off the list`}>
          Take off
        </Button>
      </form>
    </Box>
  );
}
