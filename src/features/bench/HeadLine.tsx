'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { tempoShape, type Groove } from '@/core/groove/document';
import { copyBar, deleteBar, insertBar, setMeter, type Place, type Regridded } from '@/core/groove/edit';
import { slotAt, slotsOfBar } from '@/core/groove/grid';
import { LIMBS } from '@/core/groove/limbs';
import {
  displace,
  foldSwing,
  mirrorHands,
  otherBottomNumber,
  stretch,
  toFullTriplets,
  toShuffle,
  turnKit,
  writeSwingOut,
  type Transformed,
} from '@/core/groove/transform';
import type { Result } from '@/core/result';
import { negate } from '@/core/time/fraction';
import { formatMeter, parseMeter } from '@/core/time/meter';

interface HeadLineProps {
  groove: Groove;
  cursor: Place;
  onEdit: (groove: Groove) => void;
  onRegrid: (answer: Regridded, words: string) => void;
  onTransform: (answer: Result<Transformed> | Transformed) => void;
}

const SWINGS = [
  ['straight', 'straight'],
  ['8th 2', '8ths 2:1'],
  ['8th 3/2', '8ths 3:2'],
  ['8th 3', '8ths 3:1'],
  ['8th tempo-aware', '8ths by tempo'],
  ['16th 2', '16ths 2:1'],
] as const;

/** What holds for the whole groove: its title, tempo, meter and feel, its bars, and the transforms. */
export function HeadLine({ groove, cursor, onEdit, onRegrid, onTransform }: HeadLineProps) {
  const bar = groove.bars[cursor.bar]!;
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const slot = slotAt(slotsOfBar(bar.meter, groove.reading, bar.cells), cursor.at)!;
  const take = (answer: Result<Groove>) => (answer.ok ? onEdit(answer.value) : onTransform(answer));

  const transforms: [string, () => Result<Transformed> | Transformed][] = [
    [`The ${cursor.limb} one slot later`, () => displace(groove, slot.length, [cursor.limb])],
    [`The ${cursor.limb} one slot earlier`, () => displace(groove, negate(slot.length), [cursor.limb])],
    ['Everything one slot later', () => displace(groove, slot.length, LIMBS)],
    ['Change the hands’ lines', () => mirrorHands(groove)],
    ['Turn the kit round', () => turnKit(groove)],
    ['8ths as a shuffle', () => toShuffle(groove)],
    ['8ths as full triplets', () => toFullTriplets(groove)],
    groove.swing ? ['Write the swing out', () => writeSwingOut(groove)] : ['Fold into 8ths swung 2:1', () => foldSwing(groove, { value: '8th', ratio: '2' })],
    ['Half-time', () => stretch(groove, 2)],
    ['Double-time', () => stretch(groove, '1/2')],
    ['Same notes over 8', () => otherBottomNumber(groove, 8)],
    ['Same notes over 16', () => otherBottomNumber(groove, 16)],
  ];

  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'flex-start' }}>
      <Settled
        key={`title ${groove.title}`}
        label="Title"
        value={groove.title}
        width={230}
        read={(text) => (text.trim() ? (text.trim().length > 120 ? 'At most 120 characters.' : undefined) : 'Give the groove a title.')}
        onChange={(title) => onEdit({ ...groove, title: title.trim() })}
      />
      <Settled
        key={`tempo ${groove.tempo}`}
        label="Tempo"
        value={String(groove.tempo)}
        width={90}
        read={(text) => tempoShape.safeParse(Number(text.replace(',', '.'))).error?.issues[0]?.message}
        onChange={(text) => onEdit({ ...groove, tempo: Number(text.replace(',', '.')) })}
      />
      <Settled
        key={`meter ${cursor.bar} ${formatMeter(bar.meter)}`}
        label={groove.bars.length > 1 ? `Meter, bar ${cursor.bar + 1}` : 'Meter'}
        value={formatMeter(bar.meter)}
        width={110}
        read={(text) => {
          const meter = parseMeter(text);
          return meter.ok ? undefined : `${meter.problems[0]!.say} ${meter.problems[0]!.remedy}`;
        }}
        onChange={(text) => {
          const meter = parseMeter(text);
          if (meter.ok) onRegrid(setMeter(groove, cursor.bar, meter.value), formatMeter(meter.value));
        }}
      />
      <TextField
        select
        label="Feel"
        sx={{ width: 140 }}
        value={groove.swing ? `${groove.swing.value} ${groove.swing.ratio}` : 'straight'}
        onChange={({ target }) => onEdit(withSwing(groove, target.value))}
      >
        {SWINGS.map(([value, words]) => (
          <MenuItem key={value} value={value}>
            {words}
          </MenuItem>
        ))}
      </TextField>
      <Button variant="outlined" sx={{ height: 40 }} onClick={(event) => setMenu(event.currentTarget)} aria-haspopup="menu">
        Transform
      </Button>
      <Menu anchorEl={menu} open={Boolean(menu)} onClose={() => setMenu(null)}>
        {transforms.map(([words, make]) => (
          <MenuItem
            key={words}
            onClick={() => {
              setMenu(null);
              onTransform(make());
            }}
          >
            {words}
          </MenuItem>
        ))}
      </Menu>
      <Box role="group" aria-label="Bars" sx={{ display: 'flex', gap: 0.5 }}>
        <Button sx={{ height: 40 }} onClick={() => take(insertBar(groove, cursor.bar))}>
          Add a bar
        </Button>
        <Button sx={{ height: 40 }} onClick={() => take(copyBar(groove, cursor.bar))}>
          Copy this bar
        </Button>
        <Button sx={{ height: 40 }} disabled={groove.bars.length === 1} onClick={() => take(deleteBar(groove, cursor.bar))}>
          Delete it
        </Button>
      </Box>
    </Box>
  );
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
