import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { sentence } from '@/core/result';
import type { KeptSight } from '@/server/sightPlans';
import { tempoInWords } from '@/ui/words/figures';
import { sightInWords } from '@/ui/words/sight';

interface KeptListProps {
  kept: readonly KeptSight[];
  onArchive: (id: string, archived: boolean) => Promise<void>;
}

/** What is kept to be read: opened in the room, or put away. */
export function KeptList({ kept, onArchive }: KeptListProps) {
  return (
    <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, maxWidth: 980 }}>
      {kept.map(({ id, title, tempo, archived, plan }) => (
        <Box
          component="li"
          key={id}
          sx={{
            display: 'flex',
            flexWrap: 'wrap',
            alignItems: 'center',
            gap: 1.5,
            py: 1.25,
            borderTop: 1,
            borderColor: 'divider',
            '&:last-of-type': { borderBottom: 1, borderColor: 'divider' },
          }}
        >
          <Box sx={{ flex: '1 1 260px', minWidth: 0, color: archived ? 'text.secondary' : undefined }}>
            <Typography sx={{ fontWeight: 650, overflowWrap: 'anywhere' }}>{title}</Typography>
            <Typography variant="body2" color={plan.ok ? 'textSecondary' : 'error'}>
              {plan.ok
                ? `${sightInWords(plan.value)} · at ${tempoInWords(tempo)} · ${lookInWords(plan.value.lookS)}${archived ? ' · put away' : ''}`
                : sentence(plan.problems[0]!)}
            </Typography>
          </Box>
          <Box sx={{ display: 'flex', gap: 1 }}>
            {!archived && plan.ok && (
              <Button variant="outlined" href={`/room/${id}`} aria-label={`Read ${title}`}>
                Read
              </Button>
            )}
            <Button
              onClick={() => void onArchive(id, !archived)}
              aria-label={`${archived ? 'Bring back' : 'Put away'} ${title}`}
            >
              {archived ? 'Bring back' : 'Put away'}
            </Button>
          </Box>
        </Box>
      ))}
    </Box>
  );
}

const lookInWords = (seconds: number): string => (seconds ? `${seconds} s to look` : 'no time to look');
