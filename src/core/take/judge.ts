import { format, type WholeNotes } from '../time/fraction';
import type { Limb } from '../groove/limbs';
import { isSameExercise, exerciseAt } from '../form/exercises';
import { beatOf } from '../groove/beat';
import { schedule, type Schedule, type TimedStroke } from '../schedule/schedule';
import { valueMs } from '../time/tempoMap';
import type { Ms } from '../time/units';
import { runOf, taskAt, wholeTask, type Hit, type Take } from '../documents/take';
import { smallestAudibleMs, figuresOf, LEVEL_FACTORS, trendOf, type Figures, type Level, type Placed } from './figures';
import { gapAt, matchLines } from './match';
import { verdictOf, type Verdict } from './verdict';

/** To be raised whenever the same take may come to other figures or another verdict than before. */
export const JUDGE_VERSION = 1;

/** A stroke that was due, with what came of it. `hitMs` and `errorMs` are undefined when it was missed. */
export interface JudgedStroke {
  stroke: TimedStroke;
  hitMs?: Ms;
  errorMs?: Ms;
  /** The smallest error that can be heard here. */
  heardMs: Ms;
}

/** A hit that belongs to no stroke, on the limb that made it; `barInRun` is the bar it fell in. */
export interface ExtraHit extends Hit {
  barInRun: number;
}

/** All strokes of one limb at one written place of the groove, over the rounds; of a drill, over all times of its exercise. */
export interface PlaceFigures extends Figures {
  limb: Limb;
  bar: number;
  written: WholeNotes;
}

/** One exercise of a drill; called more than once, all its times. */
export interface PartFigures extends Figures {
  /** Its index in the parts of the take, where it comes first. */
  part: number;
}

export interface Judgement {
  schedule: Schedule;
  strokes: JudgedStroke[];
  extra: ExtraHit[];
  figures: Figures;
  byLimb: (Figures & { limb: Limb })[];
  byPlace: PlaceFigures[];
  /** Of a drill: the figures of each exercise that was played. */
  byPart: PartFigures[];
  /** What a stroke of this take may miss by at the player's level, the median over its strokes. */
  toleranceMs: Ms;
  verdict: Verdict;
}

/**
 * Judges a take: each limb of the task is matched by itself, then the figures are drawn up for all, by
 * limb and by place. Strokes due after playing stopped are left out, and with `bars` all but those of these bars of
 * the run, the first and the one after the last. Grace notes are matched, so that
 * they are not called extra, but neither missed nor averaged. The same take gives the same judgement.
 */
export function judge(
  take: Take,
  level: Level,
  bars: { from: number; to: number } = { from: 0, to: Infinity },
): Judgement {
  const timed = schedule(runOf(take));
  const task = wholeTask(take);
  // An early stroke on the first bar may have come while it was still counted in.
  const within = ({ barInRun }: { barInRun: number }) => Math.max(0, barInRun) >= bars.from && barInRun < bars.to;
  const due = timed.sounds.filter(
    (sound): sound is TimedStroke =>
      sound.kind === 'stroke' && taskAt(take, sound.barInRun).includes(sound.limb) && sound.ms <= take.playedMs,
  );
  const lines = task.map((limb) => {
    const strokes = due.filter((stroke) => stroke.limb === limb);
    const hits = take.hits.filter((hit) => hit.limb === limb).sort((a, b) => a.ms - b.ms);
    return { limb, strokes, hits, expectedMs: strokes.map((stroke) => stroke.ms), hitsMs: hits.map((hit) => hit.ms) };
  });
  const matched = matchLines(lines, { longestGapMs: valueMs(beatOf(take.groove), runOf(take).tempo) });

  const heardAt = gapsHeard(due);
  const strokes: JudgedStroke[] = [];
  const extra: ExtraHit[] = [];
  lines.forEach((line, index) => {
    line.strokes.forEach((stroke, at) => {
      const hit = matched[index]!.hitOf[at];
      const hitMs = hit === undefined ? undefined : line.hitsMs[hit];
      const heardMs = smallestAudibleMs(heardAt(stroke.ms));
      if ((stroke.role === 'grace' && hitMs === undefined) || !within(stroke)) return;
      strokes.push({ stroke, hitMs, errorMs: hitMs === undefined ? undefined : hitMs - stroke.ms, heardMs });
    });
    for (const hit of matched[index]!.extra) {
      const one = { ...line.hits[hit]!, barInRun: barAt(timed, line.hits[hit]!.ms) };
      if (one.ms <= take.playedMs && within(one)) extra.push(one);
    }
  });
  strokes.sort((a, b) => a.stroke.ms - b.stroke.ms);

  const judged = strokes.filter(({ stroke }) => stroke.role !== 'grace');
  const byLimb = task.map((limb) => ({
    limb,
    ...figuresFor(
      judged.filter(({ stroke }) => stroke.limb === limb),
      extra.filter((hit) => hit.limb === limb).length,
    ),
  }));
  const byPlace = placesOf(judged, take);
  const byPart = partsOf(judged, extra, timed, take);
  const figures = figuresFor(judged, extra.length);
  const toleranceMs = LEVEL_FACTORS[level] * median(judged.map(({ heardMs }) => heardMs));
  const trend = trendOf(placedOf(judged));
  const trendMs: [Ms, Ms] | undefined = trend && [trend.at(0), trend.at(take.playedMs)];
  const verdict = verdictOf({ take, figures, byLimb, byPlace, toleranceMs, playedMs: take.playedMs, trendMs });
  return { schedule: timed, strokes, extra, figures, byLimb, byPlace, byPart, toleranceMs, verdict };
}

const placedOf = (strokes: readonly JudgedStroke[]): Placed[] =>
  strokes.flatMap(({ stroke, errorMs }) => (errorMs === undefined ? [] : [{ dueMs: stroke.ms, errorMs }]));

function figuresFor(strokes: readonly JudgedStroke[], extra: number): Figures {
  const placed = placedOf(strokes);
  return figuresOf(placed, strokes.length - placed.length, extra);
}

function placesOf(strokes: readonly JudgedStroke[], { parts }: Take): PlaceFigures[] {
  /** The bar of the groove where it stood the first time. */
  const firstBar = (bar: number): number => {
    const found = parts && exerciseAt(parts, bar);
    return found ? parts[found.index]!.from + found.bar : bar;
  };
  const places = grouped(strokes, ({ stroke }) => `${stroke.limb} ${firstBar(stroke.bar)} ${format(stroke.written)}`);
  return [...places.values()].map((all) => {
    const { limb, bar, written } = all[0]!.stroke;
    return { limb, bar: firstBar(bar), written, ...figuresFor(all, 0) };
  });
}

function partsOf(
  strokes: readonly JudgedStroke[],
  extra: readonly ExtraHit[],
  timed: Schedule,
  { parts }: Take,
): PartFigures[] {
  if (!parts) return [];
  const barOf = new Map(timed.bars.map(({ barInRun, bar }) => [barInRun, bar]));
  const partOf = (bar: number | undefined) => {
    const found = bar === undefined ? undefined : exerciseAt(parts, bar);
    return found && parts.findIndex((one) => isSameExercise(one, parts[found.index]!));
  };
  const played = grouped(strokes, ({ stroke }) => partOf(stroke.bar));
  const beside = grouped(extra, ({ barInRun }) => partOf(barOf.get(barInRun)));
  return parts.flatMap((_, part) => {
    const here = played.get(part);
    return here ? [{ part, ...figuresFor(here, beside.get(part)?.length ?? 0) }] : [];
  });
}

function grouped<T, K>(all: readonly T[], keyOf: (one: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const one of all) {
    const group = groups.get(keyOf(one));
    if (group) group.push(one);
    else groups.set(keyOf(one), [one]);
  }
  return groups;
}

/**
 * The gap the ear compares a stroke with: to the nearer stroke of any limb at another moment, since the
 * limbs make one line together.
 */
function gapsHeard(due: readonly TimedStroke[]): (ms: Ms) => Ms {
  const moments = [...new Set(due.filter(({ role }) => role !== 'grace').map(({ ms }) => ms))].sort((a, b) => a - b);
  const indexOf = new Map(moments.map((ms, index) => [ms, index]));
  return (ms) => (indexOf.has(ms) ? gapAt(moments, indexOf.get(ms)!) : 0);
}

const barAt = (timed: Schedule, ms: Ms): number =>
  timed.bars.find((bar) => ms < bar.endMs)?.barInRun ?? timed.bars.at(-1)!.barInRun;

function median(values: readonly number[]): number {
  if (!values.length) return smallestAudibleMs(0);
  return values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;
}
