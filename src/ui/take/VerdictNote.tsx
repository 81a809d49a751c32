import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { School } from '@/core/count/schools';
import type { Verdict } from '@/core/documents/verdict';
import { verdictInWords, type ReportWords } from '@/core/take/verdictInWords';

interface VerdictNoteProps {
  verdict: Verdict;
  school: School;
  report?: ReportWords;
  /** What was good, as facts. */
  good?: readonly string[];
  action?: ReactNode;
}

/** The one thing to fix first, its evidence, and what to do next with it. */
export function VerdictNote({ verdict, school, report, good = [], action }: VerdictNoteProps) {
  const { say, evidence, practise, next } = verdictInWords(verdict, school, report);
  return (
    <Box sx={{ borderLeft: 4, borderColor: verdict.about === 'clean' ? 'success.main' : 'error.main', pl: 2, py: 0.5 }}>
      <Box role="group" aria-label="Verdict">
        <Typography variant="body2" color="textSecondary">
          {verdict.about === 'clean' ? 'Verdict' : 'Fix this first'}
        </Typography>
        <Typography variant="h2" component="p" sx={{ fontSize: '1.375rem' }}>
          {say}
        </Typography>
        <Typography color="textSecondary" sx={{ mt: 0.25 }}>
          {evidence}
        </Typography>
        {next && (
          <Typography color="textSecondary" sx={{ mt: 0.25 }}>
            <strong>After that:</strong> {next}
          </Typography>
        )}
        {good.map((fact) => (
          <Typography key={fact} sx={{ mt: 0.25, color: 'success.main' }}>
            {fact}
          </Typography>
        ))}
      </Box>
      <Box sx={{ mt: 1, display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center' }}>
        <Typography>
          <strong>Next:</strong> {practise}
        </Typography>
        {action}
      </Box>
    </Box>
  );
}
