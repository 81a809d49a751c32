import { formOf } from '../form/form';
import type { Groove } from '../groove/groove';
import { LIMBS, type Limb } from '../groove/limbs';
import { schedule } from '../schedule/schedule';
import type { Bpm } from '../time/units';

/**
 * Strokes a second of each limb that plays in a groove at a tempo, to a tenth: how much it is asked of. Graces count
 * too.
 */
export function loadOf(groove: Groove, bpm: Bpm): Partial<Record<Limb, number>> {
  const { sounds, endMs } = schedule(formOf({ groove, bpm, rounds: 1, click: { kind: 'silent' }, countIn: 0 }));
  const strokes = sounds.flatMap((sound) => (sound.kind === 'stroke' ? [sound.limb] : []));
  const load: Partial<Record<Limb, number>> = {};
  for (const limb of LIMBS) {
    const many = strokes.filter((one) => one === limb).length;
    if (many) load[limb] = Math.round((many / (endMs / 1000)) * 10) / 10;
  }
  return load;
}
