import { readGroove, writeGroove } from '../documents/groove';
import type { Groove } from '../groove/groove';
import { strokesOf } from '../groove/place';
import type { Transformed } from '../groove/transformed';
import type { Result } from '../result';
import { format } from '../time/fraction';

/** The groove that came out, which can be stored and read again. */
export function done(answer: Result<Transformed>): Groove {
  if (!answer.ok) throw new Error(answer.problems[0]!.say);
  const stored = readGroove(JSON.parse(JSON.stringify(writeGroove(answer.value.groove))));
  if (!stored.ok) throw new Error(stored.problems[0]!.say);
  return answer.value.groove;
}

/** What is in the way; undefined where nothing is. */
export const refusal = (answer: Result<unknown>): string | undefined =>
  answer.ok ? undefined : answer.problems[0]!.say;
/** The code of what is in the way. */
export const code = (answer: Result<unknown>): string => (answer.ok ? 'done' : answer.problems[0]!.code);
/** What was done, or what is in the way. */
export const said = (answer: Result<Transformed>): string => (answer.ok ? answer.value.say : answer.problems[0]!.say);

/** Every stroke, by place, limb and height, in an order of its own. */
export const heard = (groove: Groove): string[] =>
  strokesOf(groove)
    .map(({ limb, at, height }) => `${format(at)} ${limb} ${height}`)
    .sort();
export const places = (groove: Groove): string[] => strokesOf(groove).map(({ at }) => format(at));
/** The strokes of each bar by their place in it, in the order in which they lie there. */
export const inOrder = ({ bars }: Groove): string[][] => bars.map(({ strokes }) => strokes.map(({ at }) => format(at)));
