import type { Surface } from '@/core/groove/limbs';

/**
 * Where each surface stands on the five lines, as is usual for a kit: drums with round heads where they
 * hang, metal and wood with crosses. The last part is the engraver's code of the note head.
 */
export const STAVE_PLACE: Record<Surface, string> = {
  crash: 'a/5/x2',
  'closed hat': 'g/5/x2',
  'open hat': 'g/5/x2',
  'hat pedal': 'd/4/x2',
  ride: 'f/5/x2',
  'ride bell': 'f/5/d2',
  snare: 'c/5',
  'cross-stick': 'c/5/x2',
  rim: 'c/5/x3',
  pad: 'c/5',
  clap: 'c/5/t2',
  'high tom': 'e/5',
  'mid tom': 'd/5',
  'floor tom': 'a/4',
  kick: 'f/4',
};
