import { fail, problem } from '../result';
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
import { barLength, countsInWords, formatMeter } from '../grid/meter';
import { beatOf } from './beat';
import type { Groove } from './groove';
import type { Limb } from './limbs';
import { barsToFill, lengthOf, spanOnsets, strokesOf, type RateSpan } from './place';
import type { Region } from './region';
import { inBars, type Answer } from './transformed';

/** A stretch of a groove, of all its limbs: `from` up to, but without, `to`. */
type Stretch = Pick<Region, 'from' | 'to'>;
const wholeOf = (groove: Groove): Stretch => ({ from: ZERO, to: lengthOf(groove) });
const isWithin = ({ from, to }: Stretch, at: WholeNotes) => !less(at, from) && less(at, to);

/**
 * Moves the strokes of some limbs later (or, below 0, earlier) by a length, wrapped round the groove, or round a
 * stretch of it.
 */
export function displace(groove: Groove, shift: WholeNotes, limbs: readonly Limb[], within?: Stretch): Answer {
  const { from, to } = within ?? wholeOf(groove);
  const strokes = strokesOf(groove).map((stroke) =>
    limbs.includes(stroke.limb) && isWithin({ from, to }, stroke.at)
      ? { ...stroke, at: add(from, modulo(add(sub(stroke.at, from), shift), sub(to, from))) }
      : stroke,
  );
  const way = less(shift, ZERO)
    ? `${countsInWords(negate(shift), beatOf(groove))} earlier`
    : `${countsInWords(shift, beatOf(groove))} later`;
  return inBars(
    groove,
    strokes,
    groove.bars,
    `${limbs.length === 4 ? 'Every limb' : `The ${limbs.join(' and the ')}`} now comes ${way}, wrapped round ${within ? 'what is selected' : 'the groove'}.`,
  );
}

/** The moments at which something is struck, in order. */
export const momentsIn = (groove: Groove, within = wholeOf(groove)): WholeNotes[] =>
  [
    ...new Map(
      strokesOf(groove)
        .filter(({ at }) => isWithin(within, at))
        .map(({ at }) => [format(at), at]),
    ).values(),
  ].sort(compare);

/**
 * The same order of moments laid out in other note values one after another; the last bar is padded with rest. Of a
 * stretch only, what comes after it stays where it is, so that the notes must find room within.
 */
export function rerate(groove: Groove, plan: readonly RateSpan[], within?: Stretch): Answer {
  const moments = momentsIn(groove, within);
  const notes = plan.reduce((total, span) => total + span.notes, 0);
  if (notes !== moments.length)
    return fail(
      problem(
        'notes-differ',
        `The plan has ${notes} notes, ${within ? 'what is selected' : 'the groove'} ${moments.length} moments.`,
        `Let the notes of the plan add up to ${moments.length}.`,
        { notes, moments: moments.length },
      ),
    );
  const { onsets, endsAt } = spanOnsets(plan);
  if (within) return reratedWithin(groove, plan, within);
  const place = new Map(moments.map((at, index) => [format(at), onsets[index]!]));
  const { meter } = groove.bars[0]!;
  const bars = barsToFill(endsAt, meter);
  const rest = sub(mul(barLength(meter), frac(bars)), endsAt);
  const ends =
    rest.n === 0
      ? 'ends on the bar line'
      : `ends after ${countsInWords(endsAt, beatOf(groove))}, padded with ${countsInWords(rest, beatOf(groove))} of rest`;
  const say = `The same order in ${planInWords(plan)}: ${bars} ${bars === 1 ? 'bar' : 'bars'}, ${ends}.`;
  return inBars(
    groove,
    strokesOf(groove).map((stroke) => ({ ...stroke, at: place.get(format(stroke.at))! })),
    Array.from({ length: bars }, () => ({ meter })),
    say,
  );
}

const planInWords = (plan: readonly RateSpan[]) => plan.map(({ value, notes }) => `${notes} × ${value}`).join(', ');

function reratedWithin(groove: Groove, plan: readonly RateSpan[], within: Stretch): Answer {
  const { onsets, endsAt } = spanOnsets(plan);
  const room = sub(within.to, within.from);
  if (less(room, endsAt))
    return fail(
      problem(
        'no-room',
        `That takes ${countsInWords(sub(endsAt, room), beatOf(groove))} more than is selected.`,
        'Select more, or choose shorter values.',
      ),
    );
  const place = new Map(momentsIn(groove, within).map((at, index) => [format(at), add(within.from, onsets[index]!)]));
  const rest = sub(room, endsAt);
  return inBars(
    groove,
    strokesOf(groove).map((stroke) => ({ ...stroke, at: place.get(format(stroke.at)) ?? stroke.at })),
    groove.bars,
    `The same order in ${planInWords(plan)}${rest.n ? `, ${countsInWords(rest, beatOf(groove))} of rest after it` : ''}.`,
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
