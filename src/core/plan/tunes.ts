import type { Bpm } from '../time/units';

/** How the 8ths or 16ths of a tune go. */
export const TUNE_FEELS = ['straight', 'swing', 'shuffle', '16th swing', 'half-time shuffle'] as const;
export type TuneFeel = (typeof TUNE_FEELS)[number];

/** A tune as far as it is asked whether it can be played: its tempo, and the grooves that fit it. */
export interface TuneAsked {
  id: string;
  tempo: Bpm;
  grooveIds: readonly string[];
}

/** Whether a tune can be played by somebody, by the one groove that comes nearest. */
export interface Fit {
  fits: 'now' | 'nearly' | 'not yet';
  grooveId: string;
  /** The quickest clean take of it. */
  reached: Bpm;
}

/** From here on it is nearly there: two rungs of the usual ladder at a middle tempo. */
const NEARLY = 0.9;

/**
 * Whether a tune fits what somebody has reached: its tempo was played clean in one of the grooves that fit it.
 * Nothing where none of them was ever played clean. `reached` has the quickest clean tempo by groove.
 */
export function fitOf({ tempo, grooveIds }: TuneAsked, reached: ReadonlyMap<string, Bpm>): Fit | undefined {
  const played = grooveIds.flatMap((grooveId) => {
    const bpm = reached.get(grooveId);
    return bpm === undefined ? [] : [{ grooveId, reached: bpm }];
  });
  const best = played.toSorted((a, b) => b.reached - a.reached || (a.grooveId < b.grooveId ? -1 : 1))[0];
  if (!best) return undefined;
  return { fits: fitBy(best.reached / tempo), ...best };
}

function fitBy(share: number): Fit['fits'] {
  if (share >= 1) return 'now';
  return share >= NEARLY ? 'nearly' : 'not yet';
}
