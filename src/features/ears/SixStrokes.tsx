import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { STRIKES, type MicrophoneStep } from './useMicrophoneSteps';

/** How each of the six is to be struck. */
const HOW = ['softly', 'loud', 'softly', 'loud', 'very softly', 'loud'] as const;

/** One surface while it is struck six times: a mark for each that was heard. */
export function SixStrokes({ step }: { step: Extract<MicrophoneStep, { kind: 'strike' }> }) {
  const { surface, struck, number, of } = step;
  const how = HOW[struck];
  return (
    <Box
      role="status"
      sx={{
        border: 1,
        borderColor: 'divider',
        borderRadius: 2,
        bgcolor: 'background.paper',
        p: 2.5,
        width: 1,
        maxWidth: 520,
      }}
    >
      <Typography variant="h3">{how ? `Strike the ${surface} ${how}` : `That was the ${surface}`}</Typography>
      <Typography color="textSecondary" sx={{ mb: 1.5 }}>
        {of > 1 && `Surface ${number} of ${of}. `}A second apart, nothing else.
      </Typography>
      <Box aria-label={`${struck} of ${STRIKES} heard`} role="img" sx={{ display: 'flex', gap: 1 }}>
        {Array.from({ length: STRIKES }, (_, index) => (
          <Box
            key={index}
            sx={{
              width: HOW[index] === 'loud' ? 26 : 18,
              height: HOW[index] === 'loud' ? 26 : 18,
              alignSelf: 'center',
              borderRadius: '50%',
              border: 2,
              borderColor: 'primary.main',
              bgcolor: index < struck ? 'primary.main' : 'transparent',
            }}
          />
        ))}
      </Box>
    </Box>
  );
}
