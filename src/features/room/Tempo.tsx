'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { tempoShape } from '@/core/documents/shapes';
import { italianWord, tappedTempo, withTap } from '@/core/time/tempoWords';
import { type Bpm } from '@/core/time/units';
import { FASTEST, SLOWEST } from '@/core/limits';
import { problemsOf } from '@/core/result';
import { AddRounded, RemoveRounded } from '@/ui/icons';
import { FIGURE_FONT } from '@/ui/theme';
import { useKept } from '@/ui/useKept';
import { tempoInWords } from '@/ui/words/figures';

/**
 * The tempo, typed, tapped or stepped; only shown when it is `fixed` by something else. What is not a tempo is said
 * and leaves the tempo as it was.
 */
export function Tempo({ bpm, fixed = false, onChange }: { bpm: Bpm; fixed?: boolean; onChange: (bpm: Bpm) => void }) {
  // What was typed holds for the tempo it was typed at; a tempo set elsewhere takes its place.
  const [draft, setDraft] = useState<{ at: Bpm; text: string; problem?: string }>();
  const { text: typed, problem } = draft?.at === bpm ? draft : { text: tempoInWords(bpm), problem: undefined };

  const settle = (text: string) => {
    const read = tempoShape.safeParse(text.trim() === '' ? NaN : Number(text.replace(',', '.')));
    if (!read.success) return setDraft({ at: bpm, text, problem: problemsOf(read.error)[0]!.say });
    const rounded = Math.round(read.data * 1000) / 1000;
    setDraft(undefined);
    if (rounded !== bpm) onChange(rounded);
  };
  const [taps, setTaps] = useState<number[]>([]);
  const tap = (at: number) => {
    const next = withTap(taps, at);
    setTaps(next);
    const tapped = tappedTempo(next);
    if (tapped !== undefined) settle(String(tapped));
  };
  const [worded, setWorded] = useKept<boolean>('mochila tempo word', false);
  const step = (by: number) => settle(String(Math.max(SLOWEST, Math.min(FASTEST, bpm + by))));

  return (
    <Box role="group" aria-label="Tempo" sx={{ display: 'flex', alignItems: 'center', gap: 0.5, position: 'relative' }}>
      {!fixed && (
        <>
          <Stepper label="5 slower" wide onClick={() => step(-5)}>
            −5
          </Stepper>
          <Stepper label="1 slower" onClick={() => step(-1)}>
            <RemoveRounded />
          </Stepper>
        </>
      )}
      <Box
        component="input"
        inputMode="decimal"
        aria-label="Tempo in beats a minute"
        aria-invalid={Boolean(problem)}
        aria-describedby={problem ? 'tempo-problem' : undefined}
        value={typed}
        readOnly={fixed}
        onChange={(event) => setDraft({ at: bpm, text: event.target.value.slice(0, 8) })}
        onBlur={(event) => settle(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && settle(event.currentTarget.value)}
        sx={{
          width: `${0.62 * Math.max(2, typed.length) + 0.1}em`,
          font: 'inherit',
          fontFamily: FIGURE_FONT,
          fontWeight: 750,
          fontSize: { xs: 46, sm: 64 },
          lineHeight: 1,
          p: 0,
          textAlign: 'center',
          color: problem ? 'error.main' : 'text.primary',
          bgcolor: 'transparent',
          border: 0,
          borderRadius: 1,
          '&:focus-visible': { outline: '2px solid', outlineColor: 'secondary.main' },
        }}
      />
      {!fixed && (
        <>
          <Stepper label="1 faster" onClick={() => step(1)}>
            <AddRounded />
          </Stepper>
          <Stepper label="5 faster" wide onClick={() => step(5)}>
            +5
          </Stepper>
          <Box sx={{ display: 'grid', gridTemplateColumns: '44px 44px' }}>
            <Button
              aria-label="Tap the tempo"
              // As the finger lands: a click comes when it leaves.
              onPointerDown={(event) => tap(event.timeStamp)}
              onKeyDown={(event) => event.key === 'Enter' && !event.repeat && tap(event.timeStamp)}
              variant="outlined"
              sx={{ minWidth: 88, height: 44, gridColumn: '1 / -1', color: 'text.primary' }}
            >
              {taps.length > 1 ? `Tap (${taps.length})` : 'Tap'}
            </Button>
            <Button
              aria-label="Half the tempo"
              disabled={bpm / 2 < SLOWEST}
              onClick={() => step(-bpm / 2)}
              sx={{ minWidth: 44, height: 44, p: 0, color: 'text.primary' }}
            >
              ½
            </Button>
            <Button
              aria-label="Double the tempo"
              disabled={bpm * 2 > FASTEST}
              onClick={() => step(bpm)}
              sx={{ minWidth: 44, height: 44, p: 0, color: 'text.primary' }}
            >
              ×2
            </Button>
          </Box>
        </>
      )}
      <Button
        aria-pressed={worded}
        aria-label={worded ? `Tempo word: ${italianWord(bpm)}` : 'Show the tempo word'}
        onClick={() => setWorded(!worded)}
        sx={{
          minWidth: 44,
          height: 44,
          px: 0.75,
          fontStyle: 'italic',
          color: 'text.secondary',
          display: { xs: 'none', sm: 'inline-flex' },
        }}
      >
        {worded ? italianWord(bpm) : 'word'}
      </Button>
      {problem && (
        <Box
          id="tempo-problem"
          role="alert"
          sx={{
            position: 'absolute',
            bottom: '100%',
            left: 0,
            mb: 1.5,
            bgcolor: 'background.paper',
            border: 1,
            borderColor: 'error.main',
            color: 'error.main',
            borderRadius: 1,
            px: 1.5,
            py: 0.5,
            whiteSpace: 'nowrap',
          }}
        >
          {problem}
        </Box>
      )}
    </Box>
  );
}

/** A phone has no room for those that are only for `wide` screens. */
function Stepper({
  label,
  wide,
  onClick,
  children,
}: {
  label: string;
  wide?: boolean;
  onClick: () => void;
  children: ReactNode;
}) {
  return (
    <Button
      onClick={onClick}
      aria-label={label}
      sx={{
        minWidth: 44,
        width: 44,
        height: 44,
        p: 0,
        fontSize: 17,
        color: 'text.primary',
        ...(wide && { display: { xs: 'none', sm: 'inline-flex' } }),
      }}
    >
      {children}
    </Button>
  );
}
