import type { Bpm } from '../time/units';

/** A step of a path: something to be played at a tempo, passed by so many clean takes. */
export interface PathStep {
  grooveId: string;
  goal: Bpm;
  passTakes: number;
}

/** A take of a groove that counts, clean. */
export interface CleanTake {
  grooveId: string;
  bpm: Bpm;
}

/** Where somebody stands on a path. */
export interface PathStanding {
  /** Clean takes at the goal of each step, no more than it asks. */
  clean: readonly number[];
  /** The step one stands on, by index: the first that is not passed. The number of steps where the end is reached. */
  at: number;
}

/** Where the takes put somebody on a path: steps are passed in any order, one stands on the first that is not. */
export function standingOn(steps: readonly PathStep[], takes: readonly CleanTake[]): PathStanding {
  const clean = steps.map(({ grooveId, goal, passTakes }) =>
    Math.min(passTakes, takes.filter((one) => one.grooveId === grooveId && one.bpm >= goal - 0.001).length),
  );
  const open = steps.findIndex(({ passTakes }, index) => clean[index]! < passTakes);
  return { clean, at: open < 0 ? steps.length : open };
}
