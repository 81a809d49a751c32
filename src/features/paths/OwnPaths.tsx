import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { WalkedPath } from '@/server/paths';
import { PathSteps } from './PathSteps';

/** The paths one walks, and where one stands on each. */
export function OwnPaths({ walked }: { walked: readonly WalkedPath[] }) {
  if (!walked.length) return null;
  return (
    <section>
      <Typography variant="h2">{walked.length === 1 ? 'Your path' : 'Your paths'}</Typography>
      {walked.map(({ id, name, steps, at }) => (
        <Box key={id} sx={{ mt: 1 }}>
          <Typography color="textSecondary" sx={{ mb: 0.75, overflowWrap: 'anywhere' }}>
            {name}: {at < steps.length ? `step ${at + 1} of ${steps.length}` : `all ${steps.length} steps passed`}
          </Typography>
          <PathSteps steps={steps} at={at} />
        </Box>
      ))}
    </section>
  );
}
