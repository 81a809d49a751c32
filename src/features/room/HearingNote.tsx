import Box from '@mui/material/Box';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';

/** A recording that is heard as a whole, with how much of it is done. */
export function HearingNote({ share }: { share: number }) {
  return (
    <Box role="status" sx={{ maxWidth: 520 }}>
      <Typography gutterBottom>Hearing all of it once more …</Typography>
      <LinearProgress variant="determinate" value={100 * share} aria-label="How much is heard" />
    </Box>
  );
}
