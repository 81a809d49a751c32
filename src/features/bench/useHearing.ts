'use client';

import { useCallback, useEffect, useRef, useState, type RefObject } from 'react';
import { beatOf } from '@/core/groove/beat';
import type { Groove } from '@/core/groove/document';
import { schedule, type Schedule } from '@/core/schedule';
import { steady } from '@/core/time/tempoMap';
import { Player } from '@/sound/player';
import { voiceOf } from '@/sound/voices';
import type { StripHandle } from '@/ui/strip/Strip';

/** About how long a hearing goes round before it ends by itself, in milliseconds. */
const LOOP_MS = 120_000;

/** Plays the groove round and round with a click on the counts, the playhead moving with the sound. */
export function useHearing(groove: Groove, strip: RefObject<StripHandle | null>) {
  const [playing, setPlaying] = useState<Schedule>();
  const [say, setSay] = useState<string>();
  const player = useRef<Player>(undefined);

  const stop = useCallback(() => {
    player.current?.stop();
    strip.current?.playhead(undefined, 0);
    setPlaying(undefined);
  }, [strip]);

  const toggle = useCallback(async () => {
    if (playing) return stop();
    try {
      player.current ??= await Player.open();
      const run = { groove, tempo: steady(groove.tempo, beatOf(groove)), click: { kind: 'every', counts: '1', from: '0' } as const, countIn: 0 };
      const one = schedule({ ...run, rounds: 1 });
      const timed = schedule({ ...run, rounds: Math.max(1, Math.min(64, Math.round(LOOP_MS / one.endMs))) });
      await player.current.start(
        timed.sounds.map((sound) => ({ ms: sound.ms, voice: voiceOf(sound) })),
        timed.startMs,
      );
      setSay(undefined);
      setPlaying(timed);
    } catch (error) {
      setSay((error as Error).message);
    }
  }, [playing, stop, groove]);

  useEffect(() => {
    if (!playing) return;
    const frame = () => {
      player.current!.tick();
      const ms = player.current!.heardMs();
      if (ms > playing.endMs) return stop();
      const bar = playing.bars.find((one) => ms < one.endMs)!;
      strip.current?.playhead(ms < 0 ? undefined : bar.bar, (ms - bar.startMs) / (bar.endMs - bar.startMs));
      request = requestAnimationFrame(frame);
    };
    let request = requestAnimationFrame(frame);
    return () => cancelAnimationFrame(request);
  }, [playing, stop, strip]);

  useEffect(() => () => void player.current?.close(), []);

  return { playing: Boolean(playing), say, toggle };
}
