'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { memo, useState } from 'react';
import { tempoShape, titleShape } from '@/core/documents/shapes';
import type { Feel } from '@/core/groove/beat';
import type { Answer } from '@/core/groove/transformed';
import { fail, ok, problem, wrongWith } from '@/core/result';
import { metersInWords, type Groove } from '@/core/groove/groove';
import { setMeter, type Place, type Regridded } from '@/core/groove/edit';
import { readAs } from '@/core/groove/recount';
import type { StyleFeel } from '@/core/documents/settings';
import { formatMeter, meterInWords, isCompound, parseMeter, type Reading } from '@/core/grid/meter';

import type { Transforming, Change } from './useEditing';

interface HeadLineProps {
  groove: Groove;
  cursor: Place;
  onEdit: (change: Change) => void;
  onRegrid: (asked: (groove: Groove) => Regridded, words: string) => void;
  onAnswer: (asked: Transforming) => void;
  feels: readonly StyleFeel[];
}

const SWINGS = [
  ['straight', 'straight'],
  ['8th 2', '8ths 2:1'],
  ['8th 3/2', '8ths 3:2'],
  ['8th 3', '8ths 3:1'],
  ['8th tempo-aware', '8ths by tempo'],
  ['16th 2', '16ths 2:1'],
] as const;

/** What holds for the whole groove: its title, tempo, meter, how it is counted, and its feel. */
export const HeadLine = memo(function HeadLine({ groove, cursor, feels, onEdit, onRegrid, onAnswer }: HeadLineProps) {
  const bar = groove.bars[cursor.bar]!;
  const [hints, setHints] = useState<HTMLElement | null>(null);
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'flex-start' }}>
      <Settled
        key={`title ${groove.title}`}
        label="Title"
        value={groove.title}
        width={230}
        read={(text) => wrongWith(titleShape, text)}
        onChange={(title) => onEdit((now) => ({ ...now, title: title.trim() }))}
      />
      <Settled
        key={`tempo ${groove.tempo}`}
        label="Tempo"
        value={String(groove.tempo)}
        width={90}
        read={(text) => wrongWith(tempoShape, Number(text.replace(',', '.')))}
        onChange={(text) => onEdit((now) => ({ ...now, tempo: Number(text.replace(',', '.')) }))}
      />
      <Settled
        key={`meter ${cursor.bar} ${meterInWords(bar.meter)}`}
        label={groove.bars.length > 1 ? `Meter, bar ${cursor.bar + 1}` : 'Meter'}
        value={meterInWords(bar.meter)}
        width={bar.meter.grouping ? 150 : 110}
        read={(text) => {
          const meter = parseMeter(text);
          return meter.ok ? undefined : `${meter.problems[0]!.say} ${meter.problems[0]!.remedy}`;
        }}
        onChange={(text) => {
          const meter = parseMeter(text);
          if (meter.ok) onRegrid((now) => setMeter(now, cursor.bar, meter.value), formatMeter(meter.value));
        }}
      />
      {groove.bars.every(({ meter }) => isCompound(meter)) && (
        <TextField
          select
          label="Counted"
          sx={{ width: 130 }}
          value={groove.reading}
          onChange={({ target }) => onAnswer((now) => readAs(now, target.value as Reading))}
        >
          <MenuItem value="numbers">all numbers</MenuItem>
          <MenuItem value="pulse">in pulses</MenuItem>
        </TextField>
      )}
      <TextField
        select
        label="Feel"
        sx={{ width: 140 }}
        value={groove.swing ? `${groove.swing.value} ${groove.swing.ratio}` : 'straight'}
        onChange={({ target }) => onEdit((now) => withSwing(now, target.value))}
      >
        {SWINGS.map(([value, words]) => (
          <MenuItem key={value} value={value}>
            {words}
          </MenuItem>
        ))}
      </TextField>
      <Button sx={{ height: 40 }} onClick={(event) => setHints(event.currentTarget)} aria-haspopup="menu">
        What a style wants
      </Button>
      <Menu anchorEl={hints} open={Boolean(hints)} onClose={() => setHints(null)}>
        {feels.map(({ style, feel, reason }) => (
          <MenuItem
            key={style}
            onClick={() => {
              setHints(null);
              onAnswer((now) => inFeel(now, feel, style));
            }}
            sx={{ display: 'block', maxWidth: 420, whiteSpace: 'normal' }}
          >
            <strong>{style}</strong>: {feel}
            <Box component="span" sx={{ display: 'block', fontSize: 13, color: 'text.secondary' }}>
              {reason}
            </Box>
          </MenuItem>
        ))}
        {!feels.length && <MenuItem disabled>The table is empty. It is on the Workshop page.</MenuItem>}
      </Menu>
    </Box>
  );
});

/** A groove as a style wants it felt; what it cannot be is said, with what would make it so. */
function inFeel(groove: Groove, feel: Feel, style: string): Answer {
  if (feel === 'swung')
    return ok({ groove: groove.swing ? groove : withSwing(groove, '8th 2'), say: `Swung, as ${style} wants it.` });
  const straight = withSwing(groove, 'straight');
  if (feel === 'straight') return ok({ groove: straight, say: `Straight, as ${style} wants it.` });
  if (!groove.bars.every(({ meter }) => isCompound(meter)))
    return fail(
      problem(
        'no-pulses',
        `A ${style} goes in dotted pulses, three notes each; ${metersInWords(groove)} has none.`,
        'Set the meter to 12/8 or 6/8 first.',
      ),
    );
  return readAs(straight, 'pulse');
}

function withSwing({ swing: _, ...groove }: Groove, chosen: string): Groove {
  if (chosen === 'straight') return groove;
  const [value, ratio] = chosen.split(' ') as ['8th' | '16th', string];
  return { ...groove, swing: { value, ratio } };
}

interface SettledProps {
  label: string;
  value: string;
  width: number;
  /** The problem with a text, or undefined when it will do. */
  read: (text: string) => string | undefined;
  onChange: (text: string) => void;
}

/** A field that takes effect on Enter or when it is left; what will not do is said and changes nothing. */
function Settled({ label, value, width, read, onChange }: SettledProps) {
  const [text, setText] = useState(value);
  const problem = text === value ? undefined : read(text);
  const settle = () => {
    if (text !== value && !problem) onChange(text);
  };
  return (
    <TextField
      label={label}
      value={text}
      error={Boolean(problem)}
      helperText={problem}
      onChange={({ target }) => setText(target.value)}
      onBlur={settle}
      onKeyDown={(event) => event.key === 'Enter' && settle()}
      sx={{ width, flex: 'none' }}
    />
  );
}
