import fc from 'fast-check';
import type { Bar, Groove, Stroke } from '../groove/groove';
import { cellsOfDivisions, slotsOfBar } from '../grid/cells';
import { HEIGHTS, LIMBS, ORNAMENTS } from '../groove/limbs';
import { USUAL_SURFACES } from '../groove/limbs';

import { countsOf, parseMeter, type Meter } from '../grid/meter';
import type { Plan } from '../form/form';

const METERS = ['4/4', '3/4', '2/2', '5/4', '7/8', '6/8', '12/8', '15/16'];

export const meterOf = (text: string): Meter => {
  const read = parseMeter(text);
  if (!read.ok) throw new Error(read.problems[0]!.say);
  return read.value;
};

/** Any bar of a meter: each count with its own division, strokes on some of its slots. */
const bar = (meter: Meter, ornaments: boolean): fc.Arbitrary<Bar> => {
  const counts = countsOf(meter).length;
  return fc.array(fc.integer({ min: 1, max: 8 }), { minLength: counts, maxLength: counts }).chain((divisions) => {
    const cells = cellsOfDivisions(meter, 'numbers', divisions);
    const places = slotsOfBar(meter, 'numbers', cells).flatMap((slot) => LIMBS.map((limb) => ({ limb, at: slot.at })));
    const stroke = (place: (typeof places)[number]): fc.Arbitrary<Stroke> =>
      fc.record({
        limb: fc.constant(place.limb),
        surface: fc.constant(USUAL_SURFACES[place.limb]),
        at: fc.constant(place.at),
        height: fc.constantFrom(...HEIGHTS),
        ...(ornaments && { ornament: fc.option(fc.constantFrom(...ORNAMENTS), { nil: undefined, freq: 6 }) }),
      });
    return fc
      .subarray(places, { minLength: 1 })
      .chain((chosen) => fc.tuple(...chosen.map(stroke)))
      .map((strokes): Bar => ({ meter, cells, strokes }));
  });
};

/** Any valid groove of one to three bars. */
export const anyGroove = ({ ornaments = true } = {}): fc.Arbitrary<Groove> =>
  fc
    .array(
      fc.constantFrom(...METERS).chain((meter) => bar(meterOf(meter), ornaments)),
      { minLength: 1, maxLength: 3 },
    )
    .map((bars): Groove => ({
      version: 1,
      title: 'Any',
      reading: 'numbers',
      tempo: 90,
      bars,
    }));

/** Any groove gone through at one tempo, straight unless it says otherwise. */
export const anyPlan = (options?: { ornaments?: boolean }): fc.Arbitrary<Plan> =>
  fc
    .record({
      groove: anyGroove(options),
      bpm: fc.integer({ min: 20, max: 300 }),
      countIn: fc.integer({ min: 0, max: 2 }),
      rounds: fc.integer({ min: 1, max: 3 }),
    })
    .map((some): Plan => ({ click: { kind: 'every', counts: '1', from: '0' }, ...some }));

/**
 * One bar of 4/4 in even parts, strokes of one limb on the slots where the text has a letter: A accent, t tap, g
 * ghost.
 */
export function oneLine(text: string, limb: Stroke['limb'] = 'right hand', tempo = 60, inMeter = '4/4'): Groove {
  const letters = [...text.replaceAll(' ', '')];
  const meter = meterOf(inMeter);
  const cells = cellsOfDivisions(meter, 'numbers', letters.length / meter.beats);
  const slots = slotsOfBar(meter, 'numbers', cells);
  const heights = { A: 'accent', t: 'tap', g: 'ghost' } as const;
  const strokes = letters.flatMap((letter, index): Stroke[] =>
    letter === '.'
      ? []
      : [{ limb, surface: USUAL_SURFACES[limb], at: slots[index]!.at, height: heights[letter as 'A' | 't' | 'g'] }],
  );
  return { version: 1, title: 'Line', reading: 'numbers', tempo, bars: [{ meter, cells, strokes }] };
}

/** Grooves laid over one another: the strokes of all in the bar of the first. */
export const together = (first: Groove, ...others: Groove[]): Groove => ({
  ...first,
  bars: first.bars.map((one, index) => ({
    ...one,
    strokes: [...one.strokes, ...others.flatMap((other) => other.bars[index]!.strokes)],
  })),
});
