/** Recordings into which a click comes back from a loudspeaker, later and changed. */
import { RATE } from '../../src/core/hearing/dsp/bands';
import type { WrittenStroke } from '../../src/core/testing/recordedTakes';
import { recordedTake } from '../../src/core/testing/recordedTakes';
import { renderVoice } from '../../src/sound/voices';
import { firstBands, measuring, recordedGroove } from './corpus';

/** Counted in for so long before the first stroke. */
const COUNT_IN_MS = 4000;
const LEAD_MS = 500;

/** A groove to a click `bleedDb` under an accent; loudspeaker and clock differ from one seed to the next. */
export function withClick(seed: number, bleedDb: number, groove: readonly WrittenStroke[]) {
  const setting = measuring(seed, [40, 25][seed % 2]!);
  const written = groove.map((stroke) => ({
    ...stroke,
    ms: stroke.ms + COUNT_IN_MS,
    ...(stroke.playedMs !== undefined && { playedMs: stroke.playedMs + COUNT_IN_MS }),
  }));
  const voices = [renderVoice('click/one', RATE), renderVoice('click/count', RATE)];
  const step = 400 + ((37 * seed) % 300);
  const [delayMs, apart] = [20 + ((23 * seed) % 240), ((seed % 9) - 4) * 40e-6];
  const endMs = Math.max(...written.map(({ ms }) => ms));
  const sent = Array.from({ length: Math.floor(endMs / step) }, (_, index) => ({
    voice: index % 4 ? 1 : 0,
    ms: index * step + LEAD_MS,
  }));
  const loudspeaker = new Float32Array(Math.ceil(((endMs + 2000) / 1000) * RATE));
  const echoSample = sent.map(({ ms }) => (ms + delayMs) * (1 + apart));
  let held = 0;
  for (const [index, { voice }] of sent.entries()) {
    const at = (echoSample[index]! * RATE) / 1000;
    const [whole, part] = [Math.floor(at), at % 1];
    voices[voice]!.forEach((value, each) => {
      loudspeaker[whole + each]! += (1 - part) * value;
      loudspeaker[whole + each + 1]! += part * value;
    });
  }
  // A small loudspeaker has neither the lowest nor the highest.
  const gain = 0.5 * 10 ** (-bleedDb / 20);
  for (let index = 0; index < loudspeaker.length; index++) {
    held += 0.5 * (loudspeaker[index]! - held);
    loudspeaker[index] = gain * held;
  }
  const take = recordedTake(written, { ...setting, loudspeaker }, firstBands);
  return {
    take: { ...take, calibration: recordedGroove(setting, seed, 1).calibration },
    clicks: voices.map((samples, voice) => ({
      samples,
      atMs: sent.filter((one) => one.voice === voice).map(({ ms }) => ms),
    })),
    echoSample,
  };
}
