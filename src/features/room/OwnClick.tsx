'use client';

import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Groove } from '@/core/groove/groove';
import { CLICK_PLANS, clickPlanShape, THINNING_STAGES, type BasePlan, type ClickPlan } from '@/core/time/clickPlan';
import { plainMetronome } from '@/core/schedule/metronome';
import { countsOf } from '@/core/grid/meter';
import type { Bpm } from '@/core/time/units';
import { problemsOf } from '@/core/result';
import { tempoInWords } from '@/ui/words/figures';
import { numberTyped } from './NumberField';

const KINDS = {
  gaps: 'bars on, bars silent',
  only: 'only one of the counts',
  drops: 'clicks left out at random',
  thinning: 'thinning out, and back',
} as const;
type Kind = keyof typeof KINDS;

const BASES = ['every slot', '8ths', 'counts', '2 and 4', '1 only', 'off-beats'] as const;

interface OwnClickProps {
  groove: Groove;
  bpm: Bpm;
  onTake: (plan: ClickPlan) => void;
  onClose: () => void;
}

export function OwnClick({ groove, bpm, onTake, onClose }: OwnClickProps) {
  const [kind, setKind] = useState<Kind>('gaps');
  const [of, setOf] = useState<(typeof BASES)[number]>('counts');
  const [on, setOn] = useState('3');
  const [off, setOff] = useState('1');
  const [count, setCount] = useState('1');
  const [percent, setPercent] = useState('30');
  const [bars, setBars] = useState('4');
  const [seed] = useState(() => Math.floor(Math.random() * 2 ** 32));
  const [first] = groove.bars;
  const counts = countsOf(first!.meter, groove.reading);
  const base = CLICK_PLANS[of] as BasePlan;
  const wanted = {
    gaps: { kind: 'gaps', of: base, on: numberTyped(on), off: numberTyped(off) },
    only: { kind: 'on', counts: [numberTyped(count)] },
    drops: { kind: 'drops', of: base, percent: numberTyped(percent), seed },
    thinning: { kind: 'thinning', stages: THINNING_STAGES, bars: numberTyped(bars) },
  }[kind];
  const read = clickPlanShape.safeParse(wanted);
  const problem = read.success ? undefined : problemsOf(read.error)[0]!.say;
  const metronome =
    read.success &&
    plainMetronome(read.data, { meter: first!.meter, reading: groove.reading, cells: first!.cells }, bpm);
  const field = (label: string, value: string, set: (text: string) => void) => (
    <TextField
      label={label}
      value={value}
      onChange={({ target }) => set(target.value.slice(0, 4))}
      error={Boolean(problem)}
      slotProps={{ htmlInput: { inputMode: 'numeric' } }}
    />
  );
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="own-click">
      <DialogTitle id="own-click">A click of your own</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2, pt: '8px !important' }}>
        <TextField select label="How it thins" value={kind} onChange={({ target }) => setKind(target.value as Kind)}>
          {Object.entries(KINDS).map(([each, words]) => (
            <MenuItem key={each} value={each}>
              {words}
            </MenuItem>
          ))}
        </TextField>
        {(kind === 'gaps' || kind === 'drops') && (
          <TextField
            select
            label="Click on"
            value={of}
            onChange={({ target }) => setOf(target.value as (typeof BASES)[number])}
          >
            {BASES.map((name) => (
              <MenuItem key={name} value={name}>
                {name}
              </MenuItem>
            ))}
          </TextField>
        )}
        {kind === 'gaps' && field('Bars on', on, setOn)}
        {kind === 'gaps' && field('Bars silent', off, setOff)}
        {kind === 'drops' && field('Percent left out', percent, setPercent)}
        {kind === 'thinning' && field('Bars on each stage', bars, setBars)}
        {kind === 'only' && (
          <TextField select label="Count" value={count} onChange={({ target }) => setCount(target.value)}>
            {counts.map((one) => (
              <MenuItem key={one.number} value={String(one.number)}>
                {one.number}
              </MenuItem>
            ))}
          </TextField>
        )}
        <Typography role="status" variant="body2" color={problem ? 'error' : 'textSecondary'}>
          {problem ??
            (metronome
              ? `A plain metronome would be set to ${tempoInWords(metronome.bpm)}${metronome.outOfRange ? ', where most cannot be set' : ''}.`
              : 'No plain metronome clicks like this.')}
        </Typography>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        <Button variant="contained" disabled={!read.success} onClick={() => read.success && onTake(read.data)}>
          Take it
        </Button>
      </DialogActions>
    </Dialog>
  );
}
