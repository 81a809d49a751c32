import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { Verdict } from '@/core/take/verdict';

/** The one thing to fix first, its evidence, and what to do next with it. */
export function VerdictNote({ verdict, action }: { verdict: Verdict; action?: ReactNode }) {
  return (
    <Box sx={{ borderLeft: 4, borderColor: verdict.about === 'clean' ? 'success.main' : 'error.main', pl: 2, py: 0.5 }}>
      <Typography variant="body2" color="textSecondary">
        {verdict.about === 'clean' ? 'Verdict' : 'Fix this first'}
      </Typography>
      <Typography variant="h2" component="p" sx={{ fontSize: '1.375rem' }}>
        {verdict.say}
      </Typography>
      <Typography color="textSecondary" sx={{ mt: 0.25 }}>
        {verdict.evidence}
      </Typography>
      <Box sx={{ mt: 1, display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center' }}>
        <Typography>
          <strong>Next:</strong> {verdict.practise.say}
        </Typography>
        {action}
      </Box>
    </Box>
  );
}
