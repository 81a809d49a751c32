'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { Exercise } from '@/core/drill/drill';
import { formOf } from '@/core/form/form';
import { schedule } from '@/core/schedule/schedule';
import { CLICK_PLANS } from '@/core/time/clickPlan';
import { Player } from '@/sound/player';
import { voiceOf } from '@/sound/voiceNames';

/** How often an exercise goes round before it ends by itself. */
const ROUNDS = 4;

/** One exercise at a time is heard, with a click on the counts and a bar counted in. */
export function useHearExercise() {
  const player = useRef<Player>(undefined);
  const [heard, setHeard] = useState<{ index: number; endMs: number }>();
  const [say, setSay] = useState<string>();
  const stop = useCallback(() => {
    player.current?.stop();
    setHeard(undefined);
  }, []);
  const hear = useCallback(async ({ index, groove }: Exercise) => {
    try {
      player.current ??= await Player.open();
      player.current.stop();
      const timed = schedule(
        formOf({ groove, bpm: groove.tempo, click: CLICK_PLANS.counts, countIn: 1, rounds: ROUNDS }),
      );
      await player.current.start(
        timed.sounds.map((sound) => ({ ms: sound.ms, voice: voiceOf(sound) })),
        timed.startMs,
      );
      setSay(undefined);
      setHeard({ index, endMs: timed.endMs });
    } catch (error) {
      setSay((error as Error).message);
    }
  }, []);
  useEffect(() => {
    if (!heard) return;
    const timer = setInterval(() => {
      player.current!.tick();
      if (player.current!.heardMs() > heard.endMs) stop();
    }, 250);
    return () => clearInterval(timer);
  }, [heard, stop]);
  useEffect(() => () => void player.current?.close(), []);
  return { heard: heard?.index, say, hear, stop };
}
