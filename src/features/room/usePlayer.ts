import { useCallback, useEffect, useRef } from 'react';
import type { Player } from '@/sound/player';

type Sound = typeof import('@/sound/player');
/**
 * The sound is brought while the room stands: at the first touch it is opened in the same breath, as browsers want it.
 */
let brought: Sound | undefined;
const sound = async (): Promise<Sound> => (brought ??= await import('@/sound/player'));

/** What a player tells by itself. */
export interface PlayerEvents {
  onInterrupted: () => void;
  onElsewhere: () => void;
  onDevicesChanged: () => void;
}

/** The room's player: opened when it is wanted, let go when the room is left. */
export function usePlayer(events: PlayerEvents) {
  const player = useRef<Player>(undefined);
  const level = useRef(1);
  const latest = useRef(events);
  useEffect(() => {
    latest.current = events;
  });
  useEffect(() => void sound().catch(() => {}), []);
  useEffect(
    () => () => {
      player.current?.close();
      player.current = undefined;
    },
    [],
  );

  const opened = useCallback(async (): Promise<Player> => {
    if (player.current) return player.current;
    const { Player } = brought ?? (await sound());
    const one = await Player.open();
    one.setLevel(level.current);
    one.onInterrupted(() => latest.current.onInterrupted());
    one.onElsewhere(() => latest.current.onElsewhere());
    one.onDevicesChanged(() => latest.current.onDevicesChanged());
    player.current = one;
    return one;
  }, []);

  /** Does something with the player that is open, or with one opened now; once more with a new one when it is lost. */
  const withPlayer = useCallback(
    async <T>(work: (player: Player) => Promise<T>): Promise<T> => {
      try {
        return await work(await opened());
      } catch (error) {
        if (!brought || !(error instanceof brought.SoundLost)) throw error;
        player.current?.close();
        player.current = undefined;
        return work(await opened());
      }
    },
    [opened],
  );
  /** How loud, 0 to 1. */
  const setLevel = useCallback((wanted: number) => {
    level.current = wanted;
    player.current?.setLevel(wanted);
  }, []);
  return { player, withPlayer, setLevel };
}
