import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import { PlayAlong } from './PlayAlong';
import { Step } from './Step';
import { useMeasured } from './useMeasured';
import { usePlayAlong } from './usePlayAlong';

/** Pads on the screen: only what a touch adds is to be measured. */
export function HearPads() {
  const { delay, measured } = useMeasured('pads');
  const along = usePlayAlong(measured);
  return (
    <Step title="How late a touch is">
      <PlayAlong along={along} what="the pad below" delay={delay} />
      <Box sx={{ width: 1, maxWidth: 420 }}>
        <ButtonBase
          aria-label="Pad"
          onPointerDown={({ timeStamp }) => along.strike({ input: 'pads', at: { pageMs: timeStamp } })}
          sx={{
            width: 1,
            height: 120,
            border: 2,
            borderColor: 'divider',
            borderRadius: 2,
            bgcolor: 'background.paper',
            touchAction: 'manipulation',
          }}
        >
          Pad
        </ButtonBase>
      </Box>
    </Step>
  );
}
