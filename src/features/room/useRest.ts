'use client';

import { useEffect, useState } from 'react';
import { NOTHING_PLAYED, withPlaying, wantsRest, type PlayedTime } from './care';

const KEPT = 'mochila sounding';

function read(): PlayedTime {
  try {
    const { ms, until } = JSON.parse(sessionStorage.getItem(KEPT) ?? 'null') as PlayedTime;
    return Number.isFinite(ms) && Number.isFinite(until) ? { ms, until } : NOTHING_PLAYED;
  } catch {
    return NOTHING_PLAYED;
  }
}

/** Whether a pause is to be offered: after 25 minutes of sounding time in this window, over all its grooves. */
export function useRest(playing: boolean): [offered: boolean, rested: () => void] {
  const [offered, setOffered] = useState(false);
  useEffect(() => {
    if (!playing) return;
    const from = Date.now();
    return () => {
      const now = withPlaying(read(), from, Date.now());
      try {
        sessionStorage.setItem(KEPT, JSON.stringify(now));
      } catch {
        // A browser that keeps nothing offers a pause only within one take.
      }
      setOffered(wantsRest(now));
    };
  }, [playing]);
  const rested = () => {
    sessionStorage.removeItem(KEPT);
    setOffered(false);
  };
  return [offered, rested];
}
