import { DYNAMICS, type Dynamic, type Marks } from '../../documents/chart';

/** How loud it is where nothing is said yet. */
export const USUAL_LOUDNESS: Dynamic = 'mf';

/** Whether a swell from one loudness to another opens, as one that stays does, or closes. */
export const opens = (from: Dynamic, to: Dynamic): boolean => DYNAMICS.indexOf(to) >= DYNAMICS.indexOf(from);

/** How loud it is once what stands over a bar has been followed to its end. */
export const loudnessAfter = (before: Dynamic, { dynamic, swell }: Pick<Marks, 'dynamic' | 'swell'>): Dynamic =>
  swell?.to ?? dynamic ?? before;
