'use client';

import { proxy, transfer, wrap, type Remote } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Take } from '@/core/documents/take';
import type { Expected } from '@/core/hearing/look';
import { sentence } from '@/core/result';
import { decoded } from '@/sound/decoding';
import type { Heard, HeardAgain, HearWorker } from './hear.worker';

/** Where hearing stands: nothing yet, at work (with the share that is done), or what came of it. */
export type Hearing =
  | { kind: 'nothing' }
  | { kind: 'at work'; name: string; share: number }
  | { kind: 'heard'; name: string; heard: Heard }
  | { kind: 'refused'; say: string };

/** Hears recordings in a worker, so that twenty minutes of sound do not stop the page; they can be stopped. */
export function useHearing() {
  const [hearing, setHearing] = useState<Hearing>({ kind: 'nothing' });
  const apart = useRef<{ worker: Worker; remote: Remote<HearWorker> }>(undefined);
  const attempt = useRef(0);
  const close = useCallback(() => {
    attempt.current++;
    apart.current?.worker.terminate();
    apart.current = undefined;
  }, []);
  useEffect(() => close, [close]);

  const work = useCallback(
    async (
      name: string,
      how: (remote: Remote<HearWorker>, onShare: (share: number) => void) => Promise<Heard | string>,
    ) => {
      close();
      const mine = attempt.current;
      const isMine = () => attempt.current === mine;
      setHearing({ kind: 'at work', name, share: 0 });
      const worker = new Worker(new URL('./hear.worker.ts', import.meta.url));
      apart.current = { worker, remote: wrap<HearWorker>(worker) };
      const onShare = proxy((share: number) => {
        if (isMine()) setHearing({ kind: 'at work', name, share });
      });
      try {
        const came = await how(apart.current.remote, onShare);
        if (isMine())
          setHearing(typeof came === 'string' ? { kind: 'refused', say: came } : { kind: 'heard', name, heard: came });
      } catch {
        if (isMine())
          setHearing({
            kind: 'refused',
            say: 'It could not be heard: there may be too little memory. Close other pages, or cut the recording shorter.',
          });
      }
    },
    [close],
  );

  return {
    hearing,
    hearFile: useCallback(
      (file: File) =>
        work(file.name, async (remote, onShare) => {
          const read = await decoded(file);
          if (!read.ok) return sentence(read.problems[0]!);
          const { samples, sampleRate } = read.value;
          return remote.hear(transfer(samples, [samples.buffer]), sampleRate, onShare);
        }),
      [work],
    ),
    hearTake: useCallback(
      (take: Take, name: string, seed: number) => work(name, (remote, onShare) => remote.hearTake(take, seed, onShare)),
      [work],
    ),
    /** The same recording with what is written known; nothing where there is none, or it was stopped meanwhile. */
    hearAgain: useCallback(async (expected: readonly Expected[]): Promise<HeardAgain | undefined> => {
      const mine = attempt.current;
      const again = await apart.current?.remote.hearAgain(expected);
      return attempt.current === mine ? again : undefined;
    }, []),
    stop: useCallback(() => {
      close();
      setHearing({ kind: 'nothing' });
    }, [close]),
  };
}
