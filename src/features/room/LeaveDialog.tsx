import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';

/** Asks before a take that is going on is lost. */
export function LeaveDialog({ onLeave, onStay }: { onLeave: () => void; onStay: () => void }) {
  return (
    <Dialog open onClose={onStay} aria-labelledby="leave-take">
      <DialogTitle id="leave-take">Leave in the middle of a take?</DialogTitle>
      <DialogContent>What you have struck so far is lost. Stop first, and it is judged and kept.</DialogContent>
      <DialogActions>
        <Button onClick={onLeave}>Leave and lose it</Button>
        <Button variant="contained" onClick={onStay}>
          Play on
        </Button>
      </DialogActions>
    </Dialog>
  );
}
