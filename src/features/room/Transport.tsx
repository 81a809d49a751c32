'use client';

import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import useMediaQuery from '@mui/material/useMediaQuery';
import { PlayArrowRounded, StopRounded } from '@/ui/icons';
import { plural } from '@/ui/words/text';
import { ClickChoice } from './ClickChoice';
import { Choice } from './Choice';
import { Volume } from './Volume';
import { WhoPlaysChoice } from './WhoPlaysChoice';
import { Tempo } from './Tempo';
import type { Frame } from './frame/useFrame';
import { Ring } from './Ring';
import { LENGTHS, type Length } from './settings';

interface TransportProps {
  frame: Frame;
  tempo: 'set' | 'shown' | 'none';
  hasLength: boolean;
}

/** Start and stop, the tempo large, and how the next take is set. */
export function Transport({ frame, tempo, hasLength }: TransportProps) {
  const { settings, playing, isBlocked, isStarting, toggle, change } = frame;
  const { ring } = frame.stage;
  const isNarrow = useMediaQuery('(max-width: 599px)');
  return (
    <Box
      sx={{
        position: 'sticky',
        bottom: { xs: 44, sm: 0 },
        flex: 'none',
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
      <Ring handle={ring} size={isNarrow ? 68 : 84}>
        <IconButton
          onClick={toggle}
          loading={isStarting}
          disabled={isBlocked && !playing}
          aria-label={playing ? 'Stop' : 'Play'}
          sx={{
            width: isNarrow ? 54 : 68,
            height: isNarrow ? 54 : 68,
            bgcolor: 'primary.main',
            color: 'primary.contrastText',
            '&:hover': { bgcolor: 'primary.main' },
            '&:focus-visible': { outline: '3px solid', outlineColor: 'secondary.main', outlineOffset: 3 },
          }}
        >
          {playing ? <StopRounded sx={{ fontSize: 38 }} /> : <PlayArrowRounded sx={{ fontSize: 42 }} />}
        </IconButton>
      </Ring>
      {tempo !== 'none' && <Tempo bpm={settings.bpm} fixed={tempo === 'shown'} onChange={(bpm) => change({ bpm })} />}
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
        <TransportChoices frame={frame} hasClick={tempo !== 'none'} hasLength={hasLength} />
      </Box>
    </Box>
  );
}

interface TransportChoicesProps {
  frame: Frame;
  /** Practice without a clock has no click, and nobody who could play it. */
  hasClick: boolean;
  hasLength: boolean;
}

/** The click, the length, who plays, how loud. */
export function TransportChoices({ frame, hasClick, hasLength }: TransportChoicesProps) {
  const { settings, piece, playing, change, attempt } = frame;
  return (
    <>
      {hasClick && (
        <ClickChoice
          click={settings.click}
          groove={piece.groove}
          bpm={settings.bpm}
          onChange={(click) => change({ click })}
        />
      )}
      {hasLength && (
        <Choice
          label="Length"
          value={lengthInText(settings.length)}
          disabled={playing}
          onChange={(text) => change({ length: LENGTHS.find((length) => lengthInText(length) === text)! })}
          options={LENGTHS.map((length) => [lengthInText(length), lengthInText(length)])}
        />
      )}
      {hasClick && <WhoPlaysChoice settings={settings} disabled={playing} onChange={change} />}
      <Volume onLevel={attempt.setLevel} />
    </>
  );
}

const lengthInText = (length: Length): string =>
  'rounds' in length ? plural(length.rounds, 'round') : plural(length.minutes, 'minute');
