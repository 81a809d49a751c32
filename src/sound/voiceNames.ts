import type { Height, Surface } from '../core/groove/limbs';
import type { ClickVoice } from '../core/schedule/clicks';
import type { TimedSound } from '../core/schedule/timed';

/** A sound we make: a surface at a height, pressed into a buzz if so, one of the three clicks, a triplet layer. */
export type MadeVoice =
  `${Surface}/${Height}` | `${Surface}/${Height}/buzz` | `click/${ClickVoice}` | `layer/${number}`;
/** Or a word of the spoken count, which is recorded (see `speech`). */
export type VoiceName = MadeVoice | `say/${string}`;

export const isSpoken = (voice: VoiceName): voice is `say/${string}` => voice.startsWith('say/');

export function voiceOf(sound: TimedSound): VoiceName {
  if (sound.kind === 'click') return `click/${sound.voice}`;
  if (sound.kind === 'word') return `say/${sound.say}`;
  if (sound.kind === 'layer') return `layer/${sound.layer}`;
  return sound.ornament === 'buzz' ? `${sound.surface}/${sound.height}/buzz` : `${sound.surface}/${sound.height}`;
}
