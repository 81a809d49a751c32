import type { WrittenChart } from '@/core/documents/writtenChart';
import type { School } from '@/core/counting/schools';
import type { Loudness } from '@/core/documents/climb';
import { barsBefore, type ExerciseName, type Exercises } from '@/core/form/exercises';
import { formOf, type Passage, type Plan } from '@/core/form/form';
import { beatOf } from '@/core/groove/beat';
import type { Groove } from '@/core/groove/groove';
import { isHand, type Limb } from '@/core/groove/limbs';
import { workOf } from '@/core/form/work';
import { LONGEST_TAKE_MS, MOST_PLAYED_BARS, MOST_ROUNDS, MOST_SOUNDS } from '@/core/limits';
import { schedule } from '@/core/schedule/schedule';
import type { Schedule, TimedSound } from '@/core/schedule/timed';
import { valueMs } from '@/core/time/tempoMap';
import type { Bpm, Ms } from '@/core/time/units';
import type { Backing, VoicedSound } from '@/sound/player';
import { voiceOf, type VoiceName } from '@/sound/voiceNames';
import { lanesOf } from '@/ui/strip/layout';
import type { Length, RoomSettings } from './settings';

/** How loud the groove sounds at each loudness of a rung. */
const LOUD: Record<Loudness, number> = { soft: 0.35, middle: 0.65, loud: 1 };

/** What is played beside the settings: the bars that are shown, and how they are gone through. */
export interface Piece {
  /** As it is played: turned round, with its lean. */
  groove: Groove;
  /** Once through; the groove from beginning to end when left out. */
  passages?: Passage[];
  /** Of a drill: what its exercises are said by. */
  exercises?: ExerciseName[];
  /** Of a chart: the whole of it, and which of its sections are played, by their index. */
  chart?: { whole: WrittenChart; chosen: readonly number[] };
  /** It is read from a stave, without counts and strip. */
  isRead?: boolean;
  /** What the sides are called, where some are set against each other. */
  sides?: readonly string[];
  school: School;
  backing?: Backing;
  loudness?: Loudness;
  /** The tempo it is practised towards, where one is set. */
  goal?: Bpm;
}

/** The drill a piece plays; undefined when it plays a groove. */
export const drillOf = ({ groove, passages, exercises }: Piece): Exercises | undefined =>
  passages && exercises && { groove, passages, exercises };

/** Once through, without anything around it. */
const onceThrough = ({ groove, passages }: Pick<Piece, 'groove' | 'passages'>, bpm: Bpm): Schedule =>
  schedule(formOf({ groove, passages, bpm, rounds: 1, countIn: 0, click: { kind: 'silent' } }));

/** How long once through lasts. */
export function onceMs(piece: Pick<Piece, 'groove' | 'passages'>, bpm: Bpm): Ms {
  const { startMs, endMs } = onceThrough(piece, bpm);
  return endMs - startMs;
}

/** When a section of a chart begins, from the first bar of the whole chart on, and where the last one ends. */
export interface SectionMs {
  say: string;
  ms: Ms;
  endMs: Ms;
}

/** The sections of a whole chart as they are played one after another at a tempo. */
export function sectionsMs(chart: WrittenChart, bpm: Bpm): SectionMs[] {
  const { bars, endMs } = onceThrough(chart, bpm);
  const starts = chart.exercises.map((_, index) => bars[barsBefore(chart, index)]?.startMs ?? endMs);
  return chart.exercises.map(({ say }, index) => ({ say, ms: starts[index]!, endMs: starts[index + 1] ?? endMs }));
}

/** How often a piece is gone through so that it lasts as long as wished, and is no more than a take may be. */
export function roundsOf(
  length: Length,
  piece: Pick<Piece, 'groove' | 'passages'>,
  { bpm, click }: Pick<RoomSettings, 'bpm' | 'click'>,
): number {
  const roundMs = onceMs(piece, bpm);
  const once = workOf({ ...piece, rounds: 1, click });
  const wished = 'rounds' in length ? length.rounds : Math.round((length.minutes * 60_000) / roundMs);
  const most = Math.min(
    MOST_ROUNDS,
    Math.floor(LONGEST_TAKE_MS / roundMs),
    Math.floor(MOST_PLAYED_BARS / once.bars),
    Math.floor(MOST_SOUNDS / once.sounds),
  );
  return Math.max(1, Math.min(wished, most));
}

/** What the settings ask of a piece. */
export function planOf(piece: Piece, settings: RoomSettings): Plan {
  const { bpm, click, countIn, layers, swing, task } = settings;
  const rounds = roundsOf(settings.length, piece, settings);
  return { groove: piece.groove, passages: piece.passages, bpm, swing, click, countIn, rounds, layers, task };
}

/** What would be heard of a piece from the first bar to the last. */
export const heardSchedule = (piece: Piece, settings: RoomSettings): Schedule =>
  schedule(formOf(planOf(piece, settings)), {
    count: settings.count && { school: piece.school, plan: settings.count },
  });

/** Whether it is all the same which hand strikes: a line that is read says where is struck, and no more. */
export const isOfEitherHand = ({ isRead, chart }: Pick<Piece, 'isRead' | 'chart'>, limb: Limb): boolean =>
  Boolean(isRead && !chart) && isHand(limb);

/** How long the count's beat lasts. */
export const beatMs = ({ groove }: Pick<Piece, 'groove'>, bpm: Bpm): Ms =>
  valueMs(beatOf(groove), { bpm, beat: beatOf(groove) });

/** What each limb's own stroke sounds like. */
export const voicesOf = ({ groove }: Pick<Piece, 'groove'>): Partial<Record<Limb, VoiceName>> =>
  Object.fromEntries(lanesOf(groove).map(({ limb, surface }): [Limb, VoiceName] => [limb, `${surface}/tap`]));

/** What a schedule is played as, the strokes of these limbs alone; `loudness` scales the groove's own strokes. */
export function voiced(
  sounds: readonly TimedSound[],
  heard: (stroke: Extract<TimedSound, { kind: 'stroke' }>) => boolean,
  loudness: Loudness = 'loud',
): VoicedSound[] {
  return sounds.flatMap((sound) => {
    if (sound.kind === 'stroke' && !heard(sound)) return [];
    const loud = loudOf(sound, LOUD[loudness]);
    return [{ ms: sound.ms, voice: voiceOf(sound), ...(loud < 1 && { loud }) }];
  });
}

function loudOf(sound: TimedSound, ofGroove: number): number {
  if (sound.kind === 'layer') return sound.loud;
  return sound.kind === 'stroke' ? ofGroove : 1;
}
