import charts from '../vectors/charts.json';
import clicks from '../vectors/clicks.json';
import counts from '../vectors/counts.json';
import displacements from '../vectors/displacements.json';
import modulations from '../vectors/modulations.json';
import motions from '../vectors/motions.json';
import positionErrors from '../vectors/positionErrors.json';
import positions from '../vectors/positions.json';
import pages from '../vectors/pages.json';
import phrases from '../vectors/phrases.json';
import rerates from '../vectors/rerates.json';
import swing from '../vectors/swing.json';
import takes from '../vectors/takes.json';
import values from '../vectors/values.json';
import cycles from '../vectors/cycles.json';

const VECTORS = {
  charts,
  clicks,
  counts,
  cycles,
  displacements,
  modulations,
  motions,
  positionErrors,
  positions,
  pages,
  phrases,
  rerates,
  swing,
  takes,
  values,
};

/** Exact answers worked out by a program that shares no code with this one, as the cases of a test. */
export const cases = <T>(name: keyof typeof VECTORS): T[] => VECTORS[name].cases as unknown as T[];
