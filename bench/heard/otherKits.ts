/** Kits to measure on, of another make than those that were learnt from: the product's own voices, each kit retuned. */
import type { Height, Surface } from '../../src/core/groove/limbs';
import { RATE } from '../../src/core/hearing/dsp/bands';
import { normal, randomFrom, seedOf } from '../../src/core/random';
import { KIT_SURFACES, type MadeKit } from '../../src/core/simulate/drumSounds';
import { renderVoice } from '../../src/sound/voices';

/** What is loud beside what, near a microphone in front of a kit. */
const UNDER_DB: Partial<Record<Surface, number>> = { 'hat pedal': -6, ride: -2, 'closed hat': -1 };

/** A kit from a seed, with `surfaces` of its own. */
export function otherKit(seed: number, surfaces: Surface[] = KIT_SURFACES): MadeKit {
  const random = randomFrom(seedOf(`kit ${seed}`));
  const tuned = new Map(
    surfaces.map((surface) => {
      const voices = (['ghost', 'tap', 'accent'] as Height[]).map((height) =>
        renderVoice(`${surface}/${height}`, RATE),
      );
      return [
        surface,
        {
          voices,
          pitch: 0.85 + 0.35 * random(),
          damp: 4 * random(),
          db: 2 * normal(random) + (UNDER_DB[surface] ?? 0),
        },
      ];
    }),
  );
  return {
    name: `voices ${seed}`,
    surfaces,
    strike(surface, { db, bright }, each) {
      const { voices, pitch, damp, db: own } = tuned.get(surface)!;
      const height = bright > 0.85 ? 2 : Number(bright > 0.5);
      const voice = voices[height]!;
      const peak = voice.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
      const gain = (0.55 * 10 ** ((db + own) / 20)) / peak;
      const speed = pitch * (1 + 0.006 * normal(each));
      const fall = damp + 1.5 * Math.abs(normal(each));
      // Where the stick lands changes how much of the highest is heard.
      const dull = Math.min(1, 0.75 + 0.15 * normal(each) + 0.1);
      const out = new Float32Array(Math.floor((voice.length - 2) / speed));
      let held = 0;
      for (let index = 0; index < out.length; index++) {
        const at = index * speed;
        const whole = Math.floor(at);
        const value = voice[whole]! + (at - whole) * (voice[whole + 1]! - voice[whole]!);
        held += Math.max(0.4, dull) * (value - held);
        out[index] = gain * Math.exp((-fall * index) / RATE) * held;
      }
      return out;
    },
  };
}
