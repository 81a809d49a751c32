import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { School } from '@/core/counting/schools';
import type { FaultName, Verdict } from '@/core/documents/verdict';
import { verdictInWords } from '@/core/wording/verdictInWords';
import type { ReportWords } from '@/core/documents/verdict';

interface VerdictNoteProps {
  verdict: Verdict;
  school: School;
  report?: ReportWords;
  /** What was good, as facts. */
  good?: readonly string[];
  action?: ReactNode;
}

/** Verdicts in which nothing is to be fixed. */
const HEADS: Partial<Record<FaultName, { title: string; edge: string }>> = {
  clean: { title: 'Verdict', edge: 'success.main' },
  'not heard': { title: 'In the log', edge: 'divider' },
};

/** The one thing to fix first, its evidence, and what to do next with it. */
export function VerdictNote({ verdict, school, report, good = [], action }: VerdictNoteProps) {
  const { say, evidence, practise, next } = verdictInWords(verdict, school, report);
  const { title, edge } = HEADS[verdict.about] ?? { title: 'Fix this first', edge: 'error.main' };
  return (
    <Box sx={{ borderLeft: 4, borderColor: edge, pl: 2, py: 0.5 }}>
      <Box role="group" aria-label="Verdict">
        <Typography variant="body2" color="textSecondary">
          {title}
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
