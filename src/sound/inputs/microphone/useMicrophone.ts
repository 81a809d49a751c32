import { useCallback, useEffect, useMemo, useRef } from 'react';
import type { Take } from '@/core/documents/take';
import type { Ms } from '@/core/time/units';
import { audioOutput } from '../../output';
import type { VoiceName } from '../../voiceNames';
import { inputSettings } from '../ears';
import type { Strike } from '../input';
import type { Clicks, RecordedTake } from './listen.worker';
import type { Microphone } from './microphone';

/** A microphone that was told of more than this was left out by the audio thread is said to have skipped. */
export const SKIPPED_MS: Ms = 40;

/** What sounds while the microphone listens. Times are on the audio clock. */
export interface Sounding {
  firstBarMs: Ms;
  /** Each voice, and when it was sent. */
  sent: () => ReadonlyMap<VoiceName, readonly Ms[]>;
  /** What is written, where it is to be listened for. */
  unheard?: Take;
}

/** What listens is brought when it is wanted: most play by keys, and a room has to stand soon. */
const brought = () =>
  Promise.all([import('./microphone'), import('@/core/hearing/take/limbForSurface'), import('../../speech')] as const);

/** A page's microphone: opened when something begins that it is to hear, let go when the page is left. */
export function useMicrophone(onStrike: (strike: Strike, delayMs: Ms) => void, onLost: () => void) {
  const microphone = useRef<Microphone>(undefined);
  const opening = useRef<Promise<Microphone>>(undefined);
  const isLeft = useRef(false);
  const latest = useRef({ onStrike, onLost });
  useEffect(() => {
    latest.current = { onStrike, onLost };
  });
  const close = useCallback(() => {
    microphone.current?.close();
    microphone.current = undefined;
  }, []);
  useEffect(() => {
    isLeft.current = false;
    return () => {
      isLeft.current = true;
      close();
    };
  }, [close]);

  /** Opens the one that was chosen on this device. Throws with words for the person. */
  const open = useCallback(async () => {
    const [{ Microphone: One }] = await brought();
    if (microphone.current) return;
    // Asked for twice at once it is opened once.
    opening.current ??= One.open(inputSettings().microphone?.deviceId).finally(() => (opening.current = undefined));
    const opened = await opening.current;
    if (isLeft.current) opened.close();
    else microphone.current = opened;
  }, []);

  /** Listens from now on: to strokes of whoever plays a groove, or to nothing that is written. */
  const begin = useCallback(
    async (take?: Pick<Take, 'task' | 'groove'>, sounding?: Sounding) => {
      const fromMs = microphone.current!.nowMs;
      const [, { dueIn, loudnessOf, limbForSurface }] = await brought();
      const { kit } = inputSettings().microphone ?? {};
      const delayMs = delayOf(microphone.current!);
      const [who, loudness] = [take ? limbForSurface(take, kit) : () => undefined, loudnessOf([], kit)];
      const first = sounding ? sounding.firstBarMs + delayMs : 0;
      await microphone.current!.begin({
        fromMs,
        isEndless: !sounding,
        ...(kit && { kit }),
        ...(sounding?.unheard && {
          expected: dueIn(sounding.unheard, kit).map((one) => ({ ...one, ms: one.ms + first })),
        }),
        ...(sounding && { clicks: await clicksOf(sounding) }),
        onStroke: (stroke) => {
          const limb = who(stroke.surface);
          latest.current.onStrike(
            {
              input: 'microphone',
              ...(stroke.surface && { surface: stroke.surface }),
              ...(limb && { limb }),
              at: { audioMs: stroke.audioMs },
              ...(kit && { loudness: loudness(stroke) }),
            },
            delayMs,
          );
        },
        onLost: () => {
          close();
          latest.current.onLost();
        },
      });
    },
    [close],
  );

  /** What was recorded of a performance that has ended, heard as a whole. */
  const hear = useCallback(
    async (
      sounding: Sounding & { unheard: Take },
      onShare: (share: number) => void,
    ): Promise<RecordedTake | undefined> => {
      const one = microphone.current;
      if (!one) return undefined;
      const { kit } = inputSettings().microphone ?? {};
      return one.hear(
        sounding.unheard,
        {
          firstBarMs: sounding.firstBarMs,
          ...(kit && { kit }),
          clicks: await clicksOf(sounding),
          delayMs: delayOf(one),
        },
        onShare,
      );
    },
    [],
  );
  return useMemo(() => ({ open, begin, hear }), [open, begin, hear]);
}

/** What this microphone adds: as it was measured here, else as the browser says. */
const delayOf = (microphone: Microphone): Ms => inputSettings().delays.microphone?.ms ?? microphone.saidDelayMs;

/** What a microphone hears of what sounds: nothing with headphones. */
async function clicksOf(sounding: Sounding): Promise<Clicks> {
  if (inputSettings().microphone?.click === 'headphones') return [];
  const sent = sounding.sent();
  const { sampleRate } = await audioOutput();
  const [, , { sampled }] = await brought();
  const samples = await sampled(sent.keys(), sampleRate);
  return [...sent].flatMap(([voice, atMs]) => {
    const one = samples.get(voice);
    // A word sounds from before its place on: what leads up to its onset.
    return one ? [{ samples: one.samples, atMs: atMs.map((ms) => ms - (1000 * one.lead) / sampleRate) }] : [];
  });
}
