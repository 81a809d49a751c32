import { lastBpm, readTake, writeTake, type InputName, type Take } from '@/core/documents/take';
import { writeFigures } from '@/core/documents/takeFigures';
import type { Level } from '@/core/limits';
import { fail, ok, problem, type Result } from '@/core/result';
import { levelOf, type Tolerance } from '@/core/judging/types/figures';
import { judge, JUDGE_VERSION } from '@/core/judging/verdict/judge';
import { figuresOfTake } from '@/core/judging/report/takeFigures';
import { placeJudged } from '@/core/judging/verdict/verdict';
import { planInWords } from '@/core/time/clickPlan';
import type { Bpm, Ms } from '@/core/time/units';
import { asJson } from '../asJson';

/** The columns that judging fills. */
export const JUDGED = [
  'matched',
  'missed',
  'extra',
  'not_judgeable',
  'mean_error_ms',
  'sd_error_ms',
  'sd_around_trend_ms',
  'tempo_drift_percent',
  'tolerance_ms',
  'verdict_about',
  'verdict',
  'judge_version',
  'figures',
];

export interface JudgedColumns {
  /** In the order of `JUDGED`. */
  values: unknown[];
  /** Rows of `take_place`, without the take's id, each column a list. */
  places: unknown[][];
}

/** All that is kept of a take beside whose it is. It crosses from a worker as it is. */
export interface JudgedTake extends JudgedColumns {
  level: Level;
  /** Where the workshop has set another than is usual for the level. */
  toleranceFactor: number | null;
  playedMs: Ms;
  tempo: Bpm;
  click: string;
  input: InputName;
  /** As JSON. */
  document: string;
  /** The bars it was played from, as JSON. */
  bars: string;
  /** Of a groove, every bar of it was gone through; a drill may be played by some of its exercises. */
  isWhole: boolean;
  /** Which stretches of its bars were gone through. */
  passages: Take['passages'];
}

/** Judges a take that was read. */
export function judgedColumns(played: Take, tolerance: Tolerance): JudgedColumns {
  const judgement = judge(played, tolerance);
  const { figures, toleranceMs, verdict, byPlace } = judgement;
  const places = byPlace.map((one) => ({ ...one, ...placeJudged(played, one.limb, one.bar, one.written) }));
  return {
    values: [
      figures.matched,
      figures.missed,
      figures.extra,
      figures.notJudgeable ?? 0,
      figures.meanErrorMs,
      figures.sdErrorMs,
      figures.sdAroundTrendMs,
      figures.tempoDriftPercent,
      toleranceMs,
      verdict.about,
      JSON.stringify(verdict),
      JUDGE_VERSION,
      JSON.stringify(writeFigures(figuresOfTake(played, judgement))),
    ],
    places: [
      places.map(({ limb }) => limb),
      places.map(({ bar }) => bar),
      places.map(({ exercise }) => exercise ?? null),
      places.map(({ count }) => count),
      places.map(({ part }) => part),
      places.map(({ parts }) => parts),
      places.map(({ counts }) => counts),
      places.map(({ matched }) => matched),
      places.map(({ missed }) => missed),
      places.map(({ meanErrorMs }) => meanErrorMs),
      places.map(({ sdErrorMs }) => sdErrorMs),
    ],
  };
}

const isThrough = (passages: Take['passages'], bar: number) =>
  passages.some(({ from, bars }) => bar >= from && bar < from + bars);

/** Whether these bars were gone through, from the first to the last by index; without any, all there are. */
export function isThroughBars({ isWhole, passages }: JudgedTake, from: number | null, to: number | null): boolean {
  if (from === null || to === null) return isWhole;
  return Array.from({ length: to - from + 1 }, (_, at) => from + at).every((bar) => isThrough(passages, bar));
}

/**
 * Whether all of it was gone through: every bar of a groove, every section of a chart; a drill may be played by some
 * of its exercises.
 */
function isPlayedWhole({ groove, passages, exercises }: Take): boolean {
  if (!exercises) return groove.bars.every((_, bar) => isThrough(passages, bar));
  return exercises.every(
    ({ section }, index) => section === undefined || passages.some(({ exercise }) => exercise === index),
  );
}

/** A take with its figures, ready to be kept. */
export function judgedTake(played: Take, tolerance: Tolerance): JudgedTake {
  const json = writeTake(played);
  return {
    ...judgedColumns(played, tolerance),
    level: levelOf(tolerance),
    toleranceFactor: typeof tolerance === 'string' ? null : tolerance.factor,
    playedMs: Math.round(played.playedMs),
    tempo: lastBpm(played),
    click: planInWords(played.click),
    input: played.input,
    document: asJson(json),
    bars: JSON.stringify(json.groove.bars),
    isWhole: isPlayedWhole(played),
    passages: played.passages,
  };
}

/** Reads and judges what was sent as a take; problems say what is wrong with it. Never throws. */
export function judgeSent(json: unknown, tolerance: Tolerance): Result<JudgedTake> {
  const read = readTake(json);
  if (!read.ok) return read;
  try {
    return ok(judgedTake(read.value, tolerance));
  } catch {
    // Sums of its fractions leave what can be counted exactly.
    return fail(problem('cannot-be-judged', 'This take cannot be worked out.', 'Play it with simpler settings.'));
  }
}
