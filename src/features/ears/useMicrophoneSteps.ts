import { useCallback, useEffect, useRef, useState } from 'react';
import type { Delay, MicrophoneEars } from '@/core/documents/ears';
import type { Surface } from '@/core/groove/limbs';
import type { Ms } from '@/core/time/units';
import type { Strike } from '@/sound/inputs/input';
import { Microphone } from '@/sound/inputs/microphone/microphone';
import { Player } from '@/sound/player';
import { END_MS, playClicks } from './clicks';

/** Each surface is struck so often, soft and loud. */
export const STRIKES = 6;
/** The last stroke's sound is waited for. */
const RINGS: Ms = 1200;
/** The last click comes back so much later at most. */
const CAME_BACK: Ms = 700;
/** What the meter shows falls by so much with each reading: a stroke is over before it can be read. */
const FALLS = 0.92;

const NARROW =
  'This microphone hears no more than a telephone, as headsets by radio do. Hats and ghosts are out of its reach: choose the one of the device.';

type Recording = { surface: Surface; samples: Float32Array };

/** Where getting heard by a microphone stands. */
export type MicrophoneStep =
  | { kind: 'closed' }
  | { kind: 'open' }
  | { kind: 'strike'; surface: Surface; struck: number; number: number; of: number }
  | { kind: 'learning' }
  | { kind: 'clicks' };

export interface Microphones {
  id: string;
  name: string;
}

/** Opens a microphone, has every surface struck, learns what each sounds like, and measures how late it hears. */
export function useMicrophoneSteps(
  onStroke: (strike: Strike) => void,
  onLearnt: (learnt: Pick<MicrophoneEars, 'kit' | 'told' | 'deviceName'> & { deviceId?: string }) => void,
) {
  const [step, setStep] = useState<MicrophoneStep>({ kind: 'closed' });
  const [say, setSay] = useState<string>();
  const [level, setLevel] = useState(0);
  const [all, setAll] = useState<Microphones[]>([]);
  const microphone = useRef<Microphone>(undefined);
  const player = useRef<Player>(undefined);
  const latest = useRef({ onStroke, onLearnt });
  useEffect(() => {
    latest.current = { onStroke, onLearnt };
  });
  const close = useCallback(() => {
    microphone.current?.close();
    microphone.current = undefined;
    player.current?.close();
    player.current = undefined;
    setStep({ kind: 'closed' });
    setLevel(0);
  }, []);
  useEffect(
    () => () => {
      microphone.current?.close();
      player.current?.close();
    },
    [],
  );

  /** Listens without recording anything that is kept; each stroke is passed on. */
  const listen = useCallback(
    async (onEach: (strike: Strike) => void = () => {}, isKept = false) => {
      await microphone.current!.begin({
        isEndless: !isKept,
        onStroke: ({ audioMs }) => onEach({ input: 'microphone', at: { audioMs } }),
        onLevel: (peak) => setLevel((before) => Math.max(peak, FALLS * before)),
        onLost: () => {
          close();
          setSay('The microphone was unplugged or taken away. Connect it and open it again.');
        },
      });
    },
    [close],
  );

  const open = useCallback(
    async (deviceId?: string) => {
      setSay(undefined);
      try {
        microphone.current?.close();
        microphone.current = await Microphone.open(deviceId);
        await listen();
        if (microphone.current.isNarrow) setSay(NARROW);
        const devices = await navigator.mediaDevices.enumerateDevices();
        setAll(
          devices
            .filter(({ kind, deviceId: id }) => kind === 'audioinput' && id)
            .map(({ deviceId: id, label }) => ({ id, name: label || 'microphone' })),
        );
        setStep({ kind: 'open' });
      } catch (error) {
        close();
        setSay((error as Error).message);
      }
    },
    [listen, close],
  );

  /** Has each surface struck in turn, then learns. */
  const strikeAll = useCallback(
    async (surfaces: readonly Surface[]) => {
      const one = microphone.current!;
      const recordings: Recording[] = [];
      for (const [index, surface] of surfaces.entries()) {
        const of = surfaces.length;
        setStep({ kind: 'strike', surface, struck: 0, number: index + 1, of });
        await new Promise<void>((done) => {
          let struck = 0;
          void listen(() => {
            // What comes late, while it learns, is none of the six.
            if (struck === STRIKES) return;
            struck++;
            setStep({ kind: 'strike', surface, struck, number: index + 1, of });
            if (struck === STRIKES) setTimeout(done, RINGS);
          }, true);
        });
        if (microphone.current !== one) return;
        recordings.push({ surface, samples: await one.recorded() });
      }
      setStep({ kind: 'learning' });
      try {
        const { kit, told } = await one.learn(recordings);
        const { deviceId, name } = one;
        latest.current.onLearnt({ kit, told, deviceName: name.slice(0, 200), ...(deviceId && { deviceId }) });
        await listen();
        setStep({ kind: 'open' });
      } catch {
        setStep({ kind: 'open' });
        setSay('What was struck could not be learnt. Strike each surface six times, a second apart, and nothing else.');
      }
    },
    [listen],
  );

  /** Plays clicks and hears them come back from the loudspeaker; undefined where they do not. */
  const hearClicks = useCallback(async (): Promise<Delay | undefined> => {
    setSay(undefined);
    setStep({ kind: 'clicks' });
    try {
      player.current ??= await Player.open();
      await listen();
      const clicks = await playClicks(player.current);
      await new Promise((done) => setTimeout(done, END_MS + CAME_BACK - player.current!.heardMs()));
      return await microphone.current?.clickDelay(clicks);
    } catch (error) {
      setSay((error as Error).message);
      return undefined;
    } finally {
      player.current?.stop();
      setStep(microphone.current ? { kind: 'open' } : { kind: 'closed' });
    }
  }, [listen]);

  /** From now on every stroke is passed on: for playing along. */
  const listenOn = useCallback(() => listen((strike) => latest.current.onStroke(strike)), [listen]);
  return { step, say, setSay, level, all, open, close, strikeAll, hearClicks, listenOn };
}
