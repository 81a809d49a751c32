import { cellsOfDivisions } from '../grid/cells';
import type { Groove, Stroke } from '../groove/groove';
import { setOrnament } from '../groove/edit';
import { meterOf, oneLine, together } from './arbitrary';
import { exact, frac } from '../time/fraction';

/** Lines that show what a whole groove seldom does: changes of rate, flams, doubles, accents between ghosts. */

/** Counts of 8ths and of triplets in turn, hands in turn. */
function rates(): Groove {
  const meter = meterOf('4/4');
  const cells = cellsOfDivisions(meter, 'numbers', [2, 3, 2, 3]);
  let hand = 0;
  const strokes = cells.flatMap(({ parts }, count) =>
    Array.from({ length: parts }, (_, part): Stroke => ({
      limb: hand++ % 2 ? 'left hand' : 'right hand',
      surface: 'snare',
      at: frac(count * parts + part, 4 * parts),
      height: part ? 'tap' : 'accent',
    })),
  );
  return { version: 1, title: 'Rates', reading: 'numbers', tempo: 84, bars: [{ meter, cells, strokes }] };
}

const flams = ['0', '1/4', '1/2', '3/4'].reduce(
  (groove, at) => setOrnament(groove, { bar: 0, limb: 'right hand', at: exact(at) }, 'flam'),
  { ...oneLine('t...t...t...t...', 'right hand', 72), title: 'Flams' },
);
const doubles = ['0', '1/4', '1/2', '3/4'].reduce(
  (groove, at) => setOrnament(groove, { bar: 0, limb: 'right hand', at: exact(at) }, 'double'),
  { ...oneLine('t.t.t.t.', 'right hand', 72), title: 'Doubles' },
);

export const JUDGED_GROOVES: Groove[] = [
  rates(),
  flams,
  doubles,
  {
    ...together(oneLine('AgggAgggAgggAggg', 'right hand', 80), oneLine('t...t...t...t...', 'right foot')),
    title: 'Accents',
  },
];
