import { isOnCount } from '../counting/placeInWords';
import { formOfTake, type Take } from '../documents/take';
import { cellAt } from '../grid/cells';
import { normal } from '../random';
import { schedule } from '../schedule/schedule';
import type { Schedule, TimedStroke } from '../schedule/timed';
import type { Level } from '../limits';
import { groupBy } from '../stats/groupBy';
import { WANDERS_DB } from '../judging/faults/loudness';
import { format } from '../time/fraction';
import type { Ms } from '../time/units';
import type { Plant } from './plant';

/** How each fault that is planted changes a take. */

/** The strokes a take is due, without graces. */
const dueOf = (take: Take): TimedStroke[] =>
  schedule(formOfTake(take)).sounds.filter((sound): sound is TimedStroke => sound.kind === 'stroke');

/** How the strokes of a take are changed by a fault. */
export interface Fault {
  plant: Plant;
  timed: Schedule;
  /** All strokes that are due, graces with them. */
  all: TimedStroke[];
  countMs: Ms;
  placeOf: (stroke: TimedStroke) => string;
  shift: (stroke: TimedStroke) => Ms;
  spreadOf: (stroke: TimedStroke) => Ms;
  isLost: (stroke: TimedStroke) => boolean;
  /** Strokes that are struck once more. */
  more: ReadonlySet<TimedStroke>;
  graceGap?: Ms;
  isFlat: (stroke: TimedStroke) => boolean;
  /** By so many decibels. */
  softer: (stroke: TimedStroke) => number;
}

/** The fault of a kind and size in a take, for players of a spread; undefined where the groove cannot show it. */
export function faultIn(
  take: Take,
  { kind, times, level }: Pick<Plant, 'kind' | 'times'> & { level: Level },
  toleranceMs: Ms,
  spreadMs: Ms,
  random: () => number,
): Fault | undefined {
  const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!;
  const timed = schedule(formOfTake(take));
  const form = formOfTake(take);
  const all = dueOf(take);
  const due = all.filter(({ role }) => role !== 'grace');
  const limbs = [...new Set(due.map(({ limb }) => limb))];
  const size = times * toleranceMs;
  const way = (isLate: boolean) => (isLate ? size : -size);
  const countMs = timed.countsMs[1]! - timed.countsMs[0]!;
  const enough = limbs.filter((limb) => due.filter((stroke) => stroke.limb === limb).length >= 8);
  const limb = pick(enough.length ? enough : limbs);
  /** So large a share of strokes, two at the least, wherever they are. */
  const some = (of: readonly TimedStroke[], share: number) => {
    const mixed = of.map((stroke) => ({ stroke, at: random() })).sort((a, b) => a.at - b.at);
    return new Set(mixed.slice(0, Math.max(2, Math.round(share * of.length))).map(({ stroke }) => stroke));
  };
  const placeOf = (stroke: TimedStroke) => `${stroke.limb} ${stroke.bar} ${format(stroke.written)}`;
  const place = placeOf(pick(due));
  const limbsAt = groupBy(due, ({ ms }) => Math.round(ms));
  const isTogether = ({ ms, role }: TimedStroke) =>
    role === 'main' && new Set(limbsAt.get(Math.round(ms))!.map((one) => one.limb)).size > 1;
  const isOff = (stroke: TimedStroke) => !isOnCount(take.groove, stroke.bar, stroke.written);
  const bars = timed.bars.filter(({ barInRun }) => barInRun >= 0);
  const bar = 1 + Math.floor(random() * Math.max(1, bars.length - 2));
  const swungMs = (stroke: TimedStroke) => {
    const straight = dueStraight.get(`${stroke.limb} ${stroke.barInRun} ${format(stroke.written)} ${stroke.role}`);
    return straight === undefined ? 0 : stroke.ms - straight;
  };
  const dueStraight = new Map(
    dueOf({ ...take, swing: 'straight' }).map((one) => [
      `${one.limb} ${one.barInRun} ${format(one.written)} ${one.role}`,
      one.ms,
    ]),
  );
  const mostSwung = Math.max(0, ...due.map(swungMs));
  const first = firstAfterSwitch(due, take);
  const barMs = bars[0]!.endMs - bars[0]!.startMs;
  const plant = (about: Plant['about'], more: Partial<Plant> = {}): Plant => ({ kind, times, about, ...more });

  let planted: Plant;
  let shift: (stroke: TimedStroke) => Ms = () => 0;
  let spreadOf = (_: TimedStroke): number => spreadMs;
  let isLost = (_: TimedStroke): boolean => false;
  let more = new Set<TimedStroke>();
  let graceGap: number | undefined;
  let flatAccents = false;
  /** By so many decibels. */
  let softer = (_: TimedStroke): number => 0;
  const ofLimb = (stroke: TimedStroke) => stroke.limb === limb;
  switch (kind) {
    case 'clean':
      planted = plant('clean');
      break;
    case 'limb late':
    case 'limb early':
      // Where it has the off-beats to itself, the two are the same.
      if (limbs.length < 2 || due.every((stroke) => isOff(stroke) === ofLimb(stroke))) return undefined;
      shift = (stroke) => (ofLimb(stroke) ? way(kind === 'limb late') : 0);
      planted = plant('limb', { limb });
      break;
    case 'place late':
    case 'place early':
      // A limb with one place only is late as a limb.
      if (new Set(due.filter((one) => place.startsWith(`${one.limb} `)).map(placeOf)).size < 2) return undefined;
      shift = (stroke) => (placeOf(stroke) === place ? way(kind === 'place late') : 0);
      planted = plant('place', { place });
      break;
    case 'off-beats late':
      if (due.filter(isOff).length < 8 || due.filter((one) => !isOff(one)).length < 8) return undefined;
      shift = (stroke) => (isOff(stroke) ? size : 0);
      planted = plant('off-beats');
      break;
    case 'behind':
    case 'ahead':
      shift = () => way(kind === 'behind');
      planted = plant('behind or ahead');
      break;
    case 'drift': {
      const sign = pick([1, -1]);
      shift = ({ ms }) => (sign * 2 * size * ms) / timed.endMs;
      planted = plant('drift');
      break;
    }
    case 'phrase':
      if (bars.length < 8) return undefined;
      shift = ({ ms }) => size - 2 * size * ((ms / (4 * barMs)) % 1);
      planted = plant('phrase');
      break;
    case 'swing too straight':
      if (mostSwung < size) return undefined;
      shift = (stroke) => (-size * swungMs(stroke)) / mostSwung;
      planted = plant('swing');
      break;
    case 'switch early':
      if (first.size < 8) return undefined;
      shift = (stroke) => (first.has(stroke.ms) ? -size : 0);
      planted = plant('switch');
      break;
    case 'limb uneven':
      if (limbs.length < 2) return undefined;
      spreadOf = (stroke) => (ofLimb(stroke) ? size : spreadMs);
      planted = plant('limb uneven', { limb });
      break;
    case 'all uneven':
      spreadOf = () => size;
      planted = plant('spread');
      break;
    case 'limb leaves out': {
      const gone = some(due.filter(ofLimb), 0.075 * times);
      isLost = (stroke) => gone.has(stroke);
      planted = plant('missed', { limb });
      break;
    }
    case 'extra':
      more = some(due, 0.06 * times);
      planted = plant('extra');
      break;
    case 'limb a slot late for a bar': {
      const own = due.filter((stroke) => ofLimb(stroke) && stroke.barInRun === bar);
      if (own.length < 3) return undefined;
      const { bar: written, reading } = form.bars[bar]!;
      const cell = cellAt(written.meter, reading, written.cells, own[0]!.written);
      const slotMs = (countMs * cell.counts) / cell.parts;
      // A line that fills its slots sounds the same a slot later.
      if (own.length > (barMs / slotMs) * 0.6 || slotMs < 3 * toleranceMs) return undefined;
      shift = (stroke) => (ofLimb(stroke) && stroke.barInRun === bar ? slotMs : 0);
      planted = plant('displaced', { limb });
      break;
    }
    case 'half a count late':
      shift = () => countMs / 2;
      planted = plant('shifted');
      break;
    case 'a bar left out':
      if (bars.length < 4) return undefined;
      isLost = ({ barInRun }) => barInRun === bar;
      planted = plant('bars left out', { bar });
      break;
    case 'a bar skipped':
      if (bars.length < 6 || new Set(take.groove.bars.map((one) => JSON.stringify(one.strokes))).size < 2)
        return undefined;
      isLost = ({ barInRun }) => barInRun === bar;
      shift = ({ barInRun }) => (barInRun > bar ? -barMs : 0);
      planted = plant('bars left out');
      break;
    case 'flams flat':
    case 'flams wide':
      if (all.filter(({ role, ornament }) => role === 'grace' && ornament === 'flam').length < 6) return undefined;
      graceGap = kind === 'flams flat' ? 2 : 80;
      planted = plant('flam');
      break;
    case 'accents like ghosts': {
      const has = (accent: boolean) => due.filter((one) => ofLimb(one) && (one.height === 'accent') === accent).length;
      if (has(true) < 6 || has(false) < 6) return undefined;
      flatAccents = true;
      planted = plant('accents', { limb });
      break;
    }
    case 'doubles late':
      if (due.filter(({ role }) => role === 'second').length < 8) return undefined;
      shift = ({ role }) => (role === 'second' ? size : 0);
      planted = plant('doubles');
      break;
    case 'doubles weak':
      if (due.filter(({ role }) => role === 'second').length < 8) return undefined;
      softer = ({ role }) => (role === 'second' ? 4 * times : 0);
      planted = plant('doubles');
      break;
    case 'lands after the others':
    case 'lands apart': {
      const own = due.filter(ofLimb);
      const together = own.filter((stroke) => isTogether(stroke)).length;
      if (together < 8 || own.length - together < 8) return undefined;
      const off = own.filter((stroke) => isOff(stroke));
      // Where it is alone on all off-beats and with others on all counts, the two are the same.
      if (kind === 'lands after the others') {
        if (off.length && off.every((stroke) => !isTogether(stroke)) && off.length === own.length - together)
          return undefined;
        shift = (stroke) => (ofLimb(stroke) && isTogether(stroke) ? size : 0);
      } else spreadOf = (stroke) => (ofLimb(stroke) && isTogether(stroke) ? size : spreadMs);
      planted = plant('apart', { limb });
      break;
    }
    case 'loudness wanders':
      if (due.filter(ofLimb).length < 16) return undefined;
      softer = (stroke) => (ofLimb(stroke) ? WANDERS_DB[level] * times * normal(random) : 0);
      planted = plant('loudness', { limb });
      break;
  }
  return {
    plant: planted,
    timed,
    all,
    countMs,
    placeOf,
    shift,
    spreadOf,
    isLost,
    more,
    ...(graceGap !== undefined && { graceGap }),
    isFlat: (stroke) => flatAccents && ofLimb(stroke),
    softer,
  };
}

/** The moments at which the division of the counts has just changed. */
function firstAfterSwitch(due: readonly TimedStroke[], take: Take): Set<Ms> {
  const { groove } = take;
  const moments = new Set<Ms>();
  let before: number | undefined;
  for (const { bar, written, ms } of due) {
    const { meter, cells } = groove.bars[bar]!;
    const cell = cellAt(meter, groove.reading, cells, written);
    const now = cell.parts / cell.counts;
    if (before !== undefined && now !== before) moments.add(ms);
    before = now;
  }
  return moments;
}
