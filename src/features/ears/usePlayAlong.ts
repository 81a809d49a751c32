import { useCallback, useEffect, useRef, useState } from 'react';
import type { Delay } from '@/core/documents/ears';
import { sentence } from '@/core/result';
import { measureLatency } from '@/core/judging/align/measureLatency';
import type { Ms } from '@/core/time/units';
import type { Strike } from '@/sound/inputs/input';
import { Player } from '@/sound/player';
import { clicksMs, END_MS, playClicks } from './clicks';

/** Strokes may come before the first click. */
const EARLY: Ms = 300;

/** Clicks that somebody plays along to, and what the input adds by it. */
export function usePlayAlong(onMeasured: (delay: Delay) => void) {
  const [playing, setPlaying] = useState<{ struck: number }>();
  const [say, setSay] = useState<string>();
  const player = useRef<Player>(undefined);
  /** What was struck; undefined while nothing is measured. */
  const strokes = useRef<Ms[]>(undefined);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const close = useCallback(() => {
    clearTimeout(timer.current);
    player.current?.close();
    player.current = undefined;
  }, []);
  useEffect(() => close, [close]);

  const strike = useCallback(({ at }: Strike) => {
    const one = player.current;
    if (!one || !strokes.current || 'runMs' in at) return;
    one.tick();
    const ms = 'pageMs' in at ? one.heardMs(at.pageMs) : at.audioMs - one.firstBarMs;
    if (ms < -EARLY) return;
    strokes.current.push(ms);
    setPlaying({ struck: strokes.current.length });
  }, []);

  const start = async () => {
    try {
      player.current ??= await Player.open();
      strokes.current = [];
      setSay(undefined);
      await playClicks(player.current);
      setPlaying({ struck: 0 });
      timer.current = setTimeout(() => {
        setPlaying(undefined);
        player.current?.stop();
        const delay = measureLatency(strokes.current ?? [], clicksMs);
        strokes.current = undefined;
        if (delay.ok) onMeasured(delay.value);
        else setSay(sentence(delay.problems[0]!));
      }, END_MS - player.current.heardMs());
    } catch (error) {
      setSay((error as Error).message);
    }
  };
  return { playing, say, start, strike };
}
