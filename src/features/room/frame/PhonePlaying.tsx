import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import { StopRounded } from '@/ui/icons';
import { FIGURE_FONT } from '@/ui/theme';
import { tempoInWords } from '@/ui/words/figures';
import { MinutesToday } from '../MinutesToday';
import { useRoom } from '../RoomContext';
import { Ring } from '../Ring';
import { Pads } from './RoomPads';
import type { RoomView } from './RoomFrame';
import { CountWord, PlayedLines } from './StageParts';

/** As high as a strip of four limbs in one row. */
const STRIP_HEIGHT = { 1: 116, 2: 168, 3: 220, 4: 272 } as const;

/** Two lines of a stave, so that one can read ahead; less on a low phone, for the pads. */
const TWO_LINES = 'min(372px, 48dvh)';

/** A phone on its side: what is played on the left, and the pads beside it. */
const ON_ITS_SIDE = '@media (max-height: 500px) and (orientation: landscape)';

/**
 * A phone while it plays: the bar that is played, the count, the pads for two thumbs, stop. All else is one touch
 * away.
 */
export function PhonePlaying({ frame, tempo, line }: RoomView) {
  const { limbs, drill, chart, sight, state } = useRoom();
  const { settings, waitsAt, toggle } = frame;
  const { ring, where } = frame.stage;
  const strip = STRIP_HEIGHT[Math.min(4, Math.max(1, limbs.length)) as 1 | 2 | 3 | 4] + (drill || chart ? 48 : 0);
  return (
    <Box
      sx={{
        position: 'fixed',
        inset: 0,
        zIndex: 20,
        bgcolor: 'background.default',
        display: 'flex',
        flexDirection: 'column',
        gap: 1,
        px: 1.5,
        pt: 1,
        pb: 'max(8px, env(safe-area-inset-bottom))',
        overflow: 'hidden',
        touchAction: 'manipulation',
        [ON_ITS_SIDE]: {
          display: 'grid',
          columnGap: 2,
          gridTemplate: `'head count pads' auto
            'lines lines pads' minmax(0, 1fr)
            'lines lines more' auto / minmax(0, 1fr) auto 36%`,
        },
      }}
    >
      <Box sx={{ flex: 'none', display: 'flex', alignItems: 'center', gap: 1.5, gridArea: 'head' }}>
        <Ring handle={ring} size={64}>
          <IconButton
            onClick={toggle}
            aria-label="Stop"
            sx={{ width: 50, height: 50, bgcolor: 'primary.main', color: 'primary.contrastText' }}
          >
            <StopRounded sx={{ fontSize: 30 }} />
          </IconButton>
        </Ring>
        {tempo !== 'none' && (
          <Typography component="p" sx={{ fontFamily: FIGURE_FONT, fontWeight: 750, fontSize: 40, lineHeight: 1 }}>
            {tempoInWords(settings.bpm)}
          </Typography>
        )}
        <Box sx={{ ml: 'auto', textAlign: 'right', minWidth: 0 }}>
          <Typography ref={where} component="p" sx={{ fontFamily: FIGURE_FONT, fontWeight: 700, fontSize: 20 }}>
            {waitsAt ? `${waitsAt.clean} clean` : ''}
          </Typography>
          <MinutesToday />
          <Typography variant="body2" color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
            {state.say ?? line}
          </Typography>
        </Box>
      </Box>
      <Box sx={{ flex: `0 0 ${sight ? TWO_LINES : `${strip}px`}`, minHeight: 0, gridArea: 'lines' }}>
        <PlayedLines frame={frame} size="low" follows />
      </Box>
      <Box sx={{ flex: 'none', gridArea: 'count', [ON_ITS_SIDE]: { '& > *': { minWidth: 110 } } }}>
        <CountWord frame={frame} size={84} />
      </Box>
      <Box sx={{ flex: '1 1 0', minHeight: 0, display: 'flex', gridArea: 'pads' }}>
        <Pads frame={frame} isLarge />
      </Box>
      <Button
        onClick={() => frame.setSettingUp(true)}
        sx={{ flex: 'none', minHeight: 44, color: 'text.secondary', gridArea: 'more' }}
      >
        Level, click, limbs
      </Button>
    </Box>
  );
}
