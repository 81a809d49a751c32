import { fail, ok, problem, type Result } from '../result';
import { MOST_BARS } from '../limits';
import { type Groove } from './groove';
import { barsFrom, type FreeStroke } from './place';

/** A new groove and a sentence on what was done. */
export interface Transformed {
  groove: Groove;
  say: string;
}

/** What a transform answers: a new groove with its sentence, or what is in the way and what would work. */
export type Answer = Result<Transformed>;

/** The answer where no grid can hold what came out. */
export const noGrid = () =>
  fail(
    problem(
      'no-grid',
      'No grid of up to 8 parts a count holds all its strokes then.',
      'Choose another amount, or fewer limbs.',
    ),
  );

/** Lays strokes into bars like these and answers with the groove, or says that no grid holds them. */
export function inBars(
  groove: Groove,
  strokes: readonly FreeStroke[],
  like: Parameters<typeof barsFrom>[1],
  say: string,
  change: Partial<Groove> = {},
): Answer {
  if (like.length > MOST_BARS)
    return fail(
      problem('too-many-bars', `That would be ${like.length} bars.`, `A groove has at most ${MOST_BARS}.`, {
        like: like.length,
        most: MOST_BARS,
      }),
    );
  const bars = barsFrom(strokes, like, change.reading ?? groove.reading);
  return bars ? ok({ groove: { ...groove, ...change, bars }, say }) : noGrid();
}
