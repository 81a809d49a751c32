import { fail, ok, type Problem, type Result } from '../result';
import { add, compare, div, equal, exact, format, frac, less, modulo, mul, negate, sub, ZERO, type Fraction, type WholeNotes } from '../time/fraction';
import { barLength, barStarts, countsOf, formatMeter, isCompound, UNITS, type Meter } from '../time/meter';
import { NOTE_VALUES } from '../time/noteValue';
import { offBeat, swungPlace, type Swing } from '../time/swing';
import { MOST_BARS, type Groove, type Stroke } from './document';
import { isHand, otherHand, turnFor, type Limb, type Surface } from './limbs';
import { barsFrom, barsToFill, layOut, lengthOf, strokesOf, type FreeStroke, type RateSpan } from './place';

/** A new groove and a sentence on what was done. */
export interface Transformed {
  groove: Groove;
  say: string;
}

type Answer = Result<Transformed>;

const problem = (say: string, remedy: string): Problem => ({ path: [], where: '', say, remedy });
const noGrid = () => fail(problem('No grid of up to 8 parts a count holds all its strokes then.', 'Choose another amount, or fewer limbs.'));

/** Lays strokes into bars like these and answers with the groove, or says that no grid holds them. */
function laid(groove: Groove, strokes: readonly FreeStroke[], like: Parameters<typeof barsFrom>[1], say: string, change: Partial<Groove> = {}): Answer {
  if (like.length > MOST_BARS) return fail(problem(`That would be ${like.length} bars.`, `A groove has at most ${MOST_BARS}.`));
  const bars = barsFrom(strokes, like, change.reading ?? groove.reading);
  return bars ? ok({ groove: { ...groove, ...change, bars }, say }) : noGrid();
}

/** Moves the strokes of some limbs later (or, below 0, earlier) by a length, wrapped round the whole groove. */
export function displace(groove: Groove, shift: WholeNotes, limbs: readonly Limb[]): Answer {
  const length = lengthOf(groove);
  const strokes = strokesOf(groove).map((stroke) => (limbs.includes(stroke.limb) ? { ...stroke, at: modulo(add(stroke.at, shift), length) } : stroke));
  const way = less(shift, ZERO) ? `${format(negate(shift))} of a whole note earlier` : `${format(shift)} of a whole note later`;
  return laid(
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
    return fail(problem(`The plan has ${notes} notes, the groove ${moments.length} moments.`, `Let the notes of the plan add up to ${moments.length}.`));
  const { onsets, endsAt } = layOut(plan);
  const place = new Map(moments.map((at, index) => [format(at), onsets[index]!]));
  const { meter } = groove.bars[0]!;
  const bars = barsToFill(endsAt, meter);
  const rest = sub(mul(barLength(meter), frac(bars)), endsAt);
  const ends = rest.n === 0 ? 'ends on the bar line' : `ends after ${format(endsAt)} of a whole note, padded with ${format(rest)} of rest`;
  const say = `The same order in ${plan.map(({ value, notes: count }) => `${count} × ${value}`).join(', ')}: ${bars} ${bars === 1 ? 'bar' : 'bars'}, ${ends}.`;
  return laid(
    groove,
    strokesOf(groove).map((stroke) => ({ ...stroke, at: place.get(format(stroke.at))! })),
    Array.from({ length: bars }, () => ({ meter })),
    say,
  );
}

/** 8ths as a shuffle: each off-beat 8th moves to the last triplet of its quarter. */
export function toShuffle(groove: Groove): Answer {
  return warped(groove, { value: '8th', ratio: '2' }, 'Each pair of 8ths is now long–short: the first and the last of a triplet.', (within) =>
    equal(within, exact('1/8')),
  );
}

/** 8ths as full triplets: each pair keeps its two strokes and its first is struck again between them. */
export function toFullTriplets(groove: Groove): Answer {
  const shuffled = toShuffle(groove);
  if (!shuffled.ok) return shuffled;
  const quarter = NOTE_VALUES.quarter;
  const strokes = strokesOf(shuffled.value.groove);
  const between = strokes.flatMap((stroke): FreeStroke[] => {
    const within = modulo(stroke.at, quarter);
    const third = add(stroke.at, exact('1/12'));
    const partner = strokes.some((other) => other.limb === stroke.limb && equal(other.at, add(stroke.at, exact('1/6'))));
    const taken = strokes.some((other) => other.limb === stroke.limb && equal(other.at, third));
    return within.n === 0 && partner && !taken ? [{ ...withoutOrnament(stroke), at: third, height: 'tap' }] : [];
  });
  return laid(
    groove,
    [...strokes, ...between].sort((a, b) => compare(a.at, b.at)),
    groove.bars.map(({ meter }) => ({ meter })),
    'Each pair of 8ths is now three: a full triplet on every quarter that had both.',
    { swing: undefined },
  );
}

function withoutOrnament({ ornament: _, ...stroke }: FreeStroke): FreeStroke {
  return stroke;
}

/** Writes a swung groove as it is played, on a grid that holds it, and straight from now on. */
export function writeSwingOut(groove: Groove): Answer {
  const { swing } = groove;
  if (!swing) return fail(problem('This groove is straight already.', 'Set its swing first.'));
  if (swing.ratio === 'tempo-aware') return fail(problem('A swing that follows the tempo has no one written form.', 'Choose a fixed ratio first.'));
  return warped(groove, swing, `The swing of ${swing.ratio.replace('/', ':')} is written out where it falls; the groove is straight now.`);
}

function warped(groove: Groove, swing: Swing, say: string, only?: (within: WholeNotes) => boolean): Answer {
  const ratio = exact(swing.ratio);
  const half = NOTE_VALUES[swing.value];
  const starts = barStarts(groove.bars.map((bar) => barLength(bar.meter)));
  const strokes = groove.bars.flatMap((bar, index) =>
    bar.strokes.map((stroke): FreeStroke => {
      const within = modulo(stroke.at, mul(half, frac(2)));
      const moves = swingable(groove, index, stroke) && (!only || only(within));
      return { ...stroke, at: add(starts[index]!, moves ? swungPlace(stroke.at, swing.value, ratio, barLength(bar.meter)) : stroke.at) };
    }),
  );
  return laid(
    groove,
    strokes,
    groove.bars.map(({ meter }) => ({ meter })),
    say,
    { swing: undefined },
  );
}

/** Whether a stroke's count is one that swing warps. */
function swingable(groove: Groove, bar: number, stroke: Stroke): boolean {
  const one = groove.bars[bar]!;
  const counts = countsOf(one.meter, groove.reading);
  let first = 0;
  for (const cell of one.cells) {
    const last = first + cell.counts;
    const end = counts[last]?.at ?? barLength(one.meter);
    if (less(stroke.at, end)) return cell.counts === 1 && cell.parts !== 3 && cell.parts !== 6;
    first = last;
  }
  return false;
}

/** Reads what was written out back into even notes with a swing: the reverse of `writeSwingOut`. */
export function foldSwing(groove: Groove, swing: Swing): Answer {
  if (groove.swing) return fail(problem('This groove has a swing already.', 'Write it out first.'));
  if (swing.ratio === 'tempo-aware') return fail(problem('A swing that follows the tempo has no one written form.', 'Choose a fixed ratio.'));
  const ratio = exact(swing.ratio);
  const half = NOTE_VALUES[swing.value];
  const pair = mul(half, frac(2));
  const turn = mul(pair, offBeat(ratio));
  const starts = barStarts(groove.bars.map((bar) => barLength(bar.meter)));
  const strokes = groove.bars.flatMap((bar, index) =>
    bar.strokes.map((stroke): FreeStroke => {
      const within = modulo(stroke.at, pair);
      const start = sub(stroke.at, within);
      const whole = compare(add(start, pair), barLength(bar.meter)) <= 0;
      // The two straight pieces of the swing, taken backwards.
      const even = !whole ? within : compare(within, turn) <= 0 ? mul(within, div(half, turn)) : add(half, mul(sub(within, turn), div(half, sub(pair, turn))));
      return { ...stroke, at: add(starts[index]!, add(start, even)) };
    }),
  );
  const folded = laid(
    groove,
    strokes,
    groove.bars.map(({ meter }) => ({ meter })),
    `Written in even ${swing.value}s, played ${swing.ratio.replace('/', ':')}.`,
    { swing },
  );
  if (!folded.ok) return folded;
  const again = writeSwingOut(folded.value.groove);
  const same = again.ok && sameStrokes(again.value.groove, groove);
  return same
    ? folded
    : fail(problem(`Not every stroke lies where a swing of ${swing.ratio.replace('/', ':')} would put it.`, 'Choose the ratio it was written out with.'));
}

const sameStrokes = (a: Groove, b: Groove): boolean => {
  const [one, other] = [strokesOf(a), strokesOf(b)];
  return one.length === other.length && one.every((stroke) => other.some((match) => match.limb === stroke.limb && equal(match.at, stroke.at)));
};

/** Right and left hand change lines. */
export function mirrorHands(groove: Groove): Transformed {
  const bars = groove.bars.map((bar) => ({
    ...bar,
    strokes: bar.strokes.map((stroke) => (isHand(stroke.limb) ? { ...stroke, limb: otherHand(stroke.limb) } : stroke)),
  }));
  return { groove: { ...groove, bars }, say: 'Right and left hand have changed lines.' };
}

/** The whole kit turned round for a left-handed player. */
export const turnKit = (groove: Groove): Transformed => ({
  groove: turnFor(groove, 'left-handed'),
  say: 'Hands and feet have changed sides, as on a left-handed kit.',
});

/** Only these limbs are kept. */
export function keepLimbs(groove: Groove, limbs: readonly Limb[]): Transformed {
  const bars = groove.bars.map((bar) => ({ ...bar, strokes: bar.strokes.filter(({ limb }) => limbs.includes(limb)) }));
  return { groove: { ...groove, bars }, say: `Only the ${limbs.join(' and the ')} ${limbs.length === 1 ? 'is' : 'are'} left.` };
}

/** A limb's whole line on another surface. */
export function moveLine(groove: Groove, limb: Limb, surface: Surface): Transformed {
  const bars = groove.bars.map((bar) => ({ ...bar, strokes: bar.strokes.map((stroke) => (stroke.limb === limb ? { ...stroke, surface } : stroke)) }));
  return { groove: { ...groove, bars }, say: `The ${limb} plays its line on the ${surface}.` };
}

/** Accents on the strokes of a limb by a pattern that repeats over them: true is an accent, the others are taps. */
export function accentPattern(groove: Groove, limb: Limb, pattern: readonly boolean[]): Answer {
  if (!pattern.length || !pattern.includes(true)) return fail(problem('A pattern without an accent changes nothing to hear.', 'Set at least one accent.'));
  let stroke = 0;
  const bars = groove.bars.map((bar) => ({
    ...bar,
    strokes: bar.strokes
      .toSorted((a, b) => compare(a.at, b.at))
      .map((each) => (each.limb === limb ? { ...each, height: pattern[stroke++ % pattern.length] ? ('accent' as const) : ('tap' as const) } : each)),
  }));
  if (!stroke) return fail(problem(`The ${limb} plays nothing here.`, 'Choose a limb that plays.'));
  const accents = pattern.filter(Boolean).length;
  return ok({ groove: { ...groove, bars }, say: `The ${limb} accents ${accents} in ${pattern.length}.` });
}

/** Everything in half the time, so that it takes half as many bars; twice as long when `factor` is 2. */
export function stretch(groove: Groove, factor: 2 | '1/2'): Answer {
  const by: Fraction = factor === 2 ? frac(2) : frac(1, 2);
  const { meter } = groove.bars[0]!;
  if (groove.bars.some((bar) => formatMeter(bar.meter) !== formatMeter(meter)))
    return fail(problem('The meter changes within the groove.', 'Take bars of one meter.'));
  const length = mul(lengthOf(groove), by);
  const bars = barsToFill(length, meter);
  const strokes = strokesOf(groove).map((stroke) => ({ ...stroke, at: mul(stroke.at, by) }));
  // Half a bar of double-time is played twice, so that the bar is whole.
  const again = bars * groove.bars.length === 1 && factor === '1/2' ? strokes.map((stroke) => ({ ...stroke, at: add(stroke.at, length) })) : [];
  return laid(
    groove,
    [...strokes, ...again],
    Array.from({ length: bars }, () => ({ meter })),
    factor === 2 ? 'Half-time: every note lasts twice as long.' : `Double-time: every note lasts half as long${again.length ? ', the bar played twice' : ''}.`,
  );
}

/** The same notes under another bottom number: 2/4 at 60 is 8/16 at 240. What is heard stays; what is counted changes. */
export function otherBottomNumber(groove: Groove, unit: Meter['unit']): Answer {
  const first = groove.bars[0]!;
  const meters = groove.bars.map(({ meter }) => ({ beats: (meter.beats * unit) / meter.unit, unit }));
  const wrong = meters.find(({ beats }) => !Number.isInteger(beats) || beats > 32);
  if (wrong || !UNITS.includes(unit))
    return fail(problem(`${formatMeter(first.meter)} cannot be written over ${unit}.`, 'Choose a larger bottom number, of at most 32 counts a bar.'));
  const reading = groove.reading === 'pulse' && isCompound({ ...meters[0]!, unit }) ? 'pulse' : 'numbers';
  const before = countsOf(first.meter, groove.reading)[0]!.length;
  const after = countsOf(meters[0]!, reading)[0]!.length;
  const tempo = (groove.tempo * before.n * after.d) / (before.d * after.n);
  if (tempo > 300 || tempo < 20)
    return fail(problem(`The counts would go by at ${Math.round(tempo)} a minute.`, 'Set another tempo first: 20 to 300 can be counted.'));
  return laid(
    groove,
    strokesOf(groove),
    meters.map((meter) => ({ meter })),
    `The same notes: ${formatMeter(first.meter)} at ${groove.tempo} is ${formatMeter(meters[0]!)} at ${tempo}.`,
    { reading, tempo },
  );
}
