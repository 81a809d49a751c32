'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { memo } from 'react';
import type { SayAnswer } from '@/core/phrase/say';
import type { Remedy, SpokenProblem } from '@/core/counting/spoken';

interface SayItProps {
  text: string;
  answer: SayAnswer;
  onText: (text: string) => void;
  onPlace: () => void;
  onRemedy: (remedy: Remedy, from: number, to: number) => void;
}

/**
 * The line where a groove is typed the way it is said aloud. The strip shows it pale while it is typed, and it is
 * said back in plain words; what is not understood places nothing.
 */
export const SayIt = memo(function SayIt({ text, answer, onText, onPlace, onRemedy }: SayItProps) {
  const problems = answer.ok ? [] : answer.problems;
  const [first] = problems;
  // Whoever is still typing has done nothing wrong.
  const isUnfinished = first !== undefined && first.to >= text.trimEnd().length;
  const isWrong = first !== undefined && !isUnfinished;
  const changes = answer.ok && answer.changed > 0;
  return (
    <Box>
      <Box
        sx={{
          display: 'flex',
          alignItems: 'center',
          gap: 1.5,
          bgcolor: 'background.paper',
          border: 1,
          borderColor: isWrong ? 'error.main' : 'divider',
          borderRadius: 2,
          px: 2,
          minHeight: 48,
          '&:focus-within': { outline: '3px solid', outlineColor: 'secondary.main', outlineOffset: '1px' },
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
            {underlined(text, isWrong ? problems : [])}
          </Box>
          <Box
            component="input"
            id="say-it"
            value={text}
            maxLength={500}
            autoComplete="off"
            spellCheck={false}
            placeholder="left hand: e of 1, loud 2; kick on 1 and the a of 3"
            aria-invalid={isWrong}
            aria-describedby="say-it-answer"
            onChange={(event) => onText(event.target.value)}
            onKeyDown={(event) => event.key === 'Enter' && changes && onPlace()}
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
              // The frame round it shows the focus.
              '&&:focus-visible': { outline: 'none !important' },
              '&::placeholder': { color: 'text.secondary', opacity: 1 },
            }}
          />
        </Box>
        {changes && <Box sx={{ color: 'text.secondary', fontSize: 14, whiteSpace: 'nowrap' }}>Enter</Box>}
      </Box>
      <Box
        id="say-it-answer"
        role="status"
        sx={{ minHeight: 36, mt: 0.5, display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', fontSize: 14 }}
      >
        {first && (
          <>
            <Box component="span" sx={{ color: isWrong ? 'error.main' : 'text.secondary' }}>
              {first.where}: {first.say} {first.remedy}
            </Box>
            {first.remedies.map((remedy) => (
              <Touch key={remedy.words} words={remedy.words} onTouch={() => onRemedy(remedy, first.from, first.to)} />
            ))}
          </>
        )}
        {answer.ok && (
          <>
            <Box component="span" sx={{ overflowWrap: 'anywhere' }}>
              {changes ? answer.said : text.trim() && 'It stands there already.'}
            </Box>
            {answer.otherwise.map(({ words, text: other }) => (
              <Touch key={words} words={`or: ${words}`} onTouch={() => onText(other)} />
            ))}
          </>
        )}
      </Box>
    </Box>
  );
});

function Touch({ words, onTouch }: { words: string; onTouch: () => void }) {
  return (
    <Button size="small" variant="outlined" onClick={onTouch}>
      {words}
    </Button>
  );
}

function underlined(text: string, problems: readonly SpokenProblem[]) {
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
