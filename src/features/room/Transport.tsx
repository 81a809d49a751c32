'use client';

import PlayArrowRounded from '@mui/icons-material/PlayArrowRounded';
import StopRounded from '@mui/icons-material/StopRounded';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { ReactNode, Ref } from 'react';
import { KIT_FAULT_NAMES, type KitFault } from '@/core/take/simulatedKit';
import { plural } from '@/ui/words';
import type { Groove } from '@/core/groove/groove';
import type { Bpm } from '@/core/time/units';
import { ClickChoice } from './ClickChoice';
import { Volume } from './Volume';
import { Tempo } from './Tempo';
import { Ring, type RingHandle } from './Ring';
import { LENGTHS, type Length, type RoomSettings } from './settings';

interface TransportProps {
  settings: RoomSettings;
  groove: Groove;
  /** The tempo that is played: the way of practising may set it. */
  bpm: Bpm;
  tempoFixed: boolean;
  /** Practice without a clock has no tempo and no click. */
  timeless: boolean;
  /** Whether the length is for the player to set. */
  lengthSet: boolean;
  ring: Ref<RingHandle>;
  playing: boolean;
  busy: boolean;
  /** Something is to be set first. */
  cannotPlay: boolean;
  onChange: (change: Partial<RoomSettings>) => void;
  onToggle: () => void;
  onLevel: (level: number) => void;
}

/** Start and stop, the tempo large, and how the next take is set. */
export function Transport({
  settings,
  groove,
  bpm,
  tempoFixed,
  timeless,
  lengthSet,
  ring,
  playing,
  busy,
  cannotPlay,
  onChange,
  onToggle,
  onLevel,
}: TransportProps) {
  return (
    <Box
      sx={{
        position: 'sticky',
        bottom: { xs: 44, sm: 0 },
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
      <Ring handle={ring}>
        <IconButton
          onClick={onToggle}
          loading={busy}
          disabled={cannotPlay && !playing}
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
      </Ring>
      {!timeless && <Tempo bpm={bpm} fixed={tempoFixed} onChange={(wanted) => onChange({ bpm: wanted })} />}
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
        {!timeless && (
          <ClickChoice click={settings.click} groove={groove} bpm={bpm} onChange={(click) => onChange({ click })} />
        )}
        {lengthSet && (
          <Choice
            label="Length"
            value={lengthInText(settings.length)}
            disabled={playing}
            onChange={(text) => onChange({ length: LENGTHS.find((length) => lengthInText(length) === text)! })}
            options={LENGTHS.map((length) => [lengthInText(length), lengthInText(length)])}
          />
        )}
        {!timeless && (
          <Choice
            label="Who plays"
            value={settings.player}
            disabled={playing}
            onChange={(player) => onChange({ player: player as 'keys' | KitFault })}
            options={[['keys', 'you'], ...KIT_FAULT_NAMES.map((fault): [string, string] => [fault, `kit, ${fault}`])]}
          />
        )}
        <Volume onLevel={onLevel} />
      </Box>
    </Box>
  );
}

const lengthInText = (length: Length): string =>
  'rounds' in length ? plural(length.rounds, 'round') : plural(length.minutes, 'minute');

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
