'use client';

import { useCallback, useRef } from 'react';
import type { Limb } from '@/core/groove/limbs';
import type { Followed } from '../../moment';
import type { RoomSettings } from '../../settings';

/** The next limb of the order that is not in the task yet. */
export const nextLimb = (order: readonly Limb[], task: readonly Limb[]): Limb | undefined =>
  order.find((limb) => !task.includes(limb));

type Follow = (wanted: Followed) => void;

/** Limbs come in one after another: when asked, or after so many clean rounds. */
export function useBuildUp(
  limbs: readonly Limb[],
  { task, heard, buildUp: { order, after } }: Pick<RoomSettings, 'task' | 'heard' | 'buildUp'>,
  set: (change: Partial<RoomSettings>) => void,
) {
  const cleanRounds = useRef(0);
  /** How often the count began anew. */
  const begun = useRef(0);
  const begin = useCallback(() => {
    cleanRounds.current = 0;
    begun.current++;
  }, []);
  /** Brings the next limb into the task, and lets it be heard when anything is. */
  const bringIn = (follow: Follow) => {
    const next = nextLimb(order, task);
    if (!next) return;
    const within = (list: readonly Limb[]) => limbs.filter((limb) => limb === next || list.includes(limb));
    const wanted = { task: within(task), ...(heard.length && { heard: within(heard) }) };
    begin();
    set(wanted);
    follow(wanted);
  };
  const onRound = async (clean: () => Promise<boolean>, follow: Follow) => {
    const before = begun.current;
    const isClean = await clean();
    // A limb may have come in meanwhile: what was judged was played without it.
    if (begun.current !== before) return;
    cleanRounds.current = isClean ? cleanRounds.current + 1 : 0;
    if (after && cleanRounds.current >= after) bringIn(follow);
  };
  return { begin, bringIn, onRound };
}
