import { taskAt, TAKE_VERSION, type Hit, type InputName, type Take, type TakeChange } from '@/core/documents/take';
import { wholeOf, type Form } from '@/core/form/form';
import type { Schedule, TimedBar, TimedStroke } from '@/core/schedule/timed';
import type { BarWindow } from '@/core/judging/types/judgement';
import type { Limb } from '@/core/groove/limbs';
import type { Ms } from '@/core/time/units';
import type { KitStroke } from '@/sound/inputs/simulated/simulatedKit';
import type { Moment } from './moment';
import { beatMs, planOf, type Piece } from './piece';
import type { RoomSettings } from './settings';

/** A round of a take that still goes on. */
export interface RoundPlayed {
  take: Take;
  window: BarWindow;
}

/** What is played: the take so far, its bars, and when all of it is due. */
interface Played {
  take: Take;
  form: Form;
  timed: Schedule;
}

/** Where the ear is in a bar; undefined before the first of them. */
export function momentIn(one: TimedBar, ms: Ms, { form, timed }: Omit<Played, 'take'>): Moment | undefined {
  if (ms < one.startMs) return undefined;
  const { startMs, endMs } = timed;
  const fraction = Math.min(1, (ms - one.startMs) / (one.endMs - one.startMs));
  return {
    bar: one.bar,
    barInRun: one.barInRun,
    fraction,
    countingIn: one.barInRun < 0,
    ...(one.counts && { count: Math.min(one.counts, 1 + Math.floor(fraction * one.counts + 1e-4)) }),
    round: Math.max(0, one.round),
    pass: one.pass,
    swing: form.bars[Math.max(0, one.barInRun)]!.swing ?? 'straight',
    ...(one.exercise !== undefined && { exercise: one.exercise }),
    ...(one.side !== undefined && { side: one.side }),
    bars: form.bars.length,
    share: Math.max(0, Math.min(1, (ms - startMs) / (endMs - startMs))),
  };
}

/** Whether a limb is in the task at a moment, or will be so soon that its stroke may be an early one. */
export function isAsked({ limb, ms }: Pick<Hit, 'limb' | 'ms'>, { take, form, timed }: Played): boolean {
  const early = beatMs(take, take.bpm) / 2;
  if (ms < -early) return false;
  return [ms, ms + early].some((at) => {
    const bar = timed.bars.findLast(({ startMs }) => startMs <= at);
    return bar !== undefined && (!limb || taskAt(form, take, bar.barInRun).includes(limb));
  });
}

/**
 * What holds from a bar on; of what was to come later, only what is not set anew stays. Nothing anew changes nothing.
 */
export function changesWith(
  changes: Take['changes'],
  fromBar: number,
  anew: Omit<TakeChange, 'fromBar'>,
): Take['changes'] {
  if (!Object.keys(anew).length) return changes;
  const before = (changes ?? []).filter((one) => one.fromBar !== fromBar);
  const here = changes?.find((one) => one.fromBar === fromBar);
  return [...before, { ...here, ...anew, fromBar }].sort((a, b) => a.fromBar - b.fromBar);
}

/** The take of an attempt before anything is struck; strokes are heard by `input` where the person plays. */
export function unplayed(piece: Piece, settings: RoomSettings, input: InputName): Take {
  const isPlayed = settings.who === 'me';
  const { rounds, bpm, swing, click, countIn } = planOf(piece, settings);
  return {
    version: TAKE_VERSION,
    groove: piece.groove,
    passages: piece.passages ?? wholeOf(piece.groove),
    rounds,
    bpm,
    ...(swing && { swing }),
    click,
    countIn,
    task: settings.task,
    ...(piece.exercises && { exercises: piece.exercises }),
    ...(piece.goal !== undefined && { goal: piece.goal }),
    input: isPlayed ? input : 'simulated kit',
    ...(isPlayed && input === 'nothing' && { hears: [] }),
    struckBy: isPlayed ? 'player' : 'kit',
    playedMs: 0,
    hits: [],
  };
}

/** The take as it is to be judged when it ended at a moment of the run; undefined when nothing was struck. */
export function takenUntil(struck: Take, endedMs: Ms, endMs: Ms): Take | undefined {
  const { hits, bpm } = struck;
  const last = Math.max(...hits.map(({ ms }) => ms));
  // Stopped by hand, what would have come after the last stroke was not attempted.
  const played = endedMs >= endMs ? endMs : Math.min(endedMs, last + beatMs(struck, bpm) / 2);
  if (!hits.length || played <= 0) return undefined;
  return { ...struck, playedMs: Math.round(played) };
}

/** A stroke that is due, and the bar it lies in. */
export interface Near {
  stroke: TimedStroke;
  startMs: Ms;
  endMs: Ms;
}

/** The stroke of a limb nearest to a hit, of any limb where that is not known. */
export function nearestTo({ limb, ms }: Hit, timed: Schedule): Near | undefined {
  let best: TimedStroke | undefined;
  for (const sound of timed.sounds) {
    if (sound.kind !== 'stroke' || (limb && sound.limb !== limb)) continue;
    if (!best || Math.abs(sound.ms - ms) < Math.abs(best.ms - ms)) best = sound;
    else if (sound.ms > ms) break;
  }
  const bar = best && timed.bars.find((one) => one.barInRun === best.barInRun);
  return best && bar && { stroke: best, startMs: bar.startMs, endMs: bar.endMs };
}

/** Hits, in order, with what each strikes: the surface of its limb's nearest stroke. */
export function withSurfaces(hits: readonly Hit[], { sounds }: Pick<Schedule, 'sounds'>): KitStroke[] {
  const lines = new Map<Limb, { strokes: TimedStroke[]; at: number }>();
  for (const sound of sounds) {
    if (sound.kind !== 'stroke') continue;
    const line = lines.get(sound.limb) ?? { strokes: [], at: 0 };
    lines.set(sound.limb, line);
    line.strokes.push(sound);
  }
  return hits.map((hit) => {
    const line = hit.limb && lines.get(hit.limb);
    if (!line) return hit;
    const off = (at: number) => Math.abs((line.strokes[at]?.ms ?? Infinity) - hit.ms);
    while (off(line.at + 1) <= off(line.at)) line.at++;
    return { ...hit, surface: line.strokes[line.at]!.surface };
  });
}
