import { formOfTake, type Take } from '../../documents/take';
import type { FigureKind, TakeFigure } from '../../documents/takeFigures';
import type { Form, FormBar } from '../../form/form';
import { HEIGHTS, LIMBS } from '../../groove/limbs';
import type { TimedStroke } from '../../schedule/timed';
import { div, toNumber } from '../../time/fraction';
import type { Ms } from '../../time/units';
import { trendOf } from '../types/figures';
import { flamGaps, loudStrokes } from '../faults/scoreFaults';
import { groupBy } from '../../stats/groupBy';
import type { JudgedStroke, Judgement } from '../types/judgement';
import { accentDistance, secondsAbove } from '../faults/loudness';
import {
  estimatedDifference,
  estimatedMean,
  estimatedShare,
  standardDeviationInterval,
  meanInterval,
  sdOf,
  type Estimate,
} from '../../stats/estimates';
import type { Compared } from './progress';
import { placeJudged } from '../verdict/verdict';
import { factsOf, perQuarter, switchesOf, type StrokeFacts } from '../faults/strokeFacts';

/** So many moments after a change of rate are looked at. */
const AFTER_SWITCH = 3;
/** So many notes make a trend that those are told against. */
const ENOUGH_OTHERS = 8;

/** A stroke that was heard. */
type Heard = JudgedStroke & { errorMs: Ms; hitMs: Ms };

/**
 * Every figure of a take beside those by place: each with what it is of, how many strokes it rests on and its 95 %
 * interval; a figure that they are too few for says so by being null. Strokes that could not be judged are in none.
 */
export function figuresOfTake(take: Take, judgement: Judgement): TakeFigure[] {
  const form = formOfTake(take);
  const facts = factsOf(form, judgement.schedule);
  const judged = judgement.strokes.filter(({ stroke }) => stroke.role !== 'grace');
  const heard = judged.filter((one): one is Heard => one.errorMs !== undefined);
  const one = (kind: FigureKind, of: string, estimate: Estimate, meant?: number): TakeFigure => ({
    kind,
    of,
    ...estimate,
    ...(meant !== undefined && { meant }),
  });
  return [
    ...limbFigures(judgement, heard, one),
    ...rateFigures(heard, form, one),
    ...switchFigures(heard, judged, form, one),
    ...swingFigures(heard, facts, form, one),
    ...togetherFigures(heard, one),
    ...phraseFigures(judgement, heard, one),
    ...loudnessFigures(take, judged, one),
    ...flamFigures(judgement, one),
    ...doubleFigures(heard, facts, one),
  ];
}

type Made = (kind: FigureKind, of: string, estimate: Estimate, meant?: number) => TakeFigure;

/** Where each limb sits, how even it is round its own trend, and how many of its strokes it left out. */
function limbFigures({ byLimb }: Judgement, heard: readonly Heard[], one: Made): TakeFigure[] {
  return byLimb.flatMap(({ limb, matched, missed, sdAroundTrendMs }) => [
    one('limb', limb, estimatedMean(heard.filter(({ stroke }) => stroke.limb === limb).map(({ errorMs }) => errorMs))),
    one('evenness', limb, standardDeviationInterval(matched, sdAroundTrendMs, 2)),
    one('left out', limb, estimatedShare(missed, matched + missed)),
  ]);
}

function rateFigures(heard: readonly Heard[], form: Form, one: Made): TakeFigure[] {
  const rates = groupBy(heard, ({ stroke }) => perQuarter(stroke, form));
  return [...rates]
    .sort(([a], [b]) => a - b)
    .flatMap(([rate, all]) => {
      const errors = all.map(({ errorMs }) => errorMs);
      return [
        one('rate', String(rate), estimatedMean(errors)),
        one(
          'rate spread',
          String(rate),
          standardDeviationInterval(errors.length, errors.length > 1 ? sdOf(errors) : null),
        ),
      ];
    });
}

/**
 * The first three notes after each change of rate, against the trend of the notes that follow none: a take that runs
 * ahead, or sits early throughout, slips at no change of rate. Where every note is among the first three, they are
 * told against those that are not the very first.
 */
function switchFigures(heard: readonly Heard[], judged: readonly JudgedStroke[], form: Form, one: Made): TakeFigure[] {
  const since = switchesOf(
    judged.map(({ stroke }) => stroke),
    form,
  );
  const momentsSince = ({ stroke }: Heard) => since.get(stroke.ms)?.moments ?? Infinity;
  const others =
    [AFTER_SWITCH, 1]
      .map((moments) => heard.filter((each) => momentsSince(each) >= moments))
      .find(({ length }) => length >= ENOUGH_OTHERS) ?? heard;
  const trend = trendOf(others.map(({ stroke, errorMs }) => ({ dueMs: stroke.ms, errorMs })));
  const after = heard.filter((each) => momentsSince(each) < AFTER_SWITCH);
  const pairs = groupBy(after, ({ stroke }) => {
    const { from, to } = since.get(stroke.ms)!;
    return `${from}>${to}`;
  });
  return [...pairs].map(([pair, all]) =>
    one('switch', pair, estimatedMean(all.map(({ stroke, errorMs }) => errorMs - (trend?.at(stroke.ms) ?? 0)))),
  );
}

/** The ratio of the long to the short part of each swung pair as it was played, beside the one that was meant. */
function swingFigures(heard: readonly Heard[], facts: StrokeFacts, form: Form, one: Made): TakeFigure[] {
  const lateOnMs = errorsOfOthers(heard, facts);
  const played = heard.flatMap((each) => {
    const [delay, pair] = [facts.swungMs(each.stroke), facts.pairMs(each.stroke)];
    const share = (pair / 2 + delay) / pair;
    if (delay < 1 || share >= 1) return [];
    const value = form.bars[Math.max(0, each.stroke.barInRun)]!.swing!.value;
    return [{ value, meant: share, played: share + (each.errorMs - lateOnMs(each.stroke)) / pair }];
  });
  const ratio = (share: number) => Math.max(0.01, share) / Math.max(0.01, 1 - share);
  return [...groupBy(played, ({ value }) => value)].map(([value, all]) => {
    const { n, value: share, low, high } = estimatedMean(all.map((each) => each.played));
    const meant = all.reduce((total, each) => total + each.meant, 0) / all.length;
    const [mid, from, to] = [share, low, high].map((each) => (each === null ? null : ratio(each)));
    return one('swing', value, { n, value: mid!, low: from!, high: to! }, ratio(meant));
  });
}

/** How late what is not swung was just before a stroke: a pair is told from its own first note. */
function errorsOfOthers(heard: readonly Heard[], facts: StrokeFacts): (stroke: TimedStroke) => Ms {
  const plain = heard.filter(({ stroke }) => facts.swungMs(stroke) < 1);
  return (stroke) => {
    let [low, high] = [0, plain.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (plain[middle]!.stroke.ms < stroke.ms) low = middle + 1;
      else high = middle;
    }
    return plain[low - 1]?.errorMs ?? 0;
  };
}

/** Limbs that are written together: how far apart they land, the second named after the first. */
function togetherFigures(heard: readonly Heard[], one: Made): TakeFigure[] {
  const main = heard.filter(({ stroke }) => stroke.role === 'main');
  const pairs = new Map<string, number[]>();
  for (const all of groupBy(main, ({ stroke }) => Math.round(stroke.ms)).values())
    for (const [index, first] of all.entries())
      for (const second of all.slice(index + 1)) {
        const [a, b] = [first, second].sort((x, y) => x.stroke.limb.localeCompare(y.stroke.limb));
        if (a!.stroke.limb === b!.stroke.limb) continue;
        const pair = `${a!.stroke.limb}+${b!.stroke.limb}`;
        const apart = pairs.get(pair) ?? [];
        apart.push(b!.errorMs - a!.errorMs);
        pairs.set(pair, apart);
      }
  return [...pairs].map(([pair, apart]) => one('together', pair, estimatedMean(apart)));
}

/** How much is gained (early) or lost (late) within each phrase, from its first bar to its last. */
function phraseFigures({ schedule }: Judgement, heard: readonly Heard[], one: Made): TakeFigure[] {
  const bars = schedule.bars.filter(({ barInRun }) => barInRun >= 0).length;
  return [8, 4, 2]
    .filter((every) => bars >= 3 * every)
    .map((every) => {
      const gains = [
        ...groupBy(heard, ({ stroke }) => Math.floor(Math.max(0, stroke.barInRun) / every)).values(),
      ].flatMap((all) => {
        const trend = trendOf(all.map(({ stroke, errorMs }) => ({ dueMs: stroke.ms, errorMs })));
        const [from, to] = [all[0]!.stroke.ms, all.at(-1)!.stroke.ms];
        return trend && to > from ? [trend.at(to) - trend.at(from)] : [];
      });
      return one('phrase', String(every), estimatedMean(gains));
    });
}

function loudnessFigures(take: Take, judged: readonly JudgedStroke[], one: Made): TakeFigure[] {
  const byLimb = groupBy(loudStrokes(judged, take), ({ limb }) => limb);
  return LIMBS.flatMap((limb) => {
    const all = byLimb.get(limb) ?? [];
    const main = all.filter(({ role }) => role === 'main');
    const { accents, others } = accentDistance(main);
    const heights = HEIGHTS.toReversed().flatMap((height) => {
      const of = main.filter((each) => each.height === height).map(({ db }) => db);
      return of.length ? [one('height', `${limb} ${height}`, estimatedMean(of))] : [];
    });
    const seconds = secondsAbove(all);
    return [
      ...heights,
      ...(accents.length && others.length ? [one('accents', limb, estimatedDifference(accents, others))] : []),
      ...(seconds.length ? [one('second loudness', limb, estimatedMean(seconds))] : []),
    ];
  });
}

/** How far before its stroke the grace of each flam came, by the hand that strikes the main stroke. */
const flamFigures = ({ strokes, byLimb }: Judgement, one: Made): TakeFigure[] =>
  [...groupBy(flamGaps(strokes, byLimb), ({ limb }) => limb)].map(([limb, all]) =>
    one('flam', limb, estimatedMean(all.map(({ gapMs }) => gapMs))),
  );

/** How late the second stroke of each double came after its first, against where it belongs. */
function doubleFigures(heard: readonly Heard[], facts: StrokeFacts, one: Made): TakeFigure[] {
  const key = ({ limb, barInRun, written }: TimedStroke) => `${limb} ${barInRun} ${written.n}/${written.d}`;
  const firsts = new Map(heard.flatMap((each) => (each.stroke.role === 'main' ? [[key(each.stroke), each]] : [])));
  const gaps = heard.flatMap(({ stroke, errorMs }) => {
    const first = stroke.role === 'second' ? firsts.get(key(stroke)) : undefined;
    return first ? [{ limb: stroke.limb, late: errorMs - first.errorMs }] : [];
  });
  return [...groupBy(gaps, ({ limb }) => limb)].map(([limb, all]) =>
    one('doubles', limb, estimatedMean(all.map(({ late }) => late))),
  );
}

/** One point of the tempo that was played. */
export interface TempoPoint {
  barInRun: number;
  /** In percent of the tempo that was set there, faster above 0. */
  percent: number;
  bpm: number;
}

/** The tempo that was played from bar to bar, from where the strokes of each fell. */
export function tempoCurve(take: Take, judgement: Judgement): TempoPoint[] {
  const form = formOfTake(take);
  const { beat } = form.bars[0]!.tempo;
  // Of a chart whose beat changes, all in the beat it begins with.
  const bpmOf = ({ tempo }: FormBar) => tempo.bpm * toNumber(div(tempo.beat, beat));
  const heard = judgement.strokes.filter((each): each is Heard => each.errorMs !== undefined);
  const bars = [...groupBy(heard, ({ stroke }) => Math.max(0, stroke.barInRun))].map(([barInRun, all]) => ({
    barInRun,
    dueMs: all.reduce((total, { stroke }) => total + stroke.ms, 0) / all.length,
    errorMs: all.reduce((total, { errorMs }) => total + errorMs, 0) / all.length,
  }));
  return bars.flatMap(({ barInRun, dueMs, errorMs }, index) => {
    const before = bars[index - 1];
    if (!before || dueMs <= before.dueMs) return [];
    const slower = (errorMs - before.errorMs) / (dueMs - before.dueMs);
    const percent = 100 * (1 / Math.max(0.2, 1 + slower) - 1);
    return [{ barInRun, percent, bpm: bpmOf(form.bars[barInRun]!) * (1 + percent / 100) }];
  });
}

/** All of a take's figures, those by place with them, ready to be compared with another's. */
export const comparedOf = (take: Take, judgement: Judgement): Compared => ({
  figures: figuresOfTake(take, judgement),
  places: judgement.byPlace.map(({ limb, bar, written, matched, meanErrorMs, sdErrorMs }) => ({
    ...placeJudged(take, limb, bar, written),
    ...meanInterval(matched, meanErrorMs, sdErrorMs),
  })),
});
