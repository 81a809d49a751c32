'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useSyncExternalStore } from 'react';
import { HandoutBar } from './HandoutBar';
import type { HandoutOptions } from './options';
import { Paper } from './Paper';
import type { HandoutContent } from './piece';
import { PieceSheet } from './PieceSheet';

interface HandoutProps {
  content: HandoutContent;
  options: HandoutOptions;
  /** Whether a PDF can be made on the server. */
  hasPdf: boolean;
  /** Where this Mochila is reached from elsewhere, where the server was asked by a browser of its own. */
  origin?: string;
}

const noChange = () => () => {};

/**
 * What a student takes home: staves with counts and sticking, tempos to tick, the teacher's words, on one or more
 * sheets.
 */
export function Handout({ content, options, hasPdf, origin: given }: HandoutProps) {
  const here = useSyncExternalStore(
    noChange,
    () => location.origin,
    () => '',
  );
  const origin = given ?? here;
  const { title, name, date, workshop, school, steps, takenHome, pieces } = content;
  return (
    <>
      <HandoutBar options={options} hasPdf={hasPdf} />
      <Paper paper={options.paper} large={options.large} black={options.black}>
        <Box component="header" sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 3, alignItems: 'baseline', mb: 2 }}>
          <Typography variant="h1" sx={{ fontSize: '1.7em', flex: '0 1 auto', overflowWrap: 'anywhere' }}>
            {title}
          </Typography>
          <Box sx={{ flex: '1 1 280px', display: 'flex', gap: 2 }}>
            <ToWrite label="Name" value={name} />
            <ToWrite label="Date" value={date} />
          </Box>
        </Box>
        {steps && steps.length > 0 && (
          <Box component="ol" sx={{ m: 0, mb: 2, pl: 3, breakInside: 'avoid' }}>
            {steps.map((step, index) => (
              <li key={index}>
                {step.title}, {step.minutes} min
              </li>
            ))}
          </Box>
        )}
        {[takenHome, options.words].map(
          (words, index) =>
            words && (
              <Box
                component="p"
                key={index}
                sx={{ m: 0, mb: 2, pl: 1.5, borderLeft: '3px solid', whiteSpace: 'pre-line', overflowWrap: 'anywhere' }}
              >
                {words}
              </Box>
            ),
        )}
        {pieces.map((piece, index) => (
          <PieceSheet
            key={index}
            piece={piece}
            school={school}
            options={options}
            origin={origin}
            isAlone={pieces.length === 1 && piece.title === title}
          />
        ))}
        <Box component="p" sx={{ m: 0, mt: 3, fontSize: '0.8em', breakInside: 'avoid' }}>
          {workshop}. Warm up, small steps in tempo, a rest after 25 minutes; stop when it hurts.
        </Box>
      </Paper>
    </>
  );
}

/** What is known, or a line to write it on. */
function ToWrite({ label, value }: { label: string; value?: string }) {
  return (
    <Box component="p" sx={{ m: 0, display: 'flex', gap: 1, flex: 1, minWidth: 0 }}>
      {label}
      <Box component="span" sx={{ flex: 1, borderBottom: '1px solid', fontWeight: 600 }}>
        {value ?? '\u00a0'}
      </Box>
    </Box>
  );
}
