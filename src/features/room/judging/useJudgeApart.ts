import type { Tolerance } from '@/core/judging/types/figures';
import type { Remote } from 'comlink';
import { useCallback, useEffect, useRef } from 'react';
import type { RoundPlayed } from '../played';
import type { JudgeWorker } from './judge.worker';

/**
 * Judges rounds while the take goes on, in a worker: half an hour that is judged on the page would stop its pictures.
 * With `isWanted` the worker is there before the first round is over, so that it needs no network then.
 */
export function useJudgeApart(isWanted: boolean): (round: RoundPlayed, tolerance: Tolerance) => Promise<boolean> {
  const apart = useRef<{ worker: Worker; remote: Promise<Remote<JudgeWorker>> }>(undefined);
  const get = useCallback(() => {
    if (!apart.current) {
      const worker = new Worker(new URL('./judge.worker.ts', import.meta.url));
      apart.current = { worker, remote: import('comlink').then(({ wrap }) => wrap<JudgeWorker>(worker)) };
    }
    return apart.current.remote;
  }, []);
  useEffect(() => {
    if (isWanted) void get();
  }, [isWanted, get]);
  useEffect(
    () => () => {
      apart.current?.worker.terminate();
      apart.current = undefined;
    },
    [],
  );
  return useCallback(async ({ take, window }, tolerance) => (await get()).isClean(take, tolerance, window), [get]);
}
