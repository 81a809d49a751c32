import type { Groove } from './groove';
import { LIMBS, limbFor, USUAL_SURFACES, usualLimb, type Limb, type Setup, type Surface } from './limbs';

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

/**
 * Which limb struck a surface, where only that is known: the one that plays it in the groove, nobody can say which
 * where several do, and the one that usually does where none does.
 */
export function limbsBySurface(groove: Groove): (surface: Surface) => Limb | undefined {
  const players = new Map<Surface, Set<Limb>>();
  for (const { strokes } of groove.bars)
    for (const { surface, limb } of strokes) players.set(surface, (players.get(surface) ?? new Set()).add(limb));
  return (surface) => {
    const limbs = players.get(surface);
    if (!limbs) return usualLimb(surface);
    return limbs.size === 1 ? [...limbs][0] : undefined;
  };
}

/** What a limb plays most in a groove, or its place at the kit when it plays nothing yet. */
export function usualSurface(groove: Groove, limb: Limb): Surface {
  const counts = new Map<Surface, number>();
  for (const bar of groove.bars)
    for (const stroke of bar.strokes)
      if (stroke.limb === limb) counts.set(stroke.surface, (counts.get(stroke.surface) ?? 0) + 1);
  return (
    [...counts].reduce<[Surface, number] | undefined>(
      (most, each) => (most && most[1] >= each[1] ? most : each),
      undefined,
    )?.[0] ?? USUAL_SURFACES[limb]
  );
}
