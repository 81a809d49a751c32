'use client';

import { proxy, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { School } from '@/core/counting/schools';
import type { Drill } from '@/core/drill/drill';
import type { Rule } from '@/core/documents/rule';
import type { SpeedLimits } from '@/core/limits';
import type { Result } from '@/core/result';
import type { DrillWorker } from './drill.worker';

export interface Making {
  /** The last one that was made; it stays while the next is on its way. */
  made?: Result<Drill>;
  /** How much of the next is done, while it is on its way. */
  share?: number;
  /** The last one that was begun was stopped, so `made` is of a rule before it. */
  stopped: boolean;
  stop: () => void;
}

/** A drill made in a worker whenever its rule changes. */
export function useDrill(rule: Rule, school: School, limits: SpeedLimits): Making {
  const [made, setMade] = useState<Result<Drill>>();
  const [working, setWorking] = useState<{ worker: Worker; share: number }>();
  const [stopped, setStopped] = useState<unknown>();
  useEffect(() => {
    const worker = new Worker(new URL('./drill.worker.ts', import.meta.url));
    // Shares come by a way of their own, and the last of them may come after the drill.
    let isOver = false;
    const onShare = (share: number) => !isOver && setWorking({ worker, share });
    void wrap<DrillWorker>(worker)
      .make(rule, school, limits, proxy(onShare))
      .then((drill) => {
        isOver = true;
        setMade(drill);
        setWorking(undefined);
      });
    return () => {
      isOver = true;
      worker.terminate();
      setWorking(undefined);
    };
  }, [rule, school, limits]);
  const stop = () => {
    working?.worker.terminate();
    setWorking(undefined);
    setStopped(rule);
  };
  return { made, share: working?.share, stopped: stopped === rule, stop };
}
