import { useCallback, useEffect, useRef, useState } from 'react';
import type { Schedule } from '@/core/schedule/timed';
import { Player } from '@/sound/player';
import { voiceOf } from '@/sound/voiceNames';

/** Plays one thing at a time; `share` of it is heard while it plays. */
export function useEar() {
  const player = useRef<Player>(undefined);
  const [now, setNow] = useState<{ timed: Schedule }>();
  const [say, setSay] = useState<string>();
  const stop = useCallback(() => {
    player.current?.stop();
    setNow(undefined);
  }, []);
  const hear = useCallback(async (timed: Schedule) => {
    try {
      player.current ??= await Player.open();
      player.current.stop();
      await player.current.start(
        timed.sounds.map((sound) => ({ ms: sound.ms, voice: voiceOf(sound) })),
        timed.startMs,
      );
      setSay(undefined);
      setNow({ timed });
    } catch (error) {
      setSay((error as Error).message);
    }
  }, []);
  useEffect(() => {
    if (!now) return;
    const timer = setInterval(() => {
      player.current!.tick();
      if (player.current!.heardMs() > now.timed.endMs) stop();
    }, 200);
    return () => clearInterval(timer);
  }, [now, stop]);
  useEffect(() => () => void player.current?.close(), []);
  return { isPlaying: now !== undefined, hear, stop, say };
}
