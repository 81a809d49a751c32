import { z } from 'zod';
import type { RunChange } from '../schedule/schedule';
import { MOST_BARS, type Groove } from '../documents/groove';
import { strokesOf } from '../groove/place';
import { rerate, stretch } from '../groove/transform';
import { problem } from '../groove/transformed';
import { fail, ok, type Result } from '../result';
import { format } from '../time/fraction';
import type { NoteValue } from '../time/noteValue';
import type { Swing } from '../time/swing';

/** Pairs of the same groove that are set against each other, the first as it stands in the name. */
export const CONTRASTS = [
  'straight and swung',
  'plain and accented',
  'written and half-time',
  'written and double-time',
  'written and in triplets',
  'written and in 16ths',
] as const;
export const contrastShape = z.enum(CONTRASTS);
export type Contrast = z.infer<typeof contrastShape>;

/** One groove that holds both sides, one after the other; round after round they go to and fro on the bar line. */
export interface Sides {
  groove: Groove;
  /** By bar of the groove: 0 the first side, 1 the second. */
  sideOf: readonly (0 | 1)[];
  names: readonly [string, string];
  /** The swing of each side, where they differ in it. */
  swings?: readonly [Swing | 'straight', Swing];
}

/** The usual swing, for a groove that has none of its own. */
const USUAL_SWING: Swing = { value: '8th', ratio: '2' };

/**
 * Both sides with at least `bars` bars each, in whole rounds of the groove. Problems say why the other side cannot be
 * made, or that there is no difference to hear.
 */
export function sidesOf(groove: Groove, contrast: Contrast, bars: number): Result<Sides> {
  const names = contrast.split(' and ') as [string, string];
  const other = otherSide(groove, contrast);
  if (!other.ok) return other;
  const [one, two] = [other.value[0], other.value[1]].map((side) =>
    Array.from({ length: Math.ceil(bars / side.bars.length) }, () => side.bars).flat(),
  );
  const both = [...one!, ...two!];
  if (both.length > MOST_BARS)
    return fail(
      problem(
        `Both sides together are ${both.length} bars.`,
        `Choose fewer bars each: ${MOST_BARS} in all can be shown.`,
      ),
    );
  const sideOf = both.map((_, bar): 0 | 1 => (bar < one!.length ? 0 : 1));
  const swings = contrast === 'straight and swung' ? (['straight', groove.swing ?? USUAL_SWING] as const) : undefined;
  return ok({ groove: { ...groove, bars: both }, sideOf, names, ...(swings && { swings }) });
}

function otherSide(groove: Groove, contrast: Contrast): Result<[Groove, Groove]> {
  switch (contrast) {
    case 'straight and swung':
      return ok([groove, groove]);
    case 'plain and accented': {
      if (!groove.bars.some((bar) => bar.strokes.some(({ height }) => height === 'accent')))
        return fail(
          problem('This groove has no accents, so both sides would be the same.', 'Set an accent on the bench first.'),
        );
      const plain = groove.bars.map((bar) => ({
        ...bar,
        strokes: bar.strokes.map((stroke) =>
          stroke.height === 'accent' ? { ...stroke, height: 'tap' as const } : stroke,
        ),
      }));
      return ok([{ ...groove, bars: plain }, groove]);
    }
    default: {
      const changed = reRated(groove, contrast);
      return changed.ok ? ok([groove, changed.value.groove]) : changed;
    }
  }
}

function reRated(groove: Groove, contrast: Exclude<Contrast, 'straight and swung' | 'plain and accented'>) {
  if (contrast === 'written and half-time') return stretch(groove, 2);
  if (contrast === 'written and double-time') return stretch(groove, '1/2');
  const value: NoteValue = contrast === 'written and in triplets' ? '8th triplet' : '16th';
  const notes = new Set(strokesOf(groove).map(({ at }) => format(at))).size;
  return rerate(groove, [{ value, notes }]);
}

/** What changes from bar to bar of a run of so many rounds: the swing, at each turn from one side to the other. */
export function turnsOf({ groove, sideOf, swings }: Sides, rounds: number): RunChange[] {
  if (!swings) return [];
  const turns = sideOf.flatMap((side, bar) =>
    bar === 0 || side !== sideOf[bar - 1] ? [{ bar, swing: swings[side] }] : [],
  );
  return Array.from({ length: rounds }, (_, round) =>
    turns.map(({ bar, swing }) => ({ fromBar: round * groove.bars.length + bar, swing })),
  ).flat();
}
