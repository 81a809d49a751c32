import { useCallback, useMemo, useRef, useState } from 'react';
import { formOf } from '@/core/form/form';
import type { Limb } from '@/core/groove/limbs';
import { isOrnamented, startWaiting, strikeWaiting, type Waiting } from '@/core/practice/waiting';
import { CLICK_PLANS } from '@/core/time/clickPlan';
import type { Piece } from './piece';

export interface WaitForMe {
  /** Undefined while it is not going on. */
  now?: Waiting;
  start: () => void;
  stop: () => void;
  strike: (limb: Limb) => void;
}

/** The strip waits at each slot until the right limbs have struck. */
export function useWaiting({ groove, passages }: Piece, task: readonly Limb[]): WaitForMe {
  const [now, setNow] = useState<Waiting>();
  // Two strokes may come within one frame, so the next begins from what the last came to and not from what is drawn.
  const latest = useRef<Waiting>(undefined);
  const set = useCallback((next: Waiting | undefined) => {
    latest.current = next;
    setNow(next);
  }, []);
  const start = useCallback(() => {
    const form = formOf({ groove, passages, rounds: 1, bpm: groove.tempo, click: CLICK_PLANS.silent, countIn: 0 });
    set(startWaiting(form, task));
  }, [groove, passages, task, set]);
  const stop = useCallback(() => set(undefined), [set]);
  const strike = useCallback(
    (limb: Limb) => {
      const before = latest.current;
      if (before) set(strikeWaiting(before, limb, isOrnamented(groove, before.steps[before.step]!)));
    },
    [groove, set],
  );
  return useMemo(() => ({ now, start, stop, strike }), [now, start, stop, strike]);
}
