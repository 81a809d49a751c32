'use client';

import Box from '@mui/material/Box';
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
import {
  CLICK_PLAN_NAMES,
  CLICK_PLANS,
  clickPlanShape,
  planInWords,
  THINNING_STAGES,
  type BasePlan,
  type ClickPlan,
  type ClickPlanName,
} from '@/core/time/clickPlan';
import { plainMetronome } from '@/core/schedule/metronome';
import { countsOf } from '@/core/grid/meter';
import type { Bpm } from '@/core/time/units';
import { tempoInWords } from '@/ui/words/figures';
import { numberTyped } from './NumberField';

interface ClickChoiceProps {
  click: ClickPlan;
  groove: Groove;
  bpm: Bpm;
  onChange: (click: ClickPlan) => void;
}

const OWN = 'own';

/** Where the metronome sounds: one of the plans with a name, or one's own. It may be changed while playing. */
export function ClickChoice({ click, groove, bpm, onChange }: ClickChoiceProps) {
  const [setting, setSetting] = useState(false);
  const words = planInWords(click);
  const named = CLICK_PLAN_NAMES.some((name) => name === words);
  return (
    <>
      <TextField
        select
        label="Click on"
        value={named ? words : OWN}
        onChange={({ target }) => {
          if (target.value === OWN) setSetting(true);
          else onChange(CLICK_PLANS[target.value as ClickPlanName]);
        }}
        sx={{ width: 'auto', minWidth: 84, maxWidth: 190, '& .MuiInputBase-root': { minHeight: 44 } }}
        // Chosen again, one's own is set anew.
        slotProps={{ select: { renderValue: () => words, SelectDisplayProps: { title: words } } }}
      >
        {CLICK_PLAN_NAMES.map((name) => (
          <MenuItem
            key={name}
            value={name}
            aria-label={name}
            sx={{ display: 'flex', justifyContent: 'space-between', gap: 3 }}
          >
            {name}
            <Box component="span" sx={{ fontSize: 13, color: 'text.secondary' }}>
              {metronomeInWords(CLICK_PLANS[name], groove, bpm)}
            </Box>
          </MenuItem>
        ))}
        <MenuItem value={OWN} onClick={() => setSetting(true)}>
          {named ? 'one of your own …' : words}
        </MenuItem>
      </TextField>
      {setting && (
        <OwnClick
          groove={groove}
          bpm={bpm}
          onClose={() => setSetting(false)}
          onTake={(plan) => {
            setSetting(false);
            onChange(plan);
          }}
        />
      )}
    </>
  );
}

/** What a plain metronome would be set to for a plan, short enough for a list. */
function metronomeInWords(plan: ClickPlan, groove: Groove, bpm: Bpm): string {
  const { meter, cells } = groove.bars[0]!;
  const metronome = plainMetronome(plan, { meter, reading: groove.reading, cells }, bpm);
  if (!metronome) return 'no plain metronome';
  return `plain metronome: ${tempoInWords(metronome.bpm)}${metronome.outOfRange ? ', most cannot' : ''}`;
}

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

function OwnClick({ groove, bpm, onTake, onClose }: OwnClickProps) {
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
  const problem = read.success ? undefined : read.error.issues[0]!.message;
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
