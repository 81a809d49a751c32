import type { Delay } from '../../documents/ears';
import { fail, ok, problem, type Result } from '../../result';
import type { Ms } from '../../time/units';

/** Fewer strokes on the click say nothing of a device. */
const FEWEST = 8;
/** The middle half of the strokes lies within so much where somebody plays along well enough to measure by. */
const MOST_SPREAD: Ms = 50;
/** The standard deviation of a normal spread is so much of what its middle half spans. */
const OF_MIDDLE_HALF = 0.7413;
/** The standard error of a median is so much of that of a mean; two of them hold 95 %. */
const OF_MEDIAN = 1.2533;

/**
 * What a device adds to the time of a stroke, by strokes that were played along to a click: the middle of how much
 * later than its click each came, with the half-width of its 95 % interval. What the player is late by is in it as
 * well: nobody can tell the two apart. A stroke belongs to the click it is nearest to, once.
 */
export function measureLatency(strokesMs: readonly Ms[], clicksMs: readonly Ms[]): Result<Delay> {
  const gap = Math.min(...clicksMs.slice(1).map((ms, index) => ms - clicksMs[index]!));
  const offs = clicksMs
    .flatMap((click) => {
      const near = strokesMs.map((ms) => ms - click).filter((off) => off > -gap / 3 && off <= (2 * gap) / 3);
      return near.length ? [near.reduce((best, off) => (Math.abs(off) < Math.abs(best) ? off : best))] : [];
    })
    .sort((a, b) => a - b);
  if (offs.length < FEWEST)
    return fail(
      problem(
        'too-few',
        `${offs.length} of ${clicksMs.length} clicks had a stroke.`,
        'Strike once with every click, and nothing else.',
        { strokes: offs.length },
      ),
    );
  const at = (share: number) => offs[Math.round(share * (offs.length - 1))]!;
  const spread = at(0.75) - at(0.25);
  if (spread > MOST_SPREAD)
    return fail(
      problem(
        'uneven',
        `The strokes lie ${Math.round(spread)} ms apart, which is too uneven to measure by.`,
        'Strike with the click, calmly, and leave the rest out.',
        { spread },
      ),
    );
  const standardError = (OF_MEDIAN * OF_MIDDLE_HALF * spread) / Math.sqrt(offs.length);
  return ok({ ms: at(0.5), spreadMs: 2 * standardError });
}
