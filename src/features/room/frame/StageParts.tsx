import Box from '@mui/material/Box';
import type { StripSize } from '@/ui/strip/layout';
import { FIGURE_FONT } from '@/ui/theme';
import { PlayedStrip } from '../PlayedStrip';
import { useRoom } from '../RoomContext';
import { TripletLayers } from '../TripletLayers';
import type { Frame } from './useFrame';

interface PlayedLinesProps {
  frame: Frame;
  size: StripSize;
  /** It fills its height and follows the playhead. */
  follows?: boolean;
}

/** The strip of what is played, and the triplet layers under it. */
export function PlayedLines({ frame, size, follows }: PlayedLinesProps) {
  const { school } = useRoom();
  const { piece, settings, stage, playing, beads } = frame;
  return (
    <Box sx={follows ? { display: 'flex', flexDirection: 'column', height: 1, minHeight: 0 } : undefined}>
      <Box sx={follows ? { flex: '1 1 0', minHeight: 0 } : undefined}>
        <PlayedStrip
          piece={piece}
          onStage={stage.onStage}
          playing={playing}
          school={school}
          bpm={settings.bpm}
          swing={stage.turned ?? settings.swing}
          size={size}
          follows={follows}
          task={settings.task}
          beads={beads}
          strip={stage.strip}
        />
      </Box>
      {settings.layers && <TripletLayers plan={settings.layers} groove={piece.groove} handle={stage.layers} />}
    </Box>
  );
}

/**
 * What is being counted, as large as the room has place, written straight on the page; beneath it what is heard now
 * ("swung").
 */
export function CountWord({ frame: { stage, piece }, size = 104 }: { frame: Frame; size?: number }) {
  const { count, side } = stage;
  return (
    <Box aria-hidden sx={{ minWidth: { xs: 0, sm: 200 }, textAlign: 'center', mx: 'auto' }}>
      <Box
        ref={count}
        data-count=""
        sx={{ fontFamily: FIGURE_FONT, fontWeight: 800, fontSize: size, lineHeight: 0.9, minHeight: 0.9 * size }}
      />
      <Box
        ref={side}
        sx={{
          fontFamily: FIGURE_FONT,
          fontWeight: 700,
          fontSize: size / 4,
          minHeight: piece.sides ? size / 3 : 0,
          color: 'secondary.main',
        }}
      />
    </Box>
  );
}
