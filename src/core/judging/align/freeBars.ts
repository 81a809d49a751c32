import { taskAt, type Hit, type Take } from '../../documents/take';
import type { Form } from '../../form/form';
import type { Schedule, TimedBar, TimedStroke } from '../../schedule/timed';
import { valueMs } from '../../time/tempoMap';
import type { Ms } from '../../time/units';

/**
 * A hit this far from a stroke that is written belongs to it: a quarter of a count, so that 8ths beside it are left
 * alone.
 */
const REACH_COUNTS = 1 / 4;
/** Where counts go by fast, this far. */
const LEAST_REACH_MS: Ms = 80;

/** The bar of a run that a moment lies in. */
const barAt = (bars: readonly TimedBar[], ms: Ms): TimedBar | undefined =>
  bars.findLast(({ startMs }) => startMs <= ms);

/**
 * A take without what was struck in bars that are the player's own, away from what is written there: time is kept as
 * one likes in them, and only the hits are asked for. The same take where there are no such bars.
 */
export function withoutFreeHits(take: Take, form: Form, { bars, sounds }: Pick<Schedule, 'bars' | 'sounds'>): Take {
  if (!form.bars.some(({ isFree }) => isFree)) return take;
  const byBar = new Map<number, TimedStroke[]>();
  for (const sound of sounds)
    if (sound.kind === 'stroke' && taskAt(form, take, sound.barInRun).includes(sound.limb))
      byBar.set(sound.barInRun, [...(byBar.get(sound.barInRun) ?? []), sound]);
  const isAsked = ({ ms, limb }: Hit): boolean => {
    const bar = Math.max(0, barAt(bars, ms)?.barInRun ?? 0);
    const { isFree, tempo } = form.bars[bar]!;
    if (!isFree) return true;
    const reach = Math.max(LEAST_REACH_MS, REACH_COUNTS * valueMs(tempo.beat, tempo));
    // An early stroke on the first place of the bar after lies in this one.
    return [bar, bar + 1].some((at) =>
      byBar.get(at)?.some((stroke) => (!limb || stroke.limb === limb) && Math.abs(stroke.ms - ms) <= reach),
    );
  };
  return { ...take, hits: take.hits.filter(isAsked) };
}
