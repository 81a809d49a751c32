import { expose, transfer } from 'comlink';
import type { Take } from '@/core/documents/take';
import { transcribeTake } from '@/core/hearing/take/transcribeTake';
import { syntheticKitModel } from '@/core/simulate/syntheticKitModel';
import { LONGEST_KEPT_MS } from '@/core/limits';
import { soundOfTake } from '@/core/simulate/takeAsSound';
import type { RecordedTake } from '../microphone/listen.worker';

const RATE = 48_000;

/**
 * What the simulated kit struck, played as sound in a room and heard by the ear that hears a microphone: the kit is
 * made and struck surface by surface first, as one gets heard. The same seed is the same kit in the same room.
 */
function hear(played: Take, seed: number, onShare: (share: number) => void): Omit<RecordedTake, 'skippedMs'> {
  const { setting, kit } = syntheticKitModel(played.groove, seed, RATE);
  const { samples, firstBarMs } = soundOfTake(played, setting);
  const heard = transcribeTake(
    { ...played, hits: [] },
    { samples, sampleRate: RATE, firstBarMs },
    { kit, delayMs: 0, onShare },
  );
  if ((1000 * samples.length) / RATE > LONGEST_KEPT_MS) return heard;
  return transfer({ ...heard, sound: { samples, sampleRate: RATE, zeroMs: firstBarMs } }, [samples.buffer]);
}

const worker = { hear };
export type KitEarWorker = typeof worker;

expose(worker);
