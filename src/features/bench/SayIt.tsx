'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { memo } from 'react';
import type { Spoken, Remedy } from '@/core/count/spoken';

interface SayItProps {
  text: string;
  spoken: Spoken;
  onText: (text: string) => void;
  onPlace: () => void;
  onRemedy: (remedy: Remedy, from: number, to: number) => void;
}

/** The line where a place is typed the way it is said aloud; the strip answers while it is typed. */
export const SayIt = memo(function SayIt({ text, spoken, onText, onPlace, onRemedy }: SayItProps) {
  const { places, problems } = spoken;
  const [first] = problems;
  return (
    <Box>
      <Box
        sx={{
          display: 'flex',
          alignItems: 'center',
          gap: 1.5,
          bgcolor: 'background.paper',
          border: 1,
          borderColor: first ? 'error.main' : 'divider',
          borderRadius: 2,
          px: 2,
          minHeight: 48,
          '&:focus-within': { outline: '2px solid', outlineColor: 'secondary.main' },
        }}
      >
        <Box component="label" htmlFor="say-it" sx={{ fontWeight: 650, whiteSpace: 'nowrap' }}>
          Say it
        </Box>
        <Box sx={{ position: 'relative', flex: 1 }}>
          {/* The same words beneath the field, invisible but for the line under those that mean no place. */}
          <Box
            aria-hidden
            sx={{
              position: 'absolute',
              inset: 0,
              whiteSpace: 'pre',
              overflow: 'hidden',
              color: 'transparent',
              lineHeight: '46px',
              pointerEvents: 'none',
            }}
          >
            {underlined(text, problems)}
          </Box>
          <Box
            component="input"
            id="say-it"
            value={text}
            maxLength={500}
            autoComplete="off"
            spellCheck={false}
            placeholder="left hand: e of 1, loud 2; kick on 1 and the a of 3"
            aria-invalid={Boolean(first)}
            aria-describedby="say-it-answer"
            onChange={(event) => onText(event.target.value)}
            onKeyDown={(event) => event.key === 'Enter' && places.length > 0 && onPlace()}
            sx={{
              position: 'relative',
              width: 1,
              height: 46,
              font: 'inherit',
              color: 'text.primary',
              bgcolor: 'transparent',
              border: 0,
              p: 0,
              outline: 'none',
              '&::placeholder': { color: 'text.secondary', opacity: 1 },
            }}
          />
        </Box>
        <Box sx={{ color: 'text.secondary', fontSize: 14, whiteSpace: 'nowrap' }}>
          {places.length > 0 && `Enter: ${inWords(spoken)}`}
        </Box>
      </Box>
      <Box
        id="say-it-answer"
        role="status"
        sx={{ minHeight: 36, mt: 0.5, display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', fontSize: 14 }}
      >
        {first && (
          <>
            <Box component="span" sx={{ color: 'error.main' }}>
              {first.where}: {first.say} {first.remedy}
            </Box>
            {first.remedies.map((remedy) => (
              <Button
                key={remedy.words}
                size="small"
                variant="outlined"
                onClick={() => onRemedy(remedy, first.from, first.to)}
              >
                {remedy.words}
              </Button>
            ))}
          </>
        )}
      </Box>
    </Box>
  );
});

function inWords({ places }: Spoken): string {
  const out = places.filter(({ remove }) => remove).length;
  const placed = places.length - out;
  return [placed > 0 && `places ${placed} ${placed === 1 ? 'stroke' : 'strokes'}`, out > 0 && `takes ${out} out`]
    .filter(Boolean)
    .join(', ');
}

function underlined(text: string, problems: Spoken['problems']) {
  const pieces = [];
  let at = 0;
  for (const { from, to } of problems.toSorted((a, b) => a.from - b.from)) {
    if (from < at) continue;
    pieces.push(
      text.slice(at, from),
      <Box
        key={from}
        component="span"
        sx={{
          textDecoration: 'underline wavy',
          textDecorationColor: (theme) => theme.vars!.palette.error.main,
          textUnderlineOffset: 5,
        }}
      >
        {text.slice(from, to)}
      </Box>,
    );
    at = to;
  }
  return [...pieces, text.slice(at)];
}
