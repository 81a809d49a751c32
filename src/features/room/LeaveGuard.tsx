import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';

/** Asks before a take that is going on is lost by a link or a reload. `isStruck` says whether there is anything to lose. */
export function LeaveGuard({ isStruck }: { isStruck: () => boolean }) {
  const [wanted, setWanted] = useState<string>();
  const router = useRouter();
  useEffect(() => {
    const onUnload = (event: BeforeUnloadEvent) => {
      if (isStruck()) event.preventDefault();
    };
    const onClick = (event: MouseEvent) => {
      const link = (event.target as Element | null)?.closest?.('a[href]');
      if (!link || event.ctrlKey || event.metaKey || event.shiftKey || !isStruck()) return;
      event.preventDefault();
      event.stopPropagation();
      setWanted(link.getAttribute('href')!);
    };
    addEventListener('beforeunload', onUnload);
    document.addEventListener('click', onClick, true);
    return () => {
      removeEventListener('beforeunload', onUnload);
      document.removeEventListener('click', onClick, true);
    };
  }, [isStruck]);
  if (!wanted) return null;
  return (
    <Dialog open onClose={() => setWanted(undefined)} aria-labelledby="leave-take">
      <DialogTitle id="leave-take">Leave in the middle of a take?</DialogTitle>
      <DialogContent>What you have struck so far is lost. Stop first, and it is judged and kept.</DialogContent>
      <DialogActions>
        <Button onClick={() => router.push(wanted)}>Leave and lose it</Button>
        <Button variant="contained" onClick={() => setWanted(undefined)}>
          Play on
        </Button>
      </DialogActions>
    </Dialog>
  );
}
