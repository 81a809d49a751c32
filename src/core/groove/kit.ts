import type { Groove } from './groove';
import { LIMBS, limbFor, type Limb, type Setup } from './limbs';

/** The groove turned round for a player's kit. Turning twice is the groove again. */
export function turnFor(groove: Groove, setup: Setup): Groove {
  if (setup === 'crossed') return groove;
  const turned = <T>(byLimb: Partial<Record<Limb, T>>) =>
    Object.fromEntries(Object.entries(byLimb).map(([limb, value]) => [limbFor(limb as Limb, setup), value]));
  return {
    ...groove,
    ...(groove.lean && { lean: turned(groove.lean) }),
    ...(groove.technique && { technique: turned(groove.technique) }),
    bars: groove.bars.map((bar) => ({
      ...bar,
      strokes: bar.strokes.map((stroke) => ({ ...stroke, limb: limbFor(stroke.limb, setup) })),
    })),
  };
}

/** The limbs that play in a groove, in lane order. */
export function limbsIn(groove: Groove): Limb[] {
  const playing = new Set(groove.bars.flatMap((bar) => bar.strokes.map((stroke) => stroke.limb)));
  return LIMBS.filter((limb) => playing.has(limb));
}
