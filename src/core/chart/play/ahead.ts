import type { WrittenChart } from '../../documents/writtenChart';
import { formatMeter } from '../../grid/meter';
import { equal, toNumber } from '../../time/fraction';
import { unroll, type PlayedBar } from './unroll';
import { tempoOfBar } from './whole';

/**
 * The bars of a chart that are played when these of its sections are, in order, each with its section as it is
 * played.
 */
export function barsPlayed(
  { form, passages }: Pick<WrittenChart, 'form' | 'passages'>,
  wanted: readonly number[],
): PlayedBar[] {
  const unrolled = unroll(form);
  if (!unrolled.ok) return [];
  const of = passages.flatMap(({ exercise, bars, times }) => Array.from({ length: bars * times }, () => exercise ?? 0));
  const isWanted = new Set(wanted);
  return unrolled.value.filter((_, index) => isWanted.has(of[index] ?? 0));
}

/** So many bars before something is to be done it is said. */
const BARS_AHEAD = 2;

/** What is new in a bar that comes: where one gets to, how it is felt, what is caught. */
function newIn(bar: PlayedBar, before: PlayedBar): string[] {
  const { meter, feel, speed, hits, isRest, free, marks, section, time, times } = bar;
  const isTurned = section !== before.section || time !== before.time;
  const { beat, bpm } = tempoOfBar(bar);
  return [
    isTurned && (times > 1 ? `${section}, time ${time} of ${times}` : section),
    formatMeter(meter) !== formatMeter(before.meter) && formatMeter(meter),
    feel !== before.feel && feel,
    !equal(speed, before.speed) && `${beat} at ${Math.round(toNumber(bpm))}`,
    isRest && !before.isRest && 'rest',
    free && free !== before.free && free,
    marks.dynamic,
    marks.swell && `swell to ${marks.swell.to}`,
    hits.length > 0 && `${hits.length > 1 ? 'hits' : 'hit'} on ${listed(hits.map(({ name }) => named(name)))}`,
    marks.fermata && `hold ${marks.fermata.on}`,
    marks.say,
  ].filter((one): one is string => Boolean(one));
}

/** "4", "the let of 4", "the & of 2 (short)". */
function named(name: string): string {
  const [, length, count] = /^(?:(short|long) )?(.+)$/.exec(name)!;
  const place = count!.includes(' of ') ? `the ${count}` : count!;
  return length ? `${place} (${length})` : place;
}

const listed = (all: readonly string[]): string =>
  all.length > 1 ? `${all.slice(0, -1).join(', ')} and ${all.at(-1)!}` : all.join('');

/**
 * What comes in the next bars, the nearest first: in 2, "half-time shuffle, hit on the let of 4"; nothing where they
 * go on as this one.
 */
export const ahead = (bars: readonly PlayedBar[], at: number): { inBars: number; say: string }[] =>
  Array.from({ length: BARS_AHEAD }, (_, index) => index + 1).flatMap((inBars) => {
    const [bar, before] = [bars[at + inBars], bars[at + inBars - 1]];
    if (!before) return [];
    const say = bar ? newIn(bar, before).join(', ') : 'end';
    return say ? [{ inBars, say }] : [];
  });
