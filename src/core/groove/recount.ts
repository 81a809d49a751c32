import { fail, ok, problem, type Result } from '../result';
import { div, frac, fromDecimal, mul, toNumber } from '../time/fraction';
import { countsOf, formatMeter, isCompound, UNITS, type Meter, type Reading } from '../grid/meter';
import { slotsOfBar } from '../grid/cells';
import type { Swing } from '../time/swing';
import type { Bpm } from '../time/units';
import { FASTEST, SLOWEST } from '../limits';
import { beatOf } from './beat';
import type { Bar, Groove } from './groove';
import { cellsFor, strokesOf } from './place';
import { inBars, noGrid, type Answer } from './transformed';

/**
 * The tempo of the same music in the counts of another meter or reading, exact, so that the way back leads to where
 * it began.
 */
function tempoCounted(groove: Groove, meter: Meter, reading: Reading): Result<Bpm> {
  const before = beatOf(groove);
  const after = countsOf(meter, reading)[0]!.length;
  const tempo = toNumber(div(mul(fromDecimal(groove.tempo), before), after));
  if (tempo > FASTEST || tempo < SLOWEST)
    return fail(
      problem(
        'tempo-out-of-range',
        `The counts would go by at ${Math.round(tempo)} a minute.`,
        `Set another tempo first: ${SLOWEST} to ${FASTEST} can be counted.`,
        { slowest: SLOWEST, fastest: FASTEST },
      ),
    );
  return ok(tempo);
}

const tidy = (bpm: Bpm) => Math.round(bpm * 100) / 100;

/**
 * Counts a compound meter in pulses or in all its numbers. What is heard stays: the tempo is said in the
 * new counts, and each count gets the grid that holds its strokes and the slots it had.
 */
export function readAs(groove: Groove, reading: Reading): Answer {
  if (reading === groove.reading) return ok({ groove, say: 'It is counted so already.' });
  const first = groove.bars[0]!.meter;
  if (reading === 'pulse' && !groove.bars.every(({ meter }) => isCompound(meter)))
    return fail(
      problem('no-pulses', `${formatMeter(first)} has no dotted pulses.`, 'Pulses are for 6, 9 or 12 over 8 or 16.'),
    );
  const tempo = tempoCounted(groove, first, reading);
  if (!tempo.ok) return tempo;
  const bars = groove.bars.map((bar): Bar | undefined => {
    const slots = slotsOfBar(bar.meter, groove.reading, bar.cells).map(({ at }) => at);
    const cells =
      cellsFor(bar.meter, reading, slots) ??
      cellsFor(
        bar.meter,
        reading,
        bar.strokes.map(({ at }) => at),
      );
    return cells && { ...bar, cells };
  });
  if (!bars.every((bar) => bar !== undefined)) return noGrid();
  const words = reading === 'pulse' ? 'in pulses' : 'in all its numbers';
  return ok({
    groove: { ...groove, reading, tempo: tempo.value, bars },
    say: `${formatMeter(first)} is now counted ${words}, ${tidy(tempo.value)} a minute; what is heard stays.`,
  });
}

/**
 * The same notes under another bottom number: 2/4 at 60 is 8/16 at 240. What is heard stays; what is counted changes.
 */
export function otherBottomNumber(groove: Groove, unit: Meter['unit']): Answer {
  const first = groove.bars[0]!;
  const meters = groove.bars.map(({ meter }) => ({ beats: (meter.beats * unit) / meter.unit, unit }));
  const wrong = meters.find(({ beats }) => !Number.isInteger(beats) || beats > 32);
  if (wrong || !UNITS.includes(unit))
    return fail(
      problem(
        'no-such-unit',
        `${formatMeter(first.meter)} cannot be written over ${unit}.`,
        'Choose a larger bottom number, of at most 32 counts a bar.',
      ),
    );
  const reading = groove.reading === 'pulse' && isCompound({ ...meters[0]!, unit }) ? 'pulse' : 'numbers';
  const tempo = tempoCounted(groove, meters[0]!, reading);
  if (!tempo.ok) return tempo;
  return inBars(
    groove,
    strokesOf(groove),
    // Slots that nobody plays stay as well.
    meters.map((meter, bar) => ({
      meter,
      cells: cellsFor(
        meter,
        reading,
        slotsOfBar(groove.bars[bar]!.meter, groove.reading, groove.bars[bar]!.cells).map(({ at }) => at),
      ),
    })),
    `The same notes: ${formatMeter(first.meter)} at ${tidy(groove.tempo)} is ${formatMeter(meters[0]!)} at ${tidy(tempo.value)}.`,
    { reading, tempo: tempo.value },
  );
}

/**
 * The same figure under another bottom number: every count keeps its strokes and its tempo, so that 7/4 is 7/8 with the
 * 8ths as counts. What is heard stays; the notes it is written in change.
 */
export function sameFigureOver(groove: Groove, unit: Meter['unit']): Answer {
  const first = groove.bars[0]!.meter;
  if (groove.reading === 'pulse')
    return fail(problem('counted-in-pulses', 'It is counted in pulses.', 'Count it in all its numbers first.'));
  if (groove.bars.some(({ meter }) => meter.unit !== first.unit))
    return fail(problem('meter-changes', 'The bottom number changes within the groove.', 'Take bars of one meter.'));
  const swing = groove.swing && swingOver(groove.swing, first.unit, unit);
  if (groove.swing && !swing)
    return fail(
      problem(
        'no-such-swing',
        `Its ${groove.swing.value}s would swing as notes that cannot.`,
        'Write the swing out first.',
      ),
    );
  const by = frac(first.unit, unit);
  const meter = (one: Meter): Meter => ({ ...one, unit });
  return ok({
    groove: {
      ...groove,
      ...(swing && { swing }),
      bars: groove.bars.map((bar) => ({
        ...bar,
        meter: meter(bar.meter),
        strokes: bar.strokes.map((stroke) => ({ ...stroke, at: mul(stroke.at, by) })),
      })),
    },
    say: `The same figure: ${formatMeter(first)} is ${formatMeter(meter(first))}, each count as long as before.`,
  });
}

/** A swing of the same pairs when a note of one unit is written as one of another. */
function swingOver(swing: Swing, from: Meter['unit'], to: Meter['unit']): Swing | undefined {
  const written = (swing.value === '8th' ? 8 : 16) * (to / from);
  if (written === 8 || written === 16) return { ...swing, value: written === 8 ? '8th' : '16th' };
  return undefined;
}
