export const LIMBS = ['right hand', 'left hand', 'right foot', 'left foot'] as const;
export type Limb = (typeof LIMBS)[number];

/** Every surface, with the limb that usually strikes it: a right-handed kit, hands crossed. */
const USUAL_LIMB = {
  snare: 'left hand',
  'closed hat': 'right hand',
  'open hat': 'right hand',
  'hat pedal': 'left foot',
  ride: 'right hand',
  'ride bell': 'right hand',
  crash: 'right hand',
  'high tom': 'right hand',
  'mid tom': 'right hand',
  'floor tom': 'right hand',
  kick: 'right foot',
  'cross-stick': 'left hand',
  rim: 'left hand',
  pad: 'right hand',
  clap: 'right hand',
} as const satisfies Record<string, Limb>;
export type Surface = keyof typeof USUAL_LIMB;
export const SURFACES = Object.keys(USUAL_LIMB) as [Surface, ...Surface[]];

/** Which limb plays a surface when only the surface is named. */
export const usualLimb = (surface: Surface): Limb => USUAL_LIMB[surface];

/** What a limb plays when nothing else is said. */
export const USUAL_SURFACES: Record<Limb, Surface> = {
  'right hand': 'closed hat',
  'left hand': 'snare',
  'right foot': 'kick',
  'left foot': 'hat pedal',
};

/** How high the stick starts, which is how loud the stroke is. */
export const HEIGHTS = ['ghost', 'tap', 'accent'] as const;
export type Height = (typeof HEIGHTS)[number];

/** flam: one grace stroke by the other hand; drag: two; double: two strokes of one motion; buzz: a pressed roll. */
export const ORNAMENTS = ['flam', 'drag', 'double', 'buzz'] as const;
export type Ornament = (typeof ORNAMENTS)[number];

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
