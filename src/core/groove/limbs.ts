import type { Groove } from '../documents/groove';

export const LIMBS = ['right hand', 'left hand', 'right foot', 'left foot'] as const;
export type Limb = (typeof LIMBS)[number];

export const SURFACES = [
  'snare',
  'closed hat',
  'open hat',
  'hat pedal',
  'ride',
  'ride bell',
  'crash',
  'high tom',
  'mid tom',
  'floor tom',
  'kick',
  'cross-stick',
  'rim',
  'pad',
  'clap',
] as const;
export type Surface = (typeof SURFACES)[number];

/** How high the stick starts, which is how loud the stroke is. */
export const HEIGHTS = ['ghost', 'tap', 'accent'] as const;
export type Height = (typeof HEIGHTS)[number];

/** flam: one grace stroke by the other hand; drag: two; double: two strokes of one motion; buzz: a pressed roll. */
export const ORNAMENTS = ['flam', 'drag', 'double', 'buzz'] as const;
export type Ornament = (typeof ORNAMENTS)[number];

/** What a limb plays when nothing else is said: a right-handed kit, hands crossed. */
export const DEFAULT_SURFACES: Record<Limb, Surface> = {
  'right hand': 'closed hat',
  'left hand': 'snare',
  'right foot': 'kick',
  'left foot': 'hat pedal',
};

/**
 * How a student sits. `crossed`: right hand over to the hat. `open-handed`: the same kit, the left hand
 * on the hat, so only the hands change places. `left-handed`: the whole kit turned round.
 */
export const SETUPS = ['crossed', 'open-handed', 'left-handed'] as const;
export type Setup = (typeof SETUPS)[number];

const OTHER_SIDE: Record<Limb, Limb> = {
  'right hand': 'left hand',
  'left hand': 'right hand',
  'right foot': 'left foot',
  'left foot': 'right foot',
};

export const otherHand = (limb: Limb): Limb => OTHER_SIDE[limb];
export const isHand = (limb: Limb): boolean => limb === 'right hand' || limb === 'left hand';

/** Which limb of a player plays what the groove, written for a crossed kit, gives to `limb`. */
export function limbFor(limb: Limb, setup: Setup): Limb {
  if (setup === 'left-handed' || (setup === 'open-handed' && isHand(limb))) return OTHER_SIDE[limb];
  return limb;
}

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
