import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useRoom } from '../../RoomContext';
import type { SectionMs } from '../../piece';
import { lengthInWords } from '@/ui/words/figures';

interface SectionsLineProps {
  sections: readonly SectionMs[];
  firstBeatMs: number;
  lengthMs: number;
}

/**
 * The sections of a chart under the picture of the music, each as wide as it lasts; a press plays from there to the
 * end.
 */
export function SectionsLine({ sections, firstBeatMs, lengthMs }: SectionsLineProps) {
  const { state, dispatch } = useRoom();
  const { range } = state.settings;
  const share = (ms: number) => `${(100 * Math.min(lengthMs, ms)) / lengthMs}%`;
  const over = firstBeatMs + sections.at(-1)!.endMs - lengthMs;
  return (
    <>
      <Box
        role="group"
        aria-label="Sections in the music"
        sx={{ position: 'relative', height: 44, overflow: 'hidden' }}
      >
        {sections.map(({ say, ms, endMs }, index) =>
          firstBeatMs + ms < lengthMs ? (
            <Box
              component="button"
              key={index}
              type="button"
              title={`${say}, from ${lengthInWords(firstBeatMs + ms)}`}
              aria-label={`Play from ${index + 1}. ${say}`}
              aria-pressed={range[0] === index}
              onClick={() =>
                dispatch({
                  type: 'set',
                  change: { range: sections.flatMap((_, other) => (other >= index ? [other] : [])) },
                })
              }
              sx={{
                position: 'absolute',
                left: share(firstBeatMs + ms),
                width: `calc(${share(firstBeatMs + endMs)} - ${share(firstBeatMs + ms)})`,
                height: 1,
                px: 0.75,
                border: 0,
                borderLeft: 1,
                borderColor: 'primary.main',
                bgcolor: range[0] === index ? 'action.selected' : 'transparent',
                color: 'text.primary',
                font: 'inherit',
                fontSize: 13,
                textAlign: 'left',
                whiteSpace: 'nowrap',
                overflow: 'hidden',
                textOverflow: 'ellipsis',
                cursor: 'pointer',
              }}
            >
              {say.replace(', time', '')}
            </Box>
          ) : null,
        )}
      </Box>
      {over > 0 && (
        <Typography variant="body2" color="textSecondary">
          The chart goes on {lengthInWords(over)} after the music has ended: set the tempo or the first beat.
        </Typography>
      )}
    </>
  );
}
