import { formOfTake, taskAt, wholeTask, type Hit, type Take } from '../documents/take';
import type { Verdict } from '../documents/verdict';
import type { Form } from '../form/form';
import type { Limb } from '../groove/limbs';
import type { Level } from '../limits';
import { schedule } from '../schedule/schedule';
import type { Schedule, TimedStroke } from '../schedule/timed';
import { format, type WholeNotes } from '../time/fraction';
import { valueMs } from '../time/tempoMap';
import type { Ms } from '../time/units';
import { figuresOf, LEVEL_FACTORS, smallestAudibleMs, trendOf, type Figures, type Placed } from './figures';
import { gapAt, matchLines, type Line } from './match';
import { verdictOf } from './verdict';

/** To be raised whenever the same take may come to other figures or another verdict than before. */
export const JUDGE_VERSION = 2;

/** What became of a stroke that was due. `not judgeable`: the input cannot tell whether it was played. */
export type Outcome = 'matched' | 'missed' | 'not judgeable';

/** A stroke that was due, with what came of it. `hitMs` and `errorMs` are those of a matched one. */
export interface JudgedStroke {
  stroke: TimedStroke;
  outcome: Outcome;
  hitMs?: Ms;
  errorMs?: Ms;
  /** The smallest error that can be heard here. */
  audibleMs: Ms;
}

/** A hit that belongs to no stroke; `barInRun` is the bar it fell in. */
export interface ExtraHit extends Hit {
  barInRun: number;
}

/** All strokes of one limb at one written place of the groove, over all times it was played. */
export interface PlaceFigures extends Figures {
  limb: Limb;
  bar: number;
  written: WholeNotes;
}

/** One exercise of a drill, all its times. */
export interface ExerciseFigures extends Figures {
  exercise: number;
}

export interface Judgement {
  schedule: Schedule;
  strokes: JudgedStroke[];
  extra: ExtraHit[];
  figures: Figures;
  byLimb: (Figures & { limb: Limb })[];
  byPlace: PlaceFigures[];
  /** Of a drill: the figures of each exercise that was played, in the order of the drill. */
  byExercise: ExerciseFigures[];
  /** What a stroke of this take may miss by at the player's level, the median over its strokes. */
  toleranceMs: Ms;
  verdict: Verdict;
}

/** Bars of the run, the first and the one after the last. */
export interface BarWindow {
  from: number;
  to: number;
}

/** What belongs to one limb, or, where hits name none, to all of them together. */
interface LineDue extends Line {
  strokes: readonly TimedStroke[];
  hits: readonly Hit[];
}

/**
 * Judges a take: each limb of the task is matched by itself, then the figures are drawn up for all, by
 * limb and by place. Hits that name no limb are matched with the moments at which anything was due; of strokes that
 * fall together one hit tells of one, and the others are not judgeable. Strokes due after playing stopped are left out,
 * and with `bars` all but those of these bars of the run. Grace notes are matched, so that they are not called extra,
 * but neither missed nor averaged. The same take gives the same judgement.
 */
export function judge(take: Take, level: Level, bars: BarWindow = { from: 0, to: Infinity }): Judgement {
  const form = formOfTake(take);
  const timed = schedule(form);
  const task = wholeTask(take);
  // An early stroke on the first bar may have come while it was still counted in.
  const within = ({ barInRun }: { barInRun: number }) => Math.max(0, barInRun) >= bars.from && barInRun < bars.to;
  const due = timed.sounds.filter(
    (sound): sound is TimedStroke =>
      sound.kind === 'stroke' && taskAt(form, take, sound.barInRun).includes(sound.limb) && sound.ms <= take.playedMs,
  );
  const lines = linesOf(take, task, due);
  const matched = matchLines(lines, { longestGapMs: valueMs(form.bars[0]!.tempo.beat, form.bars[0]!.tempo) });

  const gapOf = gapsHeard(due);
  const all: JudgedStroke[] = [];
  const extra: ExtraHit[] = [];
  lines.forEach((line, index) => {
    const { hitOf, extra: beside } = matched[index]!;
    for (const [at, stroke] of line.strokes.entries()) {
      const hit = hitOf[at];
      const audibleMs = smallestAudibleMs(gapOf(stroke.ms));
      if (hit !== undefined) {
        const hitMs = line.hitsMs[hit]!;
        all.push({ stroke, outcome: 'matched', hitMs, errorMs: hitMs - stroke.ms, audibleMs });
      } else if (stroke.role !== 'grace') {
        const outcome = take.hears?.includes(stroke.limb) === false ? 'not judgeable' : 'missed';
        all.push({ stroke, outcome, audibleMs });
      }
    }
    for (const hit of beside) {
      const one = { ...line.hits[hit]!, barInRun: barAt(timed, line.hitsMs[hit]!) };
      if (one.ms <= take.playedMs && within(one)) extra.push(one);
    }
  });
  const strokes = [...all, ...fallenTogether(all, due)]
    .filter(({ stroke }) => within(stroke))
    .sort((a, b) => a.stroke.ms - b.stroke.ms);

  const judged = strokes.filter(({ stroke }) => stroke.role !== 'grace');
  const byLimb = task.map((limb) => ({
    limb,
    ...figuresFor(
      judged.filter(({ stroke }) => stroke.limb === limb),
      extra.filter((hit) => hit.limb === limb).length,
    ),
  }));
  const byPlace = placesOf(judged);
  const figures = figuresFor(judged, extra.length);
  const toleranceMs = LEVEL_FACTORS[level] * median(judged.map(({ audibleMs }) => audibleMs));
  const [fromMs, toMs] = windowOf(timed, take, bars);
  const trend = trendOf(placedOf(judged));
  const verdict = verdictOf({
    take,
    figures,
    byLimb,
    byPlace,
    toleranceMs,
    lengthMs: toMs - fromMs,
    trendMs: trend && [trend.at(fromMs), trend.at(toMs)],
  });
  const byExercise = exercisesOf(judged, extra, form);
  return { schedule: timed, strokes, extra, figures, byLimb, byPlace, byExercise, toleranceMs, verdict };
}

/** What is matched with what: each limb with its hits, and the moments of all limbs with hits that name none. */
function linesOf(take: Take, task: readonly Limb[], due: readonly TimedStroke[]): LineDue[] {
  const line = (strokes: readonly TimedStroke[], ofLimb: Limb | undefined): LineDue => {
    const hits = take.hits.filter((hit) => hit.limb === ofLimb).sort((a, b) => a.ms - b.ms);
    return { strokes, hits, expectedMs: strokes.map(({ ms }) => ms), hitsMs: hits.map(({ ms }) => ms) };
  };
  if (take.hits.length && take.hits.every(({ limb }) => limb === undefined))
    return [
      line(
        due.filter(({ ms, role }, index) => role !== 'grace' && !(index > 0 && ms - due[index - 1]!.ms < TOGETHER_MS)),
        undefined,
      ),
    ];
  return task.map((limb) =>
    line(
      due.filter((stroke) => stroke.limb === limb),
      limb,
    ),
  );
}

/** Strokes nearer than this make one sound to an input that hears no limbs: two onsets within 20 ms are not told apart. */
const TOGETHER_MS: Ms = 20;

/** Strokes that fall together with one that was looked for, where the hits name no limbs: heard as one, they cannot be judged apart. */
function fallenTogether(judged: readonly JudgedStroke[], due: readonly TimedStroke[]): JudgedStroke[] {
  const seen = new Set(judged.map(({ stroke }) => stroke));
  return due
    .filter((stroke) => !seen.has(stroke) && stroke.role !== 'grace')
    .map((stroke): JudgedStroke => ({ stroke, outcome: 'not judgeable', audibleMs: smallestAudibleMs(0) }));
}

/** From when to when what is judged lasted: the bars that are looked at, as far as they were played. */
function windowOf({ bars }: Schedule, { playedMs }: Take, { from, to }: BarWindow): [Ms, Ms] {
  const within = bars.filter(({ barInRun }) => barInRun >= from && barInRun < to);
  return [within[0]?.startMs ?? 0, Math.min(playedMs, within.at(-1)?.endMs ?? playedMs)].map((ms) =>
    Math.max(0, ms),
  ) as [Ms, Ms];
}

const placedOf = (strokes: readonly JudgedStroke[]): Placed[] =>
  strokes.flatMap(({ stroke, errorMs }) => (errorMs === undefined ? [] : [{ dueMs: stroke.ms, errorMs }]));

function figuresFor(strokes: readonly JudgedStroke[], extra: number): Figures {
  const count = (wanted: Outcome) => strokes.filter(({ outcome }) => outcome === wanted).length;
  return figuresOf(placedOf(strokes), count('missed'), extra, count('not judgeable'));
}

function placesOf(strokes: readonly JudgedStroke[]): PlaceFigures[] {
  const places = grouped(strokes, ({ stroke }) => `${stroke.limb} ${stroke.bar} ${format(stroke.written)}`);
  return [...places.values()].map((all) => {
    const { limb, bar, written } = all[0]!.stroke;
    return { limb, bar, written, ...figuresFor(all, 0) };
  });
}

function exercisesOf(strokes: readonly JudgedStroke[], extra: readonly ExtraHit[], { bars }: Form): ExerciseFigures[] {
  const exerciseAt = (barInRun: number) => bars[Math.max(0, barInRun)]?.origin.exercise;
  const played = grouped(strokes, ({ stroke }) => exerciseAt(stroke.barInRun));
  const beside = grouped(extra, ({ barInRun }) => exerciseAt(barInRun));
  return [...played]
    .flatMap(([exercise, all]) =>
      exercise === undefined ? [] : [{ exercise, ...figuresFor(all, beside.get(exercise)?.length ?? 0) }],
    )
    .sort((one, other) => one.exercise - other.exercise);
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
