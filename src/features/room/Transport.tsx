'use client';

import PlayArrowRounded from '@mui/icons-material/PlayArrowRounded';
import StopRounded from '@mui/icons-material/StopRounded';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import type { Limb } from '@/core/groove/limbs';
import { KIT_FAULT_NAMES, type KitFault } from '@/core/take/simulatedKit';
import { THREAD } from '@/ui/strip/layout';
import { plural } from '@/ui/words';
import type { Groove } from '@/core/groove/document';
import { ClickChoice } from './ClickChoice';
import { Level } from './Level';
import { Tempo } from './Tempo';
import { COUNT_INS, ROUNDS, type RoomSettings } from './settings';

interface TransportProps {
  settings: RoomSettings;
  groove: Groove;
  limbs: readonly Limb[];
  playing: boolean;
  busy: boolean;
  onChange: (change: Partial<RoomSettings>) => void;
  onToggle: () => void;
  onLevel: (level: number) => void;
}

/** Start and stop, the tempo large, and how the next take is set. */
export function Transport({ settings, groove, limbs, playing, busy, onChange, onToggle, onLevel }: TransportProps) {
  return (
    <Box
      sx={{
        position: 'sticky',
        bottom: { xs: 48, sm: 0 },
        zIndex: 5,
        bgcolor: 'background.paper',
        borderTop: 1,
        borderColor: 'divider',
        px: { xs: 1.5, sm: 3.5 },
        py: 1.25,
        display: 'flex',
        flexWrap: 'wrap',
        alignItems: 'center',
        columnGap: 1.25,
        rowGap: 1.25,
      }}
    >
      <IconButton
        onClick={onToggle}
        loading={busy}
        aria-label={playing ? 'Stop' : 'Play'}
        sx={{
          width: 68,
          height: 68,
          bgcolor: 'primary.main',
          color: 'primary.contrastText',
          '&:hover': { bgcolor: 'primary.main' },
          '&:focus-visible': { outline: '3px solid', outlineColor: 'secondary.main', outlineOffset: 3 },
        }}
      >
        {playing ? <StopRounded sx={{ fontSize: 38 }} /> : <PlayArrowRounded sx={{ fontSize: 42 }} />}
      </IconButton>
      <Tempo bpm={settings.bpm} onChange={(bpm) => onChange({ bpm })} />
      {/* On a phone these lie in one line to be pushed aside, and are out of the way while playing. */}
      <Box
        sx={{
          display: { xs: playing ? 'none' : 'flex', sm: 'contents' },
          gap: 1.25,
          overflowX: 'auto',
          width: { xs: 1, sm: 'auto' },
          pt: { xs: 1, sm: 0 },
          '& > *': { flex: 'none' },
        }}
      >
        <ClickChoice click={settings.click} groove={groove} bpm={settings.bpm} onChange={(click) => onChange({ click })} />
        <Choice
          label="Count in"
          value={String(settings.countIn)}
          disabled={playing}
          onChange={(bars) => onChange({ countIn: Number(bars) })}
          options={COUNT_INS.map((bars) => [String(bars), bars ? plural(bars, 'bar') : 'none'])}
        />
        <Choice
          label="Rounds"
          value={String(settings.rounds)}
          disabled={playing}
          onChange={(rounds) => onChange({ rounds: Number(rounds) })}
          options={ROUNDS.map((rounds) => [String(rounds), String(rounds)])}
        />
        <Choice
          label="Who plays"
          value={settings.player}
          disabled={playing}
          onChange={(player) => onChange({ player: player as 'keys' | KitFault })}
          options={[['keys', 'you'], ...KIT_FAULT_NAMES.map((fault): [string, string] => [fault, `kit, ${fault}`])]}
        />
        <Choice
          label="Groove"
          value={settings.hearGroove ? 'heard' : 'silent'}
          disabled={false}
          onChange={(heard) => onChange({ hearGroove: heard === 'heard' })}
          options={[
            ['heard', 'heard'],
            ['silent', 'click only'],
          ]}
        />
        <Level onLevel={onLevel} />
        <LimbSwitches limbs={limbs} task={settings.task} disabled={playing} onChange={(task) => onChange({ task })} />
      </Box>
    </Box>
  );
}

interface LimbSwitchesProps {
  limbs: readonly Limb[];
  task: readonly Limb[];
  disabled: boolean;
  onChange: (task: Limb[]) => void;
}

/** One touch takes a limb out of the task, and out of the judging; the last one stays. */
function LimbSwitches({ limbs, task, disabled, onChange }: LimbSwitchesProps) {
  return (
    <Box role="group" aria-label="Limbs in the task" sx={{ display: 'flex', gap: 0.5 }}>
      {limbs.map((limb) => {
        const on = task.includes(limb);
        return (
          <Button
            key={limb}
            variant={on ? 'contained' : 'outlined'}
            disabled={disabled || (on && task.length === 1)}
            aria-pressed={on}
            aria-label={`${limb} ${on ? 'in' : 'out of'} the task`}
            onClick={() => onChange(limbs.filter((other) => (other === limb ? !on : task.includes(other))))}
            sx={{
              minWidth: 44,
              minHeight: 44,
              px: 1,
              '&&': {
                bgcolor: (theme) => (on ? theme.vars!.palette.cloth[THREAD[limb]] : undefined),
                color: (theme) => (on ? theme.vars!.palette.background.paper : theme.vars!.palette.text.secondary),
              },
            }}
          >
            {initials(limb)}
          </Button>
        );
      })}
    </Box>
  );
}

const initials = (limb: Limb) =>
  limb
    .split(' ')
    .map((word) => word.charAt(0).toUpperCase())
    .join('');

interface ChoiceProps {
  label: ReactNode;
  value: string;
  options: readonly (readonly [string, string])[];
  disabled: boolean;
  onChange: (value: string) => void;
}

function Choice({ label, value, options, disabled, onChange }: ChoiceProps) {
  return (
    <TextField
      select
      label={label}
      value={value}
      disabled={disabled}
      onChange={({ target }) => onChange(target.value)}
      sx={{ width: 'auto', minWidth: 84, maxWidth: 170, '& .MuiInputBase-root': { minHeight: 44 } }}
    >
      {options.map(([each, words]) => (
        <MenuItem key={each} value={each}>
          {words}
        </MenuItem>
      ))}
    </TextField>
  );
}
