import type { Limb } from '@/core/groove/limbs';
import type { Judgement } from '@/core/judging/types/judgement';
import type { TimedStroke } from '@/core/schedule/timed';
import type { Ms } from '@/core/time/units';

/** What came of one stroke or hit, as the strip shows it. */
export interface Bead {
  key: string;
  limb: Limb;
  bar: number;
  round: number;
  /** Where in the bar, 0–100. */
  percent: number;
  kind: 'near' | 'early' | 'late' | 'missed' | 'extra';
  /** When it was struck, or was due where it was missed, from the first bar. */
  ms: Ms;
  /** In words, for a pointer that rests on it. */
  title: string;
}

/** The band round a stroke in which nobody hears an error, half its width in percent of the bar. */
export interface UnheardBand {
  key: string;
  limb: Limb;
  bar: number;
  percent: number;
  half: number;
}

/** What a verdict is about, framed on the strip: from the earliest to the latest stroke of a place. */
export interface BlamedFrame {
  key: string;
  limb: Limb;
  bar: number;
  from: number;
  to: number;
}

/** Offsets are drawn this many times as wide as time, so that a few milliseconds can be seen. */
export const WIDENED = 3;

/** At most this share of a bar, so that a widened bead never crosses into the next bar. */
const FARTHEST = 12;

/** The beads of a judged take. `widen` 1 is true to the time axis. */
export function beadsOf(judgement: Judgement, widen: number): Bead[] {
  const { bars } = judgement.schedule;
  const barOf = new Map(bars.map((bar) => [bar.barInRun, bar]));
  const beads = judgement.strokes.flatMap(({ stroke, outcome, hitMs, errorMs }, index): Bead[] => {
    if (outcome === 'not judgeable') return [];
    const { startMs, endMs } = barOf.get(stroke.barInRun)!;
    const percent = (100 * (stroke.ms - startMs)) / (endMs - startMs);
    const { limb, bar, round } = stroke;
    const base = { key: `stroke ${index}`, limb, bar, round, ms: hitMs ?? stroke.ms };
    if (errorMs === undefined)
      return [{ ...base, percent, kind: 'missed', title: `round ${stroke.round + 1}: missed` }];
    const offset = Math.max(-FARTHEST, Math.min(FARTHEST, (widen * 100 * errorMs) / (endMs - startMs)));
    return [
      {
        ...base,
        percent: percent + offset,
        kind: kindOf(errorMs, judgement.toleranceMs),
        title: `round ${stroke.round + 1}: ${errorInWords(errorMs)}`,
      },
    ];
  });
  const extra = judgement.extra.flatMap(({ limb, ms, barInRun }, index): Bead[] => {
    const bar = barOf.get(barInRun)!;
    // What no limb is known of has no lane to lie in.
    if (bar.round < 0 || !limb) return [];
    const percent = (100 * (ms - bar.startMs)) / (bar.endMs - bar.startMs);
    return [
      {
        key: `extra ${index}`,
        limb,
        bar: bar.bar,
        round: bar.round,
        percent,
        kind: 'extra',
        ms,
        title: `round ${bar.round + 1}: an extra hit`,
      },
    ];
  });
  return [...beads, ...extra];
}

export function kindOf(errorMs: Ms, toleranceMs: Ms): 'near' | 'early' | 'late' {
  if (Math.abs(errorMs) <= toleranceMs) return 'near';
  return errorMs < 0 ? 'early' : 'late';
}

export function errorInWords(errorMs: Ms): string {
  const whole = Math.round(errorMs);
  return whole === 0 ? 'on the dot' : `${Math.abs(whole)} ms ${whole < 0 ? 'early' : 'late'}`;
}

/** One band for each written place, as wide as can not be heard there. */
export function unheardBands(judgement: Judgement, widen: number): UnheardBand[] {
  const bands = new Map<string, UnheardBand>();
  const barOf = new Map(judgement.schedule.bars.map((bar) => [bar.barInRun, bar]));
  for (const { stroke, audibleMs } of judgement.strokes) {
    const key = placeKey(stroke);
    if (bands.has(key)) continue;
    const { startMs, endMs } = barOf.get(stroke.barInRun)!;
    bands.set(key, {
      key,
      limb: stroke.limb,
      bar: stroke.bar,
      percent: (100 * (stroke.ms - startMs)) / (endMs - startMs),
      half: Math.min(FARTHEST, (widen * 100 * audibleMs) / (endMs - startMs)),
    });
  }
  return [...bands.values()];
}

/** So many places of a take are framed at most: more would frame everything. */
const MOST_FRAMED = 12;

/** Frames round the places of which `isBlamed`, as wide as their beads lie; none where there would be too many. */
export function blamedFrames(
  { strokes, schedule }: Pick<Judgement, 'strokes' | 'schedule'>,
  isBlamed: (stroke: TimedStroke) => boolean,
  widen: number,
): BlamedFrame[] {
  const frames = new Map<string, BlamedFrame>();
  const barOf = new Map(schedule.bars.map((bar) => [bar.barInRun, bar]));
  for (const { stroke, errorMs = 0 } of strokes) {
    if (!isBlamed(stroke)) continue;
    const { startMs, endMs } = barOf.get(stroke.barInRun)!;
    const at = (100 * (stroke.ms - startMs)) / (endMs - startMs);
    const off = Math.max(-FARTHEST, Math.min(FARTHEST, (widen * 100 * errorMs) / (endMs - startMs)));
    const key = placeKey(stroke);
    const { limb, bar } = stroke;
    const one = frames.get(key) ?? { key, limb, bar, from: at, to: at };
    frames.set(key, { ...one, from: Math.min(one.from, at + off), to: Math.max(one.to, at + off) });
  }
  return frames.size > MOST_FRAMED ? [] : [...frames.values()];
}

const placeKey = ({ limb, bar, written, role }: TimedStroke) => `${limb} ${bar} ${written.n}/${written.d} ${role}`;

/** Rounds of a take, counted from 0; `to` is the one after the last. */
export interface RoundsShown {
  from: number;
  to: number;
}

/** More rounds than these over one another in a lane are not told apart. */
const MOST_ROUNDS = 16;
/** More hits where none was due than these are a blot. */
const MOST_EXTRA = 400;

/** What of a take can be looked at together: all of it and each round by itself; of a long one a stretch at a time. */
export function roundsToShow(rounds: number): [RoundsShown, ...RoundsShown[]] {
  const size = rounds > MOST_ROUNDS ? MOST_ROUNDS : 1;
  const parts = Array.from({ length: Math.ceil(rounds / size) }, (_, index) => ({
    from: index * size,
    to: Math.min(rounds, (index + 1) * size),
  }));
  return size > 1
    ? (parts as [RoundsShown, ...RoundsShown[]])
    : [{ from: 0, to: rounds }, ...(rounds > 1 ? parts : [])];
}

/** The beads of these rounds, the first of them on top; of hits where none was due no more than can be seen. */
export function beadsIn(beads: readonly Bead[], { from, to }: RoundsShown): Bead[] {
  let extra = 0;
  return beads
    .filter(({ round, kind }) => round >= from && round < to && (kind !== 'extra' || ++extra <= MOST_EXTRA))
    .map((bead) => ({ ...bead, round: bead.round - from }));
}
