import { fail } from '../result';
import { add, compare, equal, exact, frac, modulo, mul, sub, type WholeNotes } from '../time/fraction';
import { cellAt, isSwingable } from '../grid/cells';
import { barLength, barStarts } from '../grid/meter';
import { NOTE_VALUES } from '../time/noteValue';
import { swungPlace, writtenPlace, type Swing } from '../time/swing';
import { beatOf } from './beat';
import type { Groove, Stroke } from './groove';
import { strokesOf, type FreeStroke } from './place';
import { inBars, type Answer } from './transformed';
import { problem } from '../result';

/** 8ths as a shuffle: each off-beat 8th moves to the last triplet of its quarter. */
export function toShuffle(groove: Groove): Answer {
  return warped(
    groove,
    { value: '8th', ratio: '2' },
    'Each pair of 8ths is now long–short: the first and the last of a triplet.',
    (within) => equal(within, exact('1/8')),
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
    const partner = strokes.some(
      (other) => other.limb === stroke.limb && equal(other.at, add(stroke.at, exact('1/6'))),
    );
    const taken = strokes.some((other) => other.limb === stroke.limb && equal(other.at, third));
    return within.n === 0 && partner && !taken ? [{ ...withoutOrnament(stroke), at: third, height: 'tap' }] : [];
  });
  return inBars(
    groove,
    [...strokes, ...between].sort((a, b) => compare(a.at, b.at)),
    groove.bars.map(({ meter }) => ({ meter })),
    'Each pair of 8ths is now three: a full triplet on every quarter that had both.',
    { swing: undefined },
  );
}

/** The first counts of every bar in full triplets, those after them as a shuffle. */
export function toTripletsThenShuffle(groove: Groove, counts: number): Answer {
  const [full, shuffled] = [toFullTriplets(groove), toShuffle(groove)];
  if (!full.ok) return full;
  if (!shuffled.ok) return shuffled;
  const starts = barStarts(groove.bars.map(({ meter }) => barLength(meter)));
  const isFirst = ({ at }: FreeStroke) => {
    const bar = starts.findLastIndex((start) => compare(start, at) <= 0);
    return compare(sub(at, starts[bar]!), mul(beatOf(groove), frac(counts))) < 0;
  };
  return inBars(
    groove,
    [
      ...strokesOf(full.value.groove).filter(isFirst),
      ...strokesOf(shuffled.value.groove).filter((stroke) => !isFirst(stroke)),
    ].sort((a, b) => compare(a.at, b.at)),
    groove.bars.map(({ meter }) => ({ meter })),
    `Full triplets on the first ${counts === 1 ? 'count' : `${counts} counts`} of every bar, a shuffle after.`,
    { swing: undefined },
  );
}

function withoutOrnament({ ornament: _, ...stroke }: FreeStroke): FreeStroke {
  return stroke;
}

/** Writes a swung groove as it is played, on a grid that holds it, and straight from now on. */
export function writeSwingOut(groove: Groove): Answer {
  const { swing } = groove;
  if (!swing) return fail(problem('straight-already', 'This groove is straight already.', 'Set its swing first.'));
  if (swing.ratio === 'tempo-aware')
    return fail(
      problem(
        'swing-not-fixed',
        'A swing that follows the tempo has no one written form.',
        'Choose a fixed ratio first.',
      ),
    );
  return warped(
    groove,
    swing,
    `The swing of ${swing.ratio.replace('/', ':')} is written out where it falls; the groove is straight now.`,
  );
}

function warped(groove: Groove, swing: Swing, say: string, only?: (within: WholeNotes) => boolean): Answer {
  const ratio = exact(swing.ratio);
  const half = NOTE_VALUES[swing.value];
  const starts = barStarts(groove.bars.map((bar) => barLength(bar.meter)));
  const strokes = groove.bars.flatMap((bar, index) =>
    bar.strokes.map((stroke): FreeStroke => {
      const within = modulo(stroke.at, mul(half, frac(2)));
      const moves = swingable(groove, index, stroke) && (!only || only(within));
      return {
        ...stroke,
        at: add(starts[index]!, moves ? swungPlace(stroke.at, swing.value, ratio, barLength(bar.meter)) : stroke.at),
      };
    }),
  );
  return inBars(
    groove,
    strokes,
    groove.bars.map(({ meter }) => ({ meter })),
    say,
    { swing: undefined },
  );
}

/** Whether a stroke's count is one that swing warps. */
function swingable(groove: Groove, bar: number, stroke: Stroke): boolean {
  const { meter, cells } = groove.bars[bar]!;
  return isSwingable(cellAt(meter, groove.reading, cells, stroke.at));
}

/** Reads what was written out back into even notes with a swing: the reverse of `writeSwingOut`. */
export function foldSwing(groove: Groove, swing: Swing): Answer {
  if (groove.swing) return fail(problem('swung-already', 'This groove has a swing already.', 'Write it out first.'));
  if (swing.ratio === 'tempo-aware')
    return fail(
      problem('swing-not-fixed', 'A swing that follows the tempo has no one written form.', 'Choose a fixed ratio.'),
    );
  const ratio = exact(swing.ratio);
  const starts = barStarts(groove.bars.map((bar) => barLength(bar.meter)));
  const strokes = groove.bars.flatMap((bar, index) =>
    bar.strokes.map((stroke): FreeStroke => ({
      ...stroke,
      at: add(starts[index]!, writtenPlace(stroke.at, swing.value, ratio, barLength(bar.meter))),
    })),
  );
  const folded = inBars(
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
    : fail(
        problem(
          'not-that-swing',
          `Not every stroke lies where a swing of ${swing.ratio.replace('/', ':')} would put it.`,
          'Choose the ratio it was written out with.',
        ),
      );
}

const sameStrokes = (a: Groove, b: Groove): boolean => {
  const [one, other] = [strokesOf(a), strokesOf(b)];
  return (
    one.length === other.length &&
    one.every((stroke) => other.some((match) => match.limb === stroke.limb && equal(match.at, stroke.at)))
  );
};
