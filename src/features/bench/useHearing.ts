'use client';

import { useCallback, useEffect, useRef, useState, type RefObject } from 'react';
import type { School } from '@/core/counting/schools';
import { Player } from '@/sound/player';
import { voiceOf } from '@/sound/voiceNames';
import { barsDrawn } from '@/ui/strip/drawn';
import type { StripHandle } from '@/ui/strip/Strip';
import { segmentAt, type Loop } from './loop';

type Strips = readonly RefObject<StripHandle | null>[];

export interface Hearing {
  playing: boolean;
  /** What went wrong, for the person. */
  say?: string;
  /** Plays a loop; the playhead moves on the strip of the side that is heard. */
  play: (loop: Loop, strips: Strips) => Promise<void>;
  stop: () => void;
}

/** The bench's ear: one loop at a time, the playhead and the count, which `count` takes, moving with the sound. */
export function useHearing(school: School, count: RefObject<HTMLElement | null>): Hearing {
  const [now, setNow] = useState<{ loop: Loop; strips: Strips }>();
  const [say, setSay] = useState<string>();
  const player = useRef<Player>(undefined);

  const stop = useCallback(() => {
    player.current?.stop();
    setNow(undefined);
  }, []);

  const play = useCallback(async (loop: Loop, strips: Strips) => {
    try {
      player.current ??= await Player.open();
      player.current.stop();
      await player.current.start(
        loop.sounds.map(({ ms, sound }) => ({ ms, voice: voiceOf(sound) })),
        0,
      );
      setSay(undefined);
      setNow({ loop, strips });
    } catch (error) {
      setSay((error as Error).message);
    }
  }, []);

  useEffect(() => {
    if (!now) return;
    const { loop, strips } = now;
    const drawn = loop.sides.map(({ groove, swing }) => barsDrawn(groove, school, undefined, swing));
    const said = count.current;
    let from = 0;
    const frame = () => {
      player.current!.tick();
      const ms = player.current!.heardMs();
      if (ms > loop.endMs) return stop();
      const here = segmentAt(loop, ms, from);
      if (here) {
        from = here.index;
        const { side, bar } = here.segment;
        strips.forEach((strip, index) =>
          strip.current?.playhead(index === Math.min(side, strips.length - 1) ? bar : undefined, here.fraction),
        );
        const slot = drawn[side]![bar]!.slots.findLast(({ percent }) => percent <= here.fraction * 100 + 0.01);
        if (said && said.textContent !== slot?.say) said.textContent = slot?.say ?? '';
      }
      request = requestAnimationFrame(frame);
    };
    let request = requestAnimationFrame(frame);
    return () => {
      cancelAnimationFrame(request);
      for (const strip of strips) strip.current?.playhead(undefined, 0);
      if (said) said.textContent = '';
    };
  }, [now, stop, school, count]);

  useEffect(() => () => void player.current?.close(), []);

  return { playing: Boolean(now), say, play, stop };
}
