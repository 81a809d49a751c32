import type { Take } from '@/core/documents/take';
import { WavWriter } from '@/core/format/audio/wav';
import { transcribeTake } from '@/core/hearing/take/transcribeTake';
import { syntheticKitModel } from '@/core/simulate/syntheticKitModel';
import type { SoundKind } from '@/core/limits';
import { soundOfTake } from '@/core/simulate/takeAsSound';
import type { Ms } from '@/core/time/units';

/** The rate it is played, heard and kept at. */
const RATE = 48_000;
/** Of its samples every second is kept: half the bytes, and still drums. */
const KEPT_RATE = RATE / 2;

/** A take that was heard, and its sound. */
export interface HeardTake {
  take: Take;
  kind: SoundKind;
  sound: Buffer;
  lengthMs: Ms;
  zeroMs: Ms;
}

/**
 * A take played as sound on a made kit in a made room, and heard again by the same ear as a student's own: what comes
 * out is what was heard, not what was played.
 */
export function heard(played: Take, seed: number): HeardTake {
  const { setting, kit } = syntheticKitModel(played.groove, seed, RATE);
  const { samples, firstBarMs } = soundOfTake(played, setting);
  const empty: Take = { ...played, input: 'microphone', hits: [] };
  const { take } = transcribeTake(empty, { samples, sampleRate: RATE, firstBarMs }, { kit, delayMs: 0 });
  const wav = new WavWriter(samples.length >> 1, KEPT_RATE);
  // The mean of neighbours: what lies above half the rate is little, and this is its filter.
  wav.add(
    Float32Array.from({ length: wav.frames }, (_, frame) => (samples[2 * frame]! + (samples[2 * frame + 1] ?? 0)) / 2),
  );
  return {
    take,
    kind: 'audio/wav',
    sound: Buffer.from(wav.bytes),
    lengthMs: (1000 * samples.length) / RATE,
    zeroMs: firstBarMs,
  };
}
