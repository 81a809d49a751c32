import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Clock } from '@/core/documents/settings';
import type { WeekOfPractice } from '@/server/practice';
import { shortDateInWords } from '@/ui/words/dates';

/** Minutes that sounded by week, each against what was set for its days. */
export function WeekTotals({ weeks, clock }: { weeks: readonly WeekOfPractice[]; clock: Clock }) {
  if (!weeks.some(({ minutes }) => minutes)) return null;
  const most = Math.max(...weeks.map(({ minutes, goal }) => Math.max(minutes, goal)));
  return (
    <Box component="section" aria-label="Minutes by week" sx={{ mb: 3, maxWidth: 720 }}>
      <Typography variant="h2" gutterBottom>
        Minutes by week
      </Typography>
      {weeks.map(({ week, minutes, goal }) => (
        <Box
          key={week}
          sx={{ display: 'grid', gridTemplateColumns: '92px 1fr 128px', gap: 1.5, alignItems: 'center', py: 0.25 }}
        >
          <Typography variant="body2" color="textSecondary">
            from {shortDateInWords(week, clock)}
          </Typography>
          <Box sx={{ position: 'relative', height: 12, bgcolor: 'action.hover', borderRadius: 0.5 }}>
            <Box sx={{ height: 1, width: `${(100 * minutes) / most}%`, bgcolor: 'primary.main', borderRadius: 0.5 }} />
            {goal > 0 && (
              <Box
                sx={{
                  position: 'absolute',
                  top: -3,
                  bottom: -3,
                  left: `${(100 * goal) / most}%`,
                  width: 2,
                  bgcolor: 'text.secondary',
                }}
              />
            )}
          </Box>
          <Typography variant="body2">
            {minutes} {goal > 0 ? `of ${goal} min set` : 'min'}
          </Typography>
        </Box>
      ))}
    </Box>
  );
}
