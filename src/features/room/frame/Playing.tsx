import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import useMediaQuery from '@mui/material/useMediaQuery';
import Typography from '@mui/material/Typography';
import { MinutesToday } from '../MinutesToday';
import { Notes, Notices } from '../Notes';
import { useRoom } from '../RoomContext';
import { Transport } from '../Transport';
import { Pads } from './RoomPads';
import type { RoomView } from './RoomFrame';
import { CountWord, PlayedLines } from './StageParts';

/** The room while it plays: all that is needed is in sight, however low the screen; the strip follows the playhead. */
export function Playing({ frame, tempo, hasLength, panel }: RoomView) {
  const { groove, state } = useRoom();
  const isLow = useMediaQuery('(max-height: 800px)', { noSsr: true });
  const { unspoken, isCalled } = frame;
  return (
    <Box
      sx={{
        display: 'flex',
        flexDirection: 'column',
        height: 'calc(100dvh - var(--lesson-bar, 0px))',
        overflow: 'hidden',
      }}
    >
      <Box
        sx={{ flex: '1 1 0', minHeight: 0, display: 'flex', flexDirection: 'column', gap: 1, px: { sm: 3.5 }, pt: 1 }}
      >
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, flex: 'none' }}>
          <Typography variant="h1" sx={{ fontSize: isLow ? '1.1rem' : undefined, overflowWrap: 'anywhere', flex: 1 }}>
            {groove.title}
          </Typography>
          <MinutesToday />
          <Button variant="outlined" onClick={() => frame.setSettingUp(true)} sx={{ minHeight: 44 }}>
            Set up
          </Button>
        </Box>
        <Box sx={{ flex: 'none', display: 'grid', gap: 1 }}>
          <Notices say={state.say} rest={false} tooFast={undefined} onRested={() => {}} />
          {panel}
        </Box>
        <Box sx={{ flex: '1 1 0', minHeight: 0 }}>
          <PlayedLines frame={frame} size={isLow ? 'low' : 'room'} follows />
        </Box>
        <Box sx={{ flex: 'none', display: 'flex', alignItems: 'center', gap: 3, pb: 1 }}>
          <Pads frame={frame} />
          <CountWord frame={frame} size={isLow ? 80 : 104} />
        </Box>
        {!isLow && <Notes unspoken={unspoken} called={isCalled} reason={undefined} care={false} />}
      </Box>
      <Transport frame={frame} tempo={tempo} hasLength={hasLength} />
    </Box>
  );
}
