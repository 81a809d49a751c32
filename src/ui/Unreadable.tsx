import Alert from '@mui/material/Alert';
import { sentence, type Problem } from '@/core/result';

/** In the place of what is kept but cannot be read: that it is so, why, and the way out. */
export function Unreadable({ what, problem }: { what: string; problem: Problem }) {
  return (
    <Alert severity="warning" sx={{ maxWidth: 720 }}>
      {what} cannot be read. {sentence(problem)} It is kept as it is and nothing else is touched.
    </Alert>
  );
}
