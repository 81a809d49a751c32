'use client';

import { useEffect } from 'react';

/** Keeps the screen awake while `on`. A browser that cannot, or may not now, lets it sleep. */
export function useAwake(on: boolean): void {
  useEffect(() => {
    if (!on || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | undefined;
    let over = false;
    // The browser lets go when the page is hidden; when it is seen again it is asked again.
    const ask = async () => {
      if (document.visibilityState !== 'visible') return;
      lock = await navigator.wakeLock.request('screen').catch(() => undefined);
      if (over) void lock?.release();
    };
    const onSeen = () => void ask();
    onSeen();
    document.addEventListener('visibilitychange', onSeen);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', onSeen);
      void lock?.release();
    };
  }, [on]);
}
