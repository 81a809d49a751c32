import type { Groove } from '../groove/groove';
import { strokesOf } from '../groove/place';
import { rerate, stretch } from '../groove/transform';
import { fail, ok, problem, type Result } from '../result';
import { format } from '../time/fraction';
import type { NoteValue } from '../time/noteValue';
import type { Swing } from '../time/swing';
import type { Passage } from './form';

/** Pairs of the same groove that are set against each other, the first as it stands in the name. */
export const CONTRASTS = [
  'straight and swung',
  'plain and accented',
  'written and half-time',
  'written and double-time',
  'written and in triplets',
  'written and in 16ths',
] as const;
export type Contrast = (typeof CONTRASTS)[number];

/**
 * Both sides of a groove: the bars of both, and the passages that play one after the other, to and fro on the bar
 * line.
 */
export interface Sides {
  groove: Groove;
  passages: readonly [Passage, Passage];
  names: readonly [string, string];
}

/** The usual swing, for a groove that has none of its own. */
const USUAL_SWING: Swing = { value: '8th', ratio: '2' };

/**
 * Both sides with at least `bars` bars each, in whole rounds of the groove. Problems say why the other side cannot be
 * made, or that there is no difference to hear.
 */
export function sidesOf(groove: Groove, contrast: Contrast, bars: number): Result<Sides> {
  const names = contrast.split(' and ') as [string, string];
  const passage = (from: number, long: number, side: number): Passage => ({
    from,
    bars: long,
    times: Math.ceil(bars / long),
    side,
  });
  const own = groove.bars.length;
  if (contrast === 'straight and swung')
    return ok({
      groove,
      passages: [
        { ...passage(0, own, 0), swing: 'straight' },
        { ...passage(0, own, 1), swing: groove.swing ?? USUAL_SWING },
      ],
      names,
    });
  const other = otherSide(groove, contrast);
  if (!other.ok) return other;
  const [one, two] = other.value;
  return ok({
    groove: { ...groove, bars: [...one.bars, ...two.bars] },
    passages: [passage(0, one.bars.length, 0), passage(one.bars.length, two.bars.length, 1)],
    names,
  });
}

function otherSide(groove: Groove, contrast: Exclude<Contrast, 'straight and swung'>): Result<[Groove, Groove]> {
  if (contrast !== 'plain and accented') {
    const changed = reRated(groove, contrast);
    return changed.ok ? ok([groove, changed.value.groove]) : changed;
  }
  if (!groove.bars.some((bar) => bar.strokes.some(({ height }) => height === 'accent')))
    return fail(
      problem(
        'no-accents',
        'This groove has no accents, so both sides would be the same.',
        'Set an accent on the bench first.',
      ),
    );
  const plain = groove.bars.map((bar) => ({
    ...bar,
    strokes: bar.strokes.map((stroke) => (stroke.height === 'accent' ? { ...stroke, height: 'tap' as const } : stroke)),
  }));
  return ok([{ ...groove, bars: plain }, groove]);
}

function reRated(groove: Groove, contrast: Exclude<Contrast, 'straight and swung' | 'plain and accented'>) {
  if (contrast === 'written and half-time') return stretch(groove, 2);
  if (contrast === 'written and double-time') return stretch(groove, '1/2');
  const value: NoteValue = contrast === 'written and in triplets' ? '8th triplet' : '16th';
  const notes = new Set(strokesOf(groove).map(({ at }) => format(at))).size;
  return rerate(groove, [{ value, notes }]);
}
