import type { Stroke } from '../groove/groove';
import type { Height, Limb, Ornament, Surface } from '../groove/limbs';
import type { NoteValue } from '../time/noteValue';
import type { Places } from './phrase';
import type { Token } from './words';

/**
 * What plays: limbs, a surface, or the limb that usually plays the surface. `any` takes every kind of hat for a hat.
 */
export interface Subject {
  limbs?: readonly Limb[];
  surface?: Surface;
  any?: boolean;
}

/** Every stroke there is. */
export const EVERYTHING: Subject = {};

/** What is said of places beside where they are. */
export interface Manner {
  height?: Height;
  ornament?: Ornament;
  plain?: boolean;
  louder?: 1 | -1;
}

/** One thing that is said of a part of a phrase: what plays where, and how. */
export interface Saying extends Manner {
  subjects?: Subject[];
  places?: Places;
  bars?: number[];
  hands?: readonly Limb[];
  accents?: readonly boolean[];
  instead?: Subject;
  /** Taken away: "kick off 3". */
  away?: boolean;
}

/** "a 16th later": by how much, and what. */
export interface Shift {
  by: 1 | -1;
  many: number;
  /** A count where no note value was said. */
  value?: NoteValue;
  subjects: Subject[];
  /** Only what stands there; all of it where none are said. */
  places?: Places;
  bars?: number[];
  token: Token;
}

/** Whether a stroke is of what was named; a hat is one open or closed, unless it was said which. */
export function matches({ limbs, surface, any }: Subject, stroke: Stroke): boolean {
  if (limbs && !limbs.includes(stroke.limb)) return false;
  if (!surface || stroke.surface === surface) return true;
  return any === true && stroke.surface === 'open hat';
}

/** Only what was said of the manner. */
export const mannerOf = ({ height, ornament, plain, louder }: Manner): Manner => ({
  ...(height && { height }),
  ...(ornament && { ornament }),
  ...(plain && { plain }),
  ...(louder && { louder }),
});

/** Whether anything was said of how. */
export const isManner = (said: Manner): boolean => Object.keys(mannerOf(said)).length > 0;
