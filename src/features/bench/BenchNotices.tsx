import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { School } from '@/core/counting/schools';
import { Strip } from '@/ui/strip/Strip';
import type { useEditing } from './useEditing';
import type { Hearing } from './useHearing';
import type { Saving } from './useSaving';

/** How far the groove is kept. */
export function savingInWords(saving: Saving): string {
  switch (saving.kind) {
    case 'saved':
      return 'Saved';
    case 'waiting':
      return 'Saving …';
    case 'offline':
      return saving.say;
    default:
      return 'Saved elsewhere meanwhile';
  }
}

interface BenchNoticesProps {
  saving: Saving;
  choose: (which: 'mine' | 'theirs') => Promise<void>;
  editing: ReturnType<typeof useEditing>;
  hearing: Hearing;
  school: School;
}

/** What has to be decided or known before the work goes on. */
export function BenchNotices({ saving, choose, editing, hearing, school }: BenchNoticesProps) {
  return (
    <>
      {saving.kind === 'behind' && (
        <Alert severity="warning" role="alert">
          <Typography sx={{ fontWeight: 650 }}>
            This groove was saved in another window meanwhile. Which one is to stand? The other is kept as a copy.
          </Typography>
          <Box sx={{ mt: 1.5 }}>
            <Strip groove={saving.theirs} school={school} size="glance" />
          </Box>
          <Box sx={{ mt: 1.5, display: 'flex', gap: 1 }}>
            <Button variant="contained" onClick={() => void choose('mine')}>
              Keep mine
            </Button>
            <Button variant="outlined" onClick={() => void choose('theirs')}>
              Take the other, shown here
            </Button>
          </Box>
        </Alert>
      )}
      {editing.losing && (
        <Alert
          severity="warning"
          role="alert"
          action={
            <>
              <Button color="inherit" onClick={() => editing.settle(true)}>
                Do it without them
              </Button>
              <Button color="inherit" onClick={() => editing.settle(false)}>
                Leave it
              </Button>
            </>
          }
        >
          {editing.losing.say}
        </Alert>
      )}
      {(editing.notice ?? hearing.say) && (
        <Alert severity={editing.notice?.severity ?? 'error'} role="status" onClose={editing.forgetNotice}>
          {editing.notice?.say ?? hearing.say}
        </Alert>
      )}
    </>
  );
}
