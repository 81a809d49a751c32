import { useMemo, useState } from 'react';
import type { Judgement } from '@/core/judging/types/judgement';
import type { Ms } from '@/core/time/units';
import { barsPlayed, windowAt, windowOf, type Back } from './back';

/** Which bars of a take's sound are shown; where what is shown goes round, what is shown next does. */
export function useShownBars(judgement: Judgement, { loop, set }: Pick<Back, 'loop' | 'set'>) {
  const bars = useMemo(() => barsPlayed(judgement), [judgement]);
  const [{ first, shown }, setShown] = useState({ first: 0, shown: 2 });
  const window = windowOf(bars, first, shown);
  const show = (at: number, count = shown) => {
    const from = Math.max(0, Math.min(at, bars.length - 1));
    setShown({ first: from, shown: count });
    const { startMs, endMs } = windowOf(bars, from, count);
    if (loop) set({ loop: { fromMs: startMs, toMs: endMs } });
  };
  /** Shows the bars that a moment lies in, where they are not shown already. */
  const reveal = (ms: Ms) => {
    if (ms < window.fromMs || ms >= window.toMs) show(windowAt(bars, ms, shown));
  };
  return { bars, first, shown, window, show, reveal };
}

export type ShownBars = ReturnType<typeof useShownBars>;
