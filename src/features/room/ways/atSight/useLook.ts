import { useCallback, useEffect, useState } from 'react';
import type { RoomState } from '../../state';

/** How long one may still look at what is read. */
export interface Look {
  /** Seconds left; undefined before one looks, and once it plays. */
  leftS: number | undefined;
  begin: () => void;
}

/** Looks for so many seconds before it is played. */
export function useLook(seconds: number, phase: RoomState['phase']): Look {
  const [leftS, setLeftS] = useState<number>();
  const isLooking = leftS !== undefined && leftS > 0;
  useEffect(() => {
    if (!isLooking) return;
    const timer = setInterval(() => setLeftS((left) => left && left - 1), 1000);
    return () => clearInterval(timer);
  }, [isLooking]);
  // Once it plays, it is read and not looked at any more.
  if (phase === 'playing' && leftS !== undefined) setLeftS(undefined);
  return { leftS, begin: useCallback(() => setLeftS(seconds), [seconds]) };
}
