import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { formOfTake, type Take } from '../../core/documents/take';
import { outlineOf } from '../../core/hearing/dsp/outline';
import { schedule } from '../../core/schedule/schedule';
import type { Ms } from '../../core/time/units';
import { BackPlayer, type Listened } from './backPlayer';
import type { TakeSound } from './takeSound';

/** How fast a sound can be listened to again. */
const SPEEDS = [1, 0.75, 0.5] as const;

/** Listens to the sound of a take again; nothing while there is none. */
export function useListenBack(take: Take, sound: TakeSound | undefined) {
  const player = useRef<BackPlayer>(undefined);
  const [state, setState] = useState<'silent' | 'getting ready' | 'playing'>('silent');
  const [share, setShare] = useState(0);
  const [say, setSay] = useState<string>();
  const [how, setHow] = useState<Omit<Listened, 'fromMs'>>({ speed: 1, isClicked: false });
  const latest = useRef(how);

  useEffect(() => {
    if (!sound) return;
    const clicks = schedule(formOfTake(take)).sounds.flatMap((one) =>
      one.kind === 'click' ? [{ ms: one.ms, voice: `click/${one.voice}` as const }] : [],
    );
    player.current = new BackPlayer(sound, clicks, () => setState('silent'));
    return () => {
      player.current?.close();
      player.current = undefined;
    };
  }, [take, sound]);

  const play = useCallback(async (fromMs: Ms) => {
    setSay(undefined);
    setShare(0);
    setState('getting ready');
    try {
      if (await player.current?.play({ ...latest.current, fromMs }, setShare)) setState('playing');
    } catch (error) {
      setState('silent');
      setSay((error as Error).message);
    }
  }, []);
  const stop = useCallback(() => {
    player.current?.stop();
    setState('silent');
  }, []);
  /** Changes how it is listened to; what plays goes on from where it is. */
  const set = useCallback(
    (change: Partial<Omit<Listened, 'fromMs'>>) => {
      latest.current = { ...latest.current, ...change };
      setHow(latest.current);
      const at = player.current?.heardMs;
      if (Object.keys(change).join() === 'isClicked') player.current?.setClick(Boolean(change.isClicked));
      else if (at !== undefined) {
        const { loop } = latest.current;
        const isInside = !loop || (at >= loop.fromMs && at < loop.toMs);
        void play(isInside ? at : loop.fromMs);
      }
    },
    [play],
  );
  const heardMs = useCallback(() => player.current?.heardMs, []);
  const outline = useMemo(() => sound && outlineOf(new Float32Array(sound.samples), sound.sampleRate), [sound]);
  return useMemo(
    () =>
      sound &&
      outline && { outline, zeroMs: sound.zeroMs, state, share, say, ...how, speeds: SPEEDS, play, stop, set, heardMs },
    [sound, outline, state, share, say, how, play, stop, set, heardMs],
  );
}
