import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';

const LeaveDialog = dynamic(() => import('./LeaveDialog').then((module) => module.LeaveDialog), { ssr: false });

/**
 * Asks before a take that is going on is lost by a link or a reload. `isStruck` says whether there is anything to
 * lose.
 */
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
  return wanted && <LeaveDialog onLeave={() => router.push(wanted)} onStay={() => setWanted(undefined)} />;
}
