import type { Limb } from '../groove/limbs';
import { isHand } from '../groove/limbs';
import type { NoteValue } from '../time/noteValue';
import type { Bpm } from '../time/units';
import { usualRule, type Rule } from './drill';
import { between } from './families/between';
import { placement } from './families/placement';
import { rates } from './families/rates';
import { sticking } from './families/sticking';
import type { Family } from './family';

/** What a player is to work on, as the takes find it. All that is left out is no weakness. */
export interface Weakness {
  limb?: Limb;
  /** It is what falls between the counts. */
  offBeats?: boolean;
  /** Two rates between which time slips. */
  switches?: readonly [NoteValue, NoteValue];
  /** Strokes are uneven wherever they fall. */
  uneven?: boolean;
  tempo: Bpm;
}

/** The drill for a weakness: its family and parameters chosen, the most particular thing first. */
export function drillFor({ limb, offBeats, switches, uneven, tempo }: Weakness): Rule {
  const goal = tempo;
  const of = (family: unknown, params: Record<string, unknown>, more = {}) => usualRule(family as Family, { params, goal, ...more });
  if (switches) return of(rates, { from: switches[0], to: switches[1], way: 'to and fro', bars: 2 });
  if (limb && offBeats) return of(between, { limb, where: 'single places' }, { ostinato: ostinatoBeside(limb) });
  if (limb) return of(placement, { limb }, { ostinato: ostinatoBeside(limb) });
  if (offBeats) return of(between, { limb: 'right foot', where: 'every combination' });
  return of(sticking, uneven ? { names: ['singles', 'doubles'] } : {});
}

/** The hand that is not trained keeps the 8ths; under a foot both hands are free for it. */
const ostinatoBeside = (limb: Limb): string => (isHand(limb) && limb === 'right hand' ? 'left hand quarters, kick quarters' : 'hat 8ths');
