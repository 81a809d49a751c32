import { cellsOfDivisions } from '../grid/cells';
import type { Groove } from '../groove/groove';
import { meterOf, oneLine, together } from './arbitrary';

/** A few plain grooves for properties over whole grooves. */
export const STARTERS: Groove[] = [
  together(oneLine('AtAtAtAt'), oneLine('..A...A.', 'left hand'), oneLine('A..tA...', 'right foot')),
  together(oneLine('AttAttAttAtt'), oneLine('...A.....A..', 'left hand')),
  together(
    oneLine('A.t.A.t.A.t.A.t.'),
    oneLine('.g.gA..g.g.gA..g', 'left hand'),
    oneLine('A..t..t..t....t.', 'right foot'),
  ),
  {
    ...oneLine('tttt'),
    bars: [0, 1].map(() => ({
      meter: meterOf('7/8'),
      cells: cellsOfDivisions(meterOf('7/8'), 'numbers', 2),
      strokes: [{ limb: 'right foot', surface: 'kick', at: { n: 3, d: 8 }, height: 'accent' }],
    })),
  },
];
