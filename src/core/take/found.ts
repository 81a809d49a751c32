import { isOnCount } from '../count/placeInWords';
import type { Take } from '../documents/take';
import type { Form } from '../form/form';
import { cellAt, slotAt, slotsOfBar } from '../grid/cells';
import { barLength } from '../grid/meter';
import type { Limb } from '../groove/limbs';
import type { Level } from '../limits';
import type { Schedule, TimedStroke } from '../schedule/timed';
import { format, toNumber } from '../time/fraction';
import type { Ms } from '../time/units';
import type { Alignment } from './align';
import type { HeardStroke } from './candidates';
import { explain, type Explanation } from './explain';
import type { Figures } from './figures';
import { grouped } from './grouped';
import { inDb, loudnessFaults, type LoudStroke } from './loudness';
import type { ExtraHit, JudgedStroke } from './judge';
import {
  barsLeftOut,
  displacedBars,
  flamsOff,
  leftOut,
  struckInVain,
  type DueStroke,
  type StrokesFault,
} from './strokesFaults';
import type { Found } from './verdict';

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
export function foundIn(heard: Heard): Found[] {
  const { take, level, form, timed, strokes, extra, laid, toleranceMs, countMs, byLimb } = heard;
  const judged = strokes.filter(({ stroke, outcome }) => stroke.role !== 'grace' && outcome !== 'not judgeable');
  const namesLimbs = take.hits.some(({ limb }) => limb !== undefined);
  const bars = barFacts(form, timed);
  const due = judged.map(({ stroke, hitMs, errorMs }): DueStroke => ({
    limb: stroke.limb,
    dueMs: stroke.ms,
    barInRun: Math.max(0, stroke.barInRun),
    slotMs: slotMsOf(stroke, form, bars),
    // Where it lies once bars that were left out are allowed for.
    ...(hitMs !== undefined && { hitMs: stroke.ms + errorMs! }),
  }));
  const { gone, fault: barsGone } = barsLeftOut(due, laid.silent);
  const ofStrokes: (StrokesFault | undefined)[] = [
    ...leftOut(due, (bar) => gone.has(bar)),
    barsGone ?? barsDisplaced(laid),
    struckInVain(due, extra),
    namesLimbs ? displacedBars(due, extra, toleranceMs) : undefined,
    flamsOff(flamGaps(strokes, byLimb)),
    ...loudnessFaults(loudStrokes(judged, take), level),
  ];
  const { all, second } = explain(heardStrokes(judged, form, bars, toleranceMs, namesLimbs));
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

interface BarFacts {
  startMs: Ms;
  lengthMs: Ms;
}

const barFacts = (form: Form, { bars }: Schedule): Map<number, BarFacts> =>
  new Map(bars.map(({ barInRun, startMs, endMs }) => [barInRun, { startMs, lengthMs: endMs - startMs }]));

/** How long the slot of a stroke lasts, from the beginning and the end of its own bar. */
function slotMsOf({ barInRun, written }: TimedStroke, form: Form, bars: Map<number, BarFacts>): Ms {
  const { bar, reading } = form.bars[Math.max(0, barInRun)]!;
  const slot = slotAt(slotsOfBar(bar.meter, reading, bar.cells), written);
  const share = slot ? toNumber(slot.length) / toNumber(barLength(bar.meter)) : 1;
  return share * (bars.get(barInRun)?.lengthMs ?? 0);
}

/** The strokes that were heard, with what the explanations look at. */
function heardStrokes(
  judged: readonly JudgedStroke[],
  form: Form,
  bars: Map<number, BarFacts>,
  toleranceMs: Ms,
  namesLimbs: boolean,
): HeardStroke[] {
  const sinceSwitch = switches(judged, form);
  const limbsAt = momentsOf(judged);
  const known = new Map<string, boolean>();
  const isOnCountIn = ({ bar, reading }: Form['bars'][number], index: number, written: TimedStroke['written']) => {
    const place = `${index} ${format(written)}`;
    const before = known.get(place);
    if (before !== undefined) return before;
    const is = isOnCount({ version: 1, title: '', tempo: 60, reading, bars: [bar] }, 0, written);
    known.set(place, is);
    return is;
  };
  return judged.flatMap(({ stroke, errorMs }): HeardStroke[] => {
    if (errorMs === undefined) return [];
    const { limb, barInRun, written, role, ms, bar } = stroke;
    const at = form.bars[Math.max(0, barInRun)]!;
    const { startMs, lengthMs } = bars.get(barInRun) ?? { startMs: ms, lengthMs: 0 };
    const straight = startMs + (toNumber(written) / toNumber(barLength(at.bar.meter))) * lengthMs;
    return [
      {
        limb: namesLimbs ? limb : 'right hand',
        error: errorMs / toleranceMs,
        dueMs: ms,
        barInRun: Math.max(0, barInRun),
        place: `${namesLimbs ? limb : ''} ${bar} ${format(written)} ${role}`,
        isOnCount: isOnCountIn(at, bar, written) && role !== 'second',
        isSecond: role === 'second',
        isTogether: role === 'main' && limbsAt(ms) > 1,
        swungMs: at.swing && role !== 'second' ? Math.max(0, ms - (at.lean?.[limb] ?? 0) - straight) : 0,
        sinceSwitch: sinceSwitch.get(ms),
      },
    ];
  });
}

/** How many limbs are written at a moment. */
function momentsOf(judged: readonly JudgedStroke[]): (ms: Ms) => number {
  const limbs = grouped(judged, ({ stroke: { ms } }) => Math.round(ms));
  return (ms) => new Set(limbs.get(Math.round(ms))?.map(({ stroke: { limb } }) => limb)).size;
}

/** How many moments ago, by when they are due, the division of the counts changed. */
function switches(judged: readonly JudgedStroke[], form: Form): Map<Ms, number> {
  const since = new Map<Ms, number>();
  let division: number | undefined;
  let moments: number | undefined;
  for (const [ms, [{ stroke }]] of grouped(judged, ({ stroke: { ms } }) => ms) as Map<Ms, [JudgedStroke]>) {
    const { bar, reading } = form.bars[Math.max(0, stroke.barInRun)]!;
    const cell = cellAt(bar.meter, reading, bar.cells, stroke.written);
    const now = cell.parts / cell.counts;
    if (division !== undefined && now !== division) moments = 0;
    else if (moments !== undefined) moments++;
    division = now;
    if (moments !== undefined) since.set(ms, moments);
  }
  return since;
}

/** How far before its stroke each grace of a flam came, where both were heard; that one hand is late as a whole is no flam's fault. */
function flamGaps(strokes: readonly JudgedStroke[], byLimb: Heard['byLimb']): Ms[] {
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
    return [hitMs - grace.hitMs - apart];
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
