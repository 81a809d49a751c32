import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Saving } from './usePlan';

/** Whether what was written is kept. */
export function SavingNote({ saving }: { saving: Saving }) {
  if (saving === 'changed elsewhere')
    return (
      <Alert
        severity="warning"
        sx={{ py: 0 }}
        action={
          <Button size="small" onClick={() => window.location.reload()}>
            Show it
          </Button>
        }
      >
        Another window has changed this lesson; what is written here since is not kept.
      </Alert>
    );
  return (
    <Typography variant="body2" color="textSecondary" role="status">
      {saving === 'saved' && 'Kept'}
      {saving === 'saving' && 'Keeping…'}
      {saving === 'not saved' && 'No connection: kept with the next change.'}
    </Typography>
  );
}
