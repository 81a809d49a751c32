import { formOfTake, taskAt, wholeTask, type Hit, type Take } from '../../documents/take';
import type { Form } from '../../form/form';
import { LIMBS, otherHand, type Limb } from '../../groove/limbs';
import { schedule } from '../../schedule/schedule';
import type { Schedule, TimedBar, TimedStroke } from '../../schedule/timed';
import { format } from '../../time/fraction';
import { valueMs } from '../../time/tempoMap';
import type { Ms } from '../../time/units';
import { align, type Alignment } from '../align/align';
import type { LimbLine } from '../align/assign';
import {
  figuresOf,
  factorOf,
  levelOf,
  smallestAudibleMs,
  type Figures,
  type Placed,
  type Tolerance,
} from '../types/figures';
import { scoreFaults } from '../faults/scoreFaults';
import { withoutFreeHits } from '../align/freeBars';
import { groupBy } from '../../stats/groupBy';
import type {
  BarWindow,
  ExerciseFigures,
  ExtraHit,
  JudgedStroke,
  Judgement,
  Outcome,
  PlaceFigures,
} from '../types/judgement';
import { gapAt } from '../align/match';
import { verdictOf } from './verdict';

/** To be raised whenever the same take may come to other figures or another verdict than before. */
export const JUDGE_VERSION = 6;

/** What belongs to one limb, or, where hits name none, to all of them together. */
interface LineDue extends LimbLine {
  strokes: readonly TimedStroke[];
  hits: readonly Hit[];
}

/**
 * Judges a take: what was struck is laid over what was due (as it is, along a drift, displaced as a whole, or bar by
 * bar), each limb is matched by itself, then the figures are drawn up for all, by limb and by place, and the
 * explanation that explains most is named. Hits that name no limb are matched with the moments at which anything was
 * due; of strokes that fall together one hit tells of one, and the others are not judgeable. Strokes due after
 * playing stopped are left out, and with `bars` all but those of these bars of the run. Grace notes are matched, so
 * that they are not called extra, but neither missed nor averaged. The same take gives the same judgement.
 * docs/judging.md has the method.
 */
export function judge(played: Take, tolerance: Tolerance, bars: BarWindow = { from: 0, to: Infinity }): Judgement {
  const form = formOfTake(played);
  const timed = schedule(form);
  const take = withoutFreeHits(played, form, timed);
  const task = wholeTask(take);
  // An early stroke on the first bar may have come while it was still counted in.
  const within = ({ barInRun }: { barInRun: number }) => Math.max(0, barInRun) >= bars.from && barInRun < bars.to;
  const countMs = valueMs(form.bars[0]!.tempo.beat, form.bars[0]!.tempo);
  // Looked for a count beyond the end of playing, so that the last hits are not given to strokes before theirs.
  const looked = timed.sounds.filter(
    (sound): sound is TimedStroke =>
      sound.kind === 'stroke' &&
      taskAt(form, take, sound.barInRun).includes(sound.role === 'grace' ? otherHand(sound.limb) : sound.limb) &&
      sound.ms <= take.playedMs + countMs,
  );
  const due = looked.filter(({ ms }) => ms <= take.playedMs);
  const gapOf = gapsHeard(due);
  const toleranceMs =
    factorOf(tolerance) *
    median(
      due.filter((stroke) => stroke.role !== 'grace' && within(stroke)).map(({ ms }) => smallestAudibleMs(gapOf(ms))),
    );

  const lines = linesOf(take, task, looked);
  const dueBars = timed.bars.filter(({ barInRun, startMs }) => barInRun >= 0 && startMs < take.playedMs);
  const laid = align(lines, dueBars, { scaleMs: toleranceMs, longestGapMs: LONGEST_GAP_COUNTS * countMs, countMs });

  const all: JudgedStroke[] = [];
  const extra: ExtraHit[] = [];
  const unheard = new Set(take.unheard?.map(({ limb, ms }) => `${limb} ${Math.round(ms)}`));
  const couldBeTold = ({ limb, ms }: TimedStroke) =>
    take.hears?.includes(limb) !== false && !unheard.has(`${limb} ${Math.round(ms)}`);
  lines.forEach((line, index) => {
    const { hitOf, extra: beside } = laid.assigned[index]!;
    for (const [at, stroke] of line.strokes.entries()) {
      if (stroke.ms > take.playedMs) continue;
      const hit = hitOf[at]!;
      const audibleMs = smallestAudibleMs(gapOf(stroke.ms));
      if (hit >= 0) {
        const hitMs = line.hitsMs[hit]!;
        all.push({
          stroke,
          outcome: 'matched',
          hitMs,
          errorMs: hitMs - stroke.ms - lagMs(laid, dueBars, stroke),
          audibleMs,
        });
      } else if (stroke.role !== 'grace') {
        all.push({ stroke, outcome: couldBeTold(stroke) ? 'missed' : 'not judgeable', audibleMs });
      }
    }
    for (const hit of beside) {
      const one = { ...line.hits[hit]!, barInRun: barAt(timed, line.hitsMs[hit]!) };
      if (form.bars[Math.max(0, one.barInRun)]!.isFree) continue;
      if (one.ms <= take.playedMs && within(one) && (!one.limb || task.includes(one.limb))) extra.push(one);
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
  const found = scoreFaults({
    take,
    level: levelOf(tolerance),
    form,
    timed,
    strokes,
    extra,
    laid,
    toleranceMs,
    countMs,
    figures,
    byLimb,
  });
  const verdict = verdictOf({ take, figures, byPlace, toleranceMs, found });
  const byExercise = exercisesOf(judged, extra, form);
  return { schedule: timed, strokes, extra, figures, byLimb, byPlace, byExercise, toleranceMs, verdict };
}

/** A gap between strokes counts as no longer than this. */
const LONGEST_GAP_COUNTS = 2;

/** How much later than due the bar of a stroke was played, where bars were left out or put in. */
function lagMs({ lag }: Alignment, bars: readonly TimedBar[], { barInRun }: TimedStroke): Ms {
  const late = lag.get(Math.max(0, barInRun));
  if (!late) return 0;
  const at = bars.findIndex((bar) => bar.barInRun === barInRun);
  return (bars[at + late]?.startMs ?? 0) - (bars[at]?.startMs ?? 0);
}

/** What is matched with what: each limb with its hits, and the moments of all limbs with hits that name none. */
function linesOf(take: Take, task: readonly Limb[], due: readonly TimedStroke[]): LineDue[] {
  const line = (strokes: readonly TimedStroke[], ofLimb: Limb | undefined): LineDue => {
    const hits = take.hits.filter((hit) => hit.limb === ofLimb).sort((a, b) => a.ms - b.ms);
    return {
      strokes,
      hits,
      dueMs: strokes.map(({ ms }) => ms),
      isGrace: strokes.map(({ role }) => role === 'grace'),
      hitsMs: hits.map(({ ms }) => ms),
    };
  };
  if (take.hits.length && take.hits.every(({ limb }) => limb === undefined))
    return [
      line(
        due.filter(({ ms, role }, index) => role !== 'grace' && !(index > 0 && ms - due[index - 1]!.ms < TOGETHER_MS)),
        undefined,
      ),
    ];
  // A grace is the other hand's, which may have no task of its own.
  const limbs = LIMBS.filter((limb) => task.includes(limb) || due.some((stroke) => stroke.limb === limb));
  return limbs.map((limb) =>
    line(
      due.filter((stroke) => stroke.limb === limb),
      limb,
    ),
  );
}

/**
 * Strokes nearer than this make one sound to an input that hears no limbs: two onsets within 20 ms are not told
 * apart.
 */
const TOGETHER_MS: Ms = 20;

/**
 * Strokes that fall together with one that was looked for, where the hits name no limbs: heard as one, they cannot be
 * judged apart.
 */
function fallenTogether(judged: readonly JudgedStroke[], due: readonly TimedStroke[]): JudgedStroke[] {
  const seen = new Set(judged.map(({ stroke }) => stroke));
  return due
    .filter((stroke) => !seen.has(stroke) && stroke.role !== 'grace')
    .map((stroke): JudgedStroke => ({ stroke, outcome: 'not judgeable', audibleMs: smallestAudibleMs(0) }));
}

const placedOf = (strokes: readonly JudgedStroke[]): Placed[] =>
  strokes.flatMap(({ stroke, errorMs }) => (errorMs === undefined ? [] : [{ dueMs: stroke.ms, errorMs }]));

function figuresFor(strokes: readonly JudgedStroke[], extra: number): Figures {
  const count = (wanted: Outcome) => strokes.filter(({ outcome }) => outcome === wanted).length;
  return figuresOf(placedOf(strokes), count('missed'), extra, count('not judgeable'));
}

function placesOf(strokes: readonly JudgedStroke[]): PlaceFigures[] {
  const places = groupBy(strokes, ({ stroke }) => `${stroke.limb} ${stroke.bar} ${format(stroke.written)}`);
  return [...places.values()].map((all) => {
    const { limb, bar, written } = all[0]!.stroke;
    return { limb, bar, written, ...figuresFor(all, 0) };
  });
}

function exercisesOf(strokes: readonly JudgedStroke[], extra: readonly ExtraHit[], { bars }: Form): ExerciseFigures[] {
  const exerciseAt = (barInRun: number) => bars[Math.max(0, barInRun)]?.origin.exercise;
  const played = groupBy(strokes, ({ stroke }) => exerciseAt(stroke.barInRun));
  const beside = groupBy(extra, ({ barInRun }) => exerciseAt(barInRun));
  return [...played]
    .flatMap(([exercise, all]) =>
      exercise === undefined ? [] : [{ exercise, ...figuresFor(all, beside.get(exercise)?.length ?? 0) }],
    )
    .sort((one, other) => one.exercise - other.exercise);
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
