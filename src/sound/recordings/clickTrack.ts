import type { Ms } from '../../core/time/units';
import type { MadeVoice } from '../voiceNames';
import { renderVoice } from '../voices';
import { lengthOf, type TakeSound } from './takeSound';

/** A click of a take, in milliseconds from its first bar. */
export interface TimedVoice {
  ms: Ms;
  voice: MadeVoice;
}

/** A take's clicks as long as its sound at a share of its speed: what is played beside it. */
export function clickTrack(
  clicks: readonly TimedVoice[],
  sound: TakeSound,
  speed: number,
  rate: number,
): Float32Array<ArrayBuffer> {
  const track = new Float32Array(Math.max(1, Math.ceil((lengthOf(sound) * rate) / speed / 1000)));
  const voices = new Map<MadeVoice, Float32Array>();
  for (const { ms, voice } of clicks) {
    const samples = voices.get(voice) ?? renderVoice(voice, rate);
    voices.set(voice, samples);
    const at = Math.round(((sound.zeroMs + ms) * rate) / speed / 1000);
    for (let index = Math.max(0, -at); index < samples.length && at + index < track.length; index++)
      track[at + index]! += samples[index]!;
  }
  return track;
}
