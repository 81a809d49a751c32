import { useEffect, useRef } from 'react';

/** Calls back when the page goes out of sight while `on`. */
export function useOutOfSight(on: boolean, onHidden: () => void): void {
  const latest = useRef(onHidden);
  useEffect(() => {
    latest.current = onHidden;
  });
  useEffect(() => {
    if (!on) return;
    const look = () => document.visibilityState === 'hidden' && latest.current();
    document.addEventListener('visibilitychange', look);
    return () => document.removeEventListener('visibilitychange', look);
  }, [on]);
}
