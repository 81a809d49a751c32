import type { Take } from '../../documents/take';
import { formOfTake } from '../../documents/take';
import type { FormBar } from '../../form/form';
import { barLength } from '../../grid/meter';
import { add, equal, exact, format, toNumber, ZERO, type WholeNotes } from '../../time/fraction';
import { valueMs } from '../../time/tempoMap';
import type { Bpm, Ms } from '../../time/units';
import type { Judgement, JudgedStroke } from '../types/judgement';

/** A hit that was to be caught with the band, as often as it came. */
export interface HitFigures {
  section: string;
  /** From the start of its section, and its bar there, from 1. */
  bar: number;
  /** From the start of its bar, as it is written; by the bar of the groove it stands in. */
  written: WholeNotes;
  grooveBar: number;
  due: number;
  landed: number;
  /** Of those that landed: late is above 0. */
  meanErrorMs: Ms;
}

/** A change of tempo, and how long it took until it was kept. */
export interface TempoSettled {
  section: string;
  /** Of the bars played, from 0. */
  barInRun: number;
  /** Both in the beat of the new one. */
  from: Bpm;
  to: Bpm;
  /**
   * Counts of the new tempo until strokes fall where they belong; undefined where that was not before the next
   * change.
   */
  counts?: number;
}

/** What a take of a chart came to, beside its figures. */
export interface ChartFigures {
  hits: HitFigures[];
  tempos: TempoSettled[];
}

/** So many strokes one after another where they belong: the tempo is kept. One or two may be by chance. */
const SETTLED_STROKES = 4;
/** So many strokes that are due are needed to tell it. */
const LEAST_STROKES = 8;

/** Where each bar of a run stands in the section it is played in. */
function placesInSections(bars: readonly FormBar[]): { bar: number; at: WholeNotes }[] {
  let bar = 0;
  let at = ZERO;
  return bars.map((one, index) => {
    if (one.origin.exercise !== bars[index - 1]?.origin.exercise || one.origin.pass !== bars[index - 1]?.origin.pass)
      [bar, at] = [0, ZERO];
    const place = { bar: ++bar, at };
    at = add(at, barLength(one.bar.meter));
    return place;
  });
}

/** Figures of a take that plays a chart; undefined where it plays none. */
export function chartFigures(take: Take, judgement: Judgement): ChartFigures | undefined {
  if (!take.exercises?.some(({ section }) => section !== undefined)) return undefined;
  const { bars } = formOfTake(take);
  return { hits: hitsOf(take, bars, judgement), tempos: temposOf(take, bars, judgement) };
}

/**
 * What the bars of a take's groove are called where it plays a chart: by their section, "B, bar 3", as each is first
 * played.
 */
export function barsBySection(take: Take): string[] | undefined {
  if (!take.exercises?.some(({ section }) => section !== undefined)) return undefined;
  const { bars } = formOfTake(take);
  const places = placesInSections(bars);
  return take.groove.bars.map((_, written) => {
    const first = bars.findIndex(({ origin }) => origin.bar === written);
    return first < 0 ? '' : `${sectionOf(take, bars[first]!)}, bar ${places[first]!.bar}`;
  });
}

const sectionOf = ({ exercises }: Take, { origin }: FormBar): string =>
  (origin.exercise === undefined ? undefined : exercises?.[origin.exercise]?.section) ?? '';

function hitsOf(take: Take, bars: readonly FormBar[], { strokes }: Judgement): HitFigures[] {
  const places = placesInSections(bars);
  const wanted = take.exercises!.map((one) => one.places.map(exact));
  const found = new Map<string, { hit: HitFigures; moments: Map<number, JudgedStroke[]> }>();
  for (const judged of strokes) {
    const { barInRun, written, role } = judged.stroke;
    const bar = bars[Math.max(0, barInRun)]!;
    const { exercise } = bar.origin;
    if (exercise === undefined || role !== 'main' || judged.outcome === 'not judgeable') continue;
    const { at, bar: number } = places[Math.max(0, barInRun)]!;
    if (!wanted[exercise]!.some((place) => equal(place, add(at, written)))) continue;
    const section = sectionOf(take, bar);
    const key = `${section} ${number} ${format(written)}`;
    const known = found.get(key) ?? {
      hit: { section, bar: number, written, grooveBar: bar.origin.bar, due: 0, landed: 0, meanErrorMs: 0 },
      moments: new Map<number, JudgedStroke[]>(),
    };
    found.set(key, known);
    known.moments.set(barInRun, [...(known.moments.get(barInRun) ?? []), judged]);
  }
  return [...found.values()].map(({ hit, moments }) => {
    // A hit has landed where any limb caught it: who plays what of it is the player's.
    const errors = [...moments.values()].flatMap((all) => {
      const caught = all.flatMap(({ errorMs }) => errorMs ?? []);
      return caught.length ? [caught.reduce((sum, one) => sum + one, 0) / caught.length] : [];
    });
    const mean = errors.reduce((sum, one) => sum + one, 0) / Math.max(1, errors.length);
    return { ...hit, due: moments.size, landed: errors.length, meanErrorMs: mean };
  });
}

/** Whole notes a minute: what two tempos in different beats are compared by. */
const speedOf = ({ tempo }: FormBar): number => tempo.bpm * toNumber(tempo.beat);

function temposOf(take: Take, bars: readonly FormBar[], { strokes, toleranceMs, schedule }: Judgement): TempoSettled[] {
  const changes = bars.flatMap((bar, index) =>
    index > 0 && Math.abs(speedOf(bar) / speedOf(bars[index - 1]!) - 1) > 1e-9 ? [index] : [],
  );
  const startMs = new Map(schedule.bars.map((bar) => [bar.barInRun, bar.startMs]));
  return changes.flatMap((index, at): TempoSettled[] => {
    const until = changes[at + 1] ?? bars.length;
    const bar = bars[index]!;
    const due = strokes.filter(
      ({ stroke }) => stroke.barInRun >= index && stroke.barInRun < until && stroke.role === 'main',
    );
    if (due.length < LEAST_STROKES) return [];
    const isKept = due.map(({ errorMs }) => errorMs !== undefined && Math.abs(errorMs) <= toleranceMs);
    const settled = isKept.findIndex(
      (_, one) => isKept.slice(one, one + SETTLED_STROKES).filter(Boolean).length === SETTLED_STROKES,
    );
    const after = settled < 0 ? undefined : due[settled]!.stroke.ms - startMs.get(index)!;
    return [
      {
        section: sectionOf(take, bar),
        barInRun: index,
        from: speedOf(bars[index - 1]!) / toNumber(bar.tempo.beat),
        to: bar.tempo.bpm,
        ...(after !== undefined && {
          counts: Math.max(0, Math.round((2 * after) / valueMs(bar.tempo.beat, bar.tempo)) / 2),
        }),
      },
    ];
  });
}
