import { useEffect, useMemo, useState } from 'react';
import type { Take } from '@/core/documents/take';
import { withHits, withUnheard, type alignToGroove } from '@/core/hearing/take/alignToGroove';
import { hitsOf, limbsHeard } from '@/core/hearing/take/limbForSurface';
import type { Expected } from '@/core/hearing/kit/scoreSurfaces';
import type { TakeSound } from '@/sound/recordings/takeSound';
import type { Heard, HeardAgain } from './hear.worker';
import type { From } from './useHearing';

interface Asked {
  heard: Heard;
  from: From;
  /** What was heard, laid on a groove; undefined where none is chosen. */
  laid?: ReturnType<typeof alignToGroove>;
  hearAgain: (expected: readonly Expected[]) => Promise<HeardAgain | undefined>;
  sound: () => Promise<Pick<TakeSound, 'samples' | 'sampleRate'> | undefined> | undefined;
}

/**
 * What was heard as a take of the groove it was laid on, and its sound; with the groove known it is heard once more.
 */
export function useHeardTake({ heard, from, laid, hearAgain, sound }: Asked) {
  const written = laid?.ok ? laid.value : undefined;
  // It then listens harder where strokes are written: that takes a moment more. A MIDI file says all at once.
  const [again, setAgain] = useState<HeardAgain>();
  const [samples, setSamples] = useState<Pick<TakeSound, 'samples' | 'sampleRate'>>();
  useEffect(() => {
    if (!written) return;
    let isOver = false;
    const come = async () => {
      const came = heard.isTold ? { strokes: heard.strokes } : await hearAgain(written.expected);
      const its = heard.isTold ? undefined : await sound();
      if (isOver) return;
      setAgain(came);
      setSamples(its);
    };
    come().catch(() => {});
    return () => {
      isOver = true;
    };
  }, [written, heard, hearAgain, sound]);
  const take = useMemo((): Take | undefined => {
    if (!written || !again) return undefined;
    const { firstBarMs, expected } = written;
    const taken = again.could ? withUnheard(written.take, expected, again.could, firstBarMs) : written.take;
    const by = from.struckBy === 'kit' && ({ input: 'simulated kit', struckBy: 'kit' } as const);
    if (!heard.kit) return { ...withHits(taken, again.strokes, firstBarMs, heard.isTold), ...by };
    const hears = limbsHeard(taken, heard.kit);
    const hits = hitsOf(again.strokes, taken, heard.kit, firstBarMs);
    return { ...taken, hits, ...(hears.length < taken.task.length && { hears }), ...by };
  }, [written, again, heard, from]);
  const takeSound = useMemo(() => samples && written && { ...samples, zeroMs: written.firstBarMs }, [samples, written]);
  return {
    take,
    strokes: again?.strokes ?? heard.strokes,
    isHearing: written !== undefined && !again,
    sound: takeSound,
  };
}
