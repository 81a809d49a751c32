import { WavWriter } from '../core/format/audio/wav';
import type { Ms } from '../core/time/units';
import { Mixer } from './mixer';
import type { Sampled } from './speech';
import { isSpoken, type VoiceName } from './voiceNames';
import { renderVoice } from './voices';

/** Frames worked out at a time; progress is said after each. */
const BLOCK = 32_768;

/** How long the last sound may ring on, in milliseconds. */
const TAIL: Ms = 1500;

/** What is to be rendered: sounds at times of a run that begins at `startMs`. */
export interface Rendering {
  sounds: readonly { ms: Ms; voice: VoiceName; loud?: number }[];
  startMs: Ms;
  endMs: Ms;
  rate: number;
  /** Samples of the voices that are recorded, at this rate. */
  recorded?: ReadonlyMap<VoiceName, Sampled>;
}

/** The frame a moment falls on when `zeroMs` of the same clock is frame 0. The one place a time becomes a frame. */
export const frameAt = (ms: Ms, zeroMs: Ms, rate: number): number => Math.round(((ms - zeroMs) / 1000) * rate);

/** How many frames a rendering has, with the ringing of its last sound. */
export const framesOf = ({ startMs, endMs, rate }: Rendering): number => frameAt(endMs + TAIL, startMs, rate);

/** The samples of a voice that is made, or of one that came with the rendering. */
function samplesOf({ rate, recorded }: Rendering, voice: VoiceName): Sampled {
  return recorded?.get(voice) ?? { samples: isSpoken(voice) ? new Float32Array() : renderVoice(voice, rate), lead: 0 };
}

/** The sound in blocks, mixed by the code that plays it. `voice` gives the samples of a name. */
export function* blocksOf(
  rendering: Rendering,
  voice = (name: VoiceName) => samplesOf(rendering, name),
): Generator<Float32Array> {
  const { sounds, startMs, rate } = rendering;
  const mixer = new Mixer();
  for (const name of new Set(sounds.map((sound) => sound.voice))) {
    const { samples, lead } = voice(name);
    mixer.addVoice(name, samples, lead);
  }
  mixer.cue(sounds.map(({ ms, voice, loud }) => ({ frame: Math.max(0, frameAt(ms, startMs, rate)), voice, loud })));
  const frames = framesOf(rendering);
  for (let frame = 0; frame < frames; frame += BLOCK) {
    const block = new Float32Array(Math.min(BLOCK, frames - frame));
    mixer.render(block, frame);
    yield block;
  }
}

/** The whole as a WAV file. `onShare` hears how much of it is done, 0 to 1. */
export function renderWav(rendering: Rendering, onShare: (share: number) => void = () => {}): ArrayBuffer {
  const writer = new WavWriter(framesOf(rendering), rendering.rate);
  let done = 0;
  for (const block of blocksOf(rendering)) {
    writer.add(block);
    done += block.length;
    onShare(done / writer.frames);
  }
  return writer.bytes;
}
