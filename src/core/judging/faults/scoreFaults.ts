import type { Take } from '../../documents/take';
import type { Form } from '../../form/form';
import type { Limb } from '../../groove/limbs';
import type { FaultName } from '../../documents/verdict';
import type { Level } from '../../limits';
import type { Schedule } from '../../schedule/timed';
import { format } from '../../time/fraction';
import type { Ms } from '../../time/units';
import type { Alignment } from '../align/align';
import type { MatchedNote } from './faultModels';
import { explain, type Explanation } from './explain';
import type { Figures } from '../types/figures';
import { inDb, loudnessFaults, type LoudStroke } from './loudness';
import type { ExtraHit, JudgedStroke, PlaceFigures } from '../types/judgement';
import { factsOf, limbsTogether, switchesOf, type StrokeFacts } from './strokeFacts';
import {
  barsLeftOut,
  displacedBars,
  flamSpacing,
  missedNotes,
  extraHits,
  type DueStroke,
  type StrokesFault,
} from './strokesFaults';

/** One explanation, with how much better it is than that a good player played, how large it is, and its figures. */
export interface Found {
  about: FaultName;
  score: number;
  size: number;
  limb?: Limb;
  /** Where in the groove, by limb, bar and written place. */
  place?: Pick<PlaceFigures, 'limb' | 'bar' | 'written'>;
  numbers: Record<string, number>;
}

interface Heard {
  take: Take;
  level: Level;
  form: Form;
  timed: Schedule;
  /** All that were due, graces that were heard with them. */
  strokes: readonly JudgedStroke[];
  extra: readonly ExtraHit[];
  laid: Alignment;
  toleranceMs: Ms;
  countMs: Ms;
  figures: Figures;
  byLimb: readonly (Figures & { limb: Limb })[];
}

/** From this share of a count on, everything is displaced rather than behind or ahead. */
const DISPLACED_FROM = 0.4;

/** Every explanation of a take, of its errors and of its strokes, on one scale. */
export function scoreFaults(heard: Heard): Found[] {
  const { take, level, form, timed, strokes, extra, laid, toleranceMs, countMs, byLimb } = heard;
  const judged = strokes.filter(({ stroke, outcome }) => stroke.role !== 'grace' && outcome !== 'not judgeable');
  const namesLimbs = take.hits.some(({ limb }) => limb !== undefined);
  const facts = factsOf(form, timed);
  const due = judged.map(({ stroke, hitMs, errorMs }): DueStroke => ({
    limb: stroke.limb,
    dueMs: stroke.ms,
    barInRun: Math.max(0, stroke.barInRun),
    slotMs: facts.slotMs(stroke),
    // Where it lies once bars that were left out are allowed for.
    ...(hitMs !== undefined && { hitMs: stroke.ms + errorMs! }),
  }));
  const { gone, fault: barsGone } = barsLeftOut(due, laid.silent);
  const ofStrokes: (StrokesFault | undefined)[] = [
    ...missedNotes(due, (bar) => gone.has(bar)),
    isRunOut(laid, gone) ? barsDisplaced(laid) : (barsGone ?? barsDisplaced(laid)),
    extraHits(due, extra),
    namesLimbs ? displacedBars(due, extra, toleranceMs) : undefined,
    flamSpacing(flamGaps(strokes, byLimb).map(({ gapMs }) => gapMs)),
    ...loudnessFaults(loudStrokes(judged, take), level),
  ];
  const { all, second } = explain(heardStrokes(judged, form, facts, toleranceMs, namesLimbs));
  const ofErrors = all.map((one) => inMs(one, heard));
  const pair = second ? [{ ...inMs(second, heard), score: Math.min(second.score, (all[0]?.score ?? 0) - 1e-6) }] : [];
  const shifted = laid.kind === 'shift' ? [displacedWhole(laid, countMs, heard)] : [];
  return [
    ...shifted,
    ...ofErrors,
    ...pair,
    ...ofStrokes.flatMap((one) => (one ? [{ ...one, about: one.kind, ...(!namesLimbs && { limb: undefined }) }] : [])),
  ].map(({ about, score, size, limb, place, numbers }: Found) => ({
    about,
    score,
    size,
    numbers,
    ...(limb && namesLimbs && { limb }),
    ...(place && { place }),
  }));
}

/** Everything lies as far late or early: it explains more than anything that is looked at beside it. */
function displacedWhole(
  { shiftMs, gain, isAmbiguous }: Alignment,
  countMs: Ms,
  { figures, toleranceMs, timed }: Heard,
): Found {
  const first = timed.bars.find(({ barInRun }) => barInRun === 0);
  const bars = first ? Math.round(shiftMs / (first.endMs - first.startMs)) : 0;
  // Nobody begins a bar early: the first one was skipped.
  if (bars < 0)
    return { about: 'bars left out', score: 1e6 + gain, size: -bars, numbers: { bars: 0, from: 1, later: bars } };
  const meanMs = figures.meanErrorMs ?? shiftMs;
  const isFar = Math.abs(shiftMs) >= DISPLACED_FROM * countMs;
  return {
    about: isFar ? 'shifted' : 'behind or ahead',
    score: 1e6 + gain,
    size: Math.abs(shiftMs) / toleranceMs,
    numbers: {
      meanMs,
      counts: meanMs / countMs,
      spreadMs: figures.sdErrorMs ?? 0,
      toleranceMs,
      ...(isAmbiguous && { ambiguous: 1 }),
    },
  };
}

/** Whether bars are missing only because the take was over before those that came late were all played. */
function isRunOut({ kind, lag }: Alignment, gone: ReadonlySet<number>): boolean {
  const last = Math.max(...lag.keys());
  return kind === 'bars' && (lag.get(last) ?? 0) > 0 && [...gone].every((bar) => bar > last);
}

/** Bars that came when others were due, though none was left silent. */
function barsDisplaced({ kind, lag, gain }: Alignment): StrokesFault | undefined {
  if (kind !== 'bars') return undefined;
  const from = Math.min(...lag.keys());
  return {
    kind: 'bars left out',
    score: gain,
    size: lag.size,
    numbers: { bars: 0, from: from + 1, later: lag.get(from) ?? 0 },
  };
}

/** The strokes that were heard, with what the explanations look at. */
function heardStrokes(
  judged: readonly JudgedStroke[],
  form: Form,
  facts: StrokeFacts,
  toleranceMs: Ms,
  namesLimbs: boolean,
): MatchedNote[] {
  const due = judged.map(({ stroke }) => stroke);
  const sinceSwitch = switchesOf(due, form);
  const limbsAt = limbsTogether(due);
  return judged.flatMap(({ stroke, errorMs }): MatchedNote[] => {
    if (errorMs === undefined) return [];
    const { limb, barInRun, written, role, ms, bar } = stroke;
    return [
      {
        limb: namesLimbs ? limb : 'right hand',
        error: errorMs / toleranceMs,
        dueMs: ms,
        barInRun: Math.max(0, barInRun),
        place: `${namesLimbs ? limb : ''} ${bar} ${format(written)} ${role}`,
        isOnCount: facts.isOnCount(stroke) && role !== 'second',
        isSecond: role === 'second',
        isTogether: role === 'main' && limbsAt(ms) > 1,
        swungMs: facts.swungMs(stroke),
        sinceSwitch: sinceSwitch.get(ms)?.moments,
      },
    ];
  });
}

/**
 * How far before its stroke each grace of a flam came, where both were heard; that one hand is late as a whole is no
 * flam's fault.
 */
export function flamGaps(strokes: readonly JudgedStroke[], byLimb: Heard['byLimb']): { limb: Limb; gapMs: Ms }[] {
  const late = (limb: Limb) => byLimb.find((one) => one.limb === limb)?.meanErrorMs;
  const flams = strokes.filter(({ stroke }) => stroke.ornament === 'flam');
  const key = ({ stroke: { barInRun, written } }: JudgedStroke) => `${barInRun} ${format(written)}`;
  const graces = new Map(flams.flatMap((one) => (one.stroke.role === 'grace' ? [[key(one), one]] : [])));
  return flams.flatMap((one) => {
    const { stroke, hitMs } = one;
    const grace = graces.get(key(one));
    if (stroke.role !== 'main') return [];
    if (hitMs === undefined || grace?.hitMs === undefined) return [];
    const [main, other] = [late(stroke.limb), late(grace.stroke.limb)];
    const apart = typeof main === 'number' && typeof other === 'number' ? main - other : 0;
    return [{ limb: stroke.limb, gapMs: hitMs - grace.hitMs - apart }];
  });
}

/** The strokes whose loudness was heard. */
export function loudStrokes(judged: readonly JudgedStroke[], { hits }: Pick<Take, 'hits'>): LoudStroke[] {
  if (!hits.some(({ loudness }) => loudness)) return [];
  const loudness = new Map(hits.map((hit) => [`${hit.limb} ${hit.ms}`, inDb(hit.loudness)]));
  return judged.flatMap(({ stroke: { limb, surface, height, role, barInRun, written, ornament }, hitMs }) => {
    const db = hitMs === undefined ? undefined : loudness.get(`${limb} ${hitMs}`);
    if (db === undefined || role === 'grace') return [];
    const pair = ornament === 'double' ? `${limb} ${barInRun} ${format(written)}` : undefined;
    return [{ limb, surface, height, role, db, ...(pair && { pair }) }];
  });
}

/** An explanation of errors with its figures in milliseconds, by name. */
function inMs(one: Explanation, { toleranceMs, figures, byLimb, strokes, countMs }: Heard): Found {
  const byMs = one.by * toleranceMs;
  const { kind: about, score, size, limb } = one;
  const found = (numbers: Record<string, number>, place?: Found['place']): Found => ({
    about,
    score,
    size,
    ...(limb && { limb }),
    ...(place && { place }),
    numbers: { strokes: one.strokes, byMs, unsureMs: one.unsure * toleranceMs, toleranceMs, ...numbers },
  });
  switch (about) {
    case 'drift':
      return found({
        percent: figures.tempoDriftPercent ?? 0,
        overMs: Math.abs(byMs),
        spreadMs: figures.sdAroundTrendMs ?? 0,
      });
    case 'phrase':
      return found({ bars: one.every! });
    case 'behind or ahead':
      return {
        ...found({ meanMs: byMs, spreadMs: figures.sdErrorMs ?? 0, counts: byMs / countMs }),
        about: Math.abs(byMs) >= DISPLACED_FROM * countMs ? 'shifted' : about,
      };
    case 'place': {
      const at = strokes.find(
        ({ stroke: { limb: of, bar, written, role } }) =>
          (!limb || of === limb) && `${limb ? of : ''} ${bar} ${format(written)} ${role}` === one.place,
      );
      const spreadMs = byLimb.find(({ limb: of }) => of === at?.stroke.limb)?.sdErrorMs ?? 0;
      return found({ meanMs: byMs, spreadMs }, at?.stroke);
    }
    case 'apart':
      return found(one.spread === undefined ? {} : { spreadMs: one.spread * toleranceMs });
    case 'off-beats':
      return found({ offMs: byMs, onMs: 0 });
    case 'switch':
      return found({ moments: one.every! });
    case 'limb uneven':
    case 'spread': {
      const widest = [...byLimb].sort((a, b) => (b.sdAroundTrendMs ?? 0) - (a.sdAroundTrendMs ?? 0))[0];
      return {
        ...found({ spreadMs: byMs, spreadOfLimbMs: widest?.sdAroundTrendMs ?? 0 }),
        ...(about === 'spread' && widest && { limb: widest.limb }),
      };
    }
    default:
      return found({});
  }
}
