import { fail, ok, type Result } from '../result';
import {
  add,
  compare,
  format,
  frac,
  less,
  modulo,
  mul,
  negate,
  sub,
  ZERO,
  type Fraction,
  type WholeNotes,
} from '../time/fraction';
import {
  countsInWords,
  barLength,
  countsOf,
  formatMeter,
  isCompound,
  UNITS,
  type Meter,
  type Reading,
} from '../grid/meter';
import { type Bpm } from '../time/units';
import { FASTEST, SLOWEST } from '../limits';
import { beatOf } from './beat';
import type { Bar, Groove } from './groove';
import { slotsOfBar } from '../grid/cells';
import type { Limb } from './limbs';
import { barsToFill, cellsFor, spanOnsets, lengthOf, strokesOf, type RateSpan } from './place';
import { inBars, noGrid, type Answer } from './transformed';
import { problem } from '../result';

/** Moves the strokes of some limbs later (or, below 0, earlier) by a length, wrapped round the whole groove. */
export function displace(groove: Groove, shift: WholeNotes, limbs: readonly Limb[]): Answer {
  const length = lengthOf(groove);
  const strokes = strokesOf(groove).map((stroke) =>
    limbs.includes(stroke.limb) ? { ...stroke, at: modulo(add(stroke.at, shift), length) } : stroke,
  );
  const way = less(shift, ZERO)
    ? `${countsInWords(negate(shift), beatOf(groove))} earlier`
    : `${countsInWords(shift, beatOf(groove))} later`;
  return inBars(
    groove,
    strokes,
    groove.bars,
    `${limbs.length === 4 ? 'Every limb' : `The ${limbs.join(' and the ')}`} now comes ${way}, wrapped round the groove.`,
  );
}

/** The same order of moments laid out in other note values one after another; the last bar is padded with rest. */
export function rerate(groove: Groove, plan: readonly RateSpan[]): Answer {
  const moments = [...new Map(strokesOf(groove).map(({ at }) => [format(at), at])).values()].sort(compare);
  const notes = plan.reduce((total, span) => total + span.notes, 0);
  if (notes !== moments.length)
    return fail(
      problem(
        'notes-differ',
        `The plan has ${notes} notes, the groove ${moments.length} moments.`,
        `Let the notes of the plan add up to ${moments.length}.`,
        { notes, moments: moments.length },
      ),
    );
  const { onsets, endsAt } = spanOnsets(plan);
  const place = new Map(moments.map((at, index) => [format(at), onsets[index]!]));
  const { meter } = groove.bars[0]!;
  const bars = barsToFill(endsAt, meter);
  const rest = sub(mul(barLength(meter), frac(bars)), endsAt);
  const ends =
    rest.n === 0
      ? 'ends on the bar line'
      : `ends after ${countsInWords(endsAt, beatOf(groove))}, padded with ${countsInWords(rest, beatOf(groove))} of rest`;
  const say = `The same order in ${plan.map(({ value, notes: count }) => `${count} × ${value}`).join(', ')}: ${bars} ${bars === 1 ? 'bar' : 'bars'}, ${ends}.`;
  return inBars(
    groove,
    strokesOf(groove).map((stroke) => ({ ...stroke, at: place.get(format(stroke.at))! })),
    Array.from({ length: bars }, () => ({ meter })),
    say,
  );
}

/** Everything in half the time, so that it takes half as many bars; twice as long when `factor` is 2. */
export function stretch(groove: Groove, factor: 2 | '1/2'): Answer {
  const by: Fraction = factor === 2 ? frac(2) : frac(1, 2);
  const { meter } = groove.bars[0]!;
  if (groove.bars.some((bar) => formatMeter(bar.meter) !== formatMeter(meter)))
    return fail(problem('meter-changes', 'The meter changes within the groove.', 'Take bars of one meter.'));
  const length = mul(lengthOf(groove), by);
  const bars = barsToFill(length, meter);
  const strokes = strokesOf(groove).map((stroke) => ({ ...stroke, at: mul(stroke.at, by) }));
  // Half a bar of double-time is played twice, so that the bar is whole.
  const again =
    bars * groove.bars.length === 1 && factor === '1/2'
      ? strokes.map((stroke) => ({ ...stroke, at: add(stroke.at, length) }))
      : [];
  return inBars(
    groove,
    [...strokes, ...again],
    Array.from({ length: bars }, () => ({ meter })),
    factor === 2
      ? 'Half-time: every note lasts twice as long.'
      : `Double-time: every note lasts half as long${again.length ? ', the bar played twice' : ''}.`,
  );
}

/** The tempo of the same music in the counts of another meter or reading, to a thousandth. */
function tempoCounted(groove: Groove, meter: Meter, reading: Reading): Result<Bpm> {
  const before = beatOf(groove);
  const after = countsOf(meter, reading)[0]!.length;
  const tempo = (groove.tempo * before.n * after.d) / (before.d * after.n);
  if (tempo > FASTEST || tempo < SLOWEST)
    return fail(
      problem(
        'tempo-out-of-range',
        `The counts would go by at ${Math.round(tempo)} a minute.`,
        `Set another tempo first: ${SLOWEST} to ${FASTEST} can be counted.`,
        { slowest: SLOWEST, fastest: FASTEST },
      ),
    );
  return ok(Math.round(tempo * 1000) / 1000);
}

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
    say: `${formatMeter(first)} is now counted ${words}, ${tempo.value} a minute; what is heard stays.`,
  });
}

/** The same notes under another bottom number: 2/4 at 60 is 8/16 at 240. What is heard stays; what is counted changes. */
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
    `The same notes: ${formatMeter(first.meter)} at ${groove.tempo} is ${formatMeter(meters[0]!)} at ${tempo.value}.`,
    { reading, tempo: tempo.value },
  );
}
