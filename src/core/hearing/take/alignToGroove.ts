import { formOfTake, type Take } from '../../documents/take';
import { wholeOf } from '../../form/form';
import { tooMuchWork } from '../../form/work';
import type { Groove } from '../../groove/groove';
import { limbsIn } from '../../groove/kit';
import { usualLimb, type Limb } from '../../groove/limbs';
import { LONGEST_TAKE_MS, MOST_HITS, MOST_ROUNDS } from '../../limits';
import { fail, ok, problemAt, type Result } from '../../result';
import { schedule } from '../../schedule/schedule';
import type { TimedStroke } from '../../schedule/timed';
import type { Bpm, Ms } from '../../time/units';
import type { HeardStroke } from './hearing';
import type { Expected } from '../kit/scoreSurfaces';

/** A stroke lies on a written one within so much. */
const NEAR: Ms = 45;
/** The beginning is looked for among so many of the first strokes, heard and written. */
const FIRST = 8;

/** A written stroke on the clock of a recording, with the limb that is to play it. */
export interface Written extends Expected {
  limb: Limb;
}

/**
 * A groove as it is played through a recording: the take it would be, with nothing struck yet, and when each stroke
 * is due.
 */
function playedThrough(groove: Groove, bpm: Bpm, lengthMs: Ms): Result<{ take: Take; due: TimedStroke[] }> {
  const take = (rounds: number): Take => ({
    version: 2,
    groove,
    passages: wholeOf(groove),
    rounds,
    bpm,
    click: { kind: 'every', counts: '1', from: '0' },
    countIn: 0,
    task: limbsIn(groove),
    input: 'file',
    struckBy: 'player',
    playedMs: Math.min(lengthMs, LONGEST_TAKE_MS),
    hits: [],
  });
  const roundMs = schedule(formOfTake(take(1))).endMs;
  const played = take(Math.max(1, Math.min(MOST_ROUNDS, Math.ceil(lengthMs / Math.max(1, roundMs)))));
  const problems = tooMuchWork(played);
  if (problems.length) return fail(...problems);
  const due = schedule(formOfTake(played)).sounds.filter((sound): sound is TimedStroke => sound.kind === 'stroke');
  if (!due.length)
    return fail(problemAt('groove', 'empty', 'This groove has no strokes.', 'Choose one that has, or none at all.'));
  return ok({ take: played, due });
}

/**
 * Lays what was heard on a groove, played over and over at a tempo: the take that it is, when its first bar begins in
 * the recording, and every written stroke on the recording's clock. It begins where most of what was heard falls on
 * what is written.
 */
export function alignToGroove(
  groove: Groove,
  bpm: Bpm,
  heard: readonly HeardStroke[],
  lengthMs: Ms,
): Result<{ take: Take; firstBarMs: Ms; expected: Written[] }> {
  const played = playedThrough(groove, bpm, lengthMs);
  if (!played.ok) return played;
  const { take, due } = played.value;
  const firstBarMs = beginningOf(
    heard.map(({ ms }) => ms),
    due.map(({ ms }) => ms),
  );
  // What would be due behind the last stroke was not left out: the playing was over.
  const endMs = Math.min(lengthMs, (heard.at(-1)?.ms ?? 0) + NEAR);
  return ok({
    take: {
      ...withHits(take, heard, firstBarMs),
      playedMs: Math.max(0, Math.min(LONGEST_TAKE_MS, endMs - firstBarMs)),
    },
    firstBarMs,
    expected: due.map(({ ms, surface, height, limb }) => ({ ms: ms + firstBarMs, surface, height, limb })),
  });
}

/** Tempos that are tried: from half of the one that is set to twice it, each so much quicker than the last. */
const [SLOWEST_SHARE, TEMPO_STEP] = [0.5, 1.004];
/** The strokes a tempo is told by: a small error would lay later ones wrong. */
const TOLD_BY = 40;
/**
 * Strokes lie so well on what is written where the tempo is right; where half as well at the one that is set, it is
 * wrong.
 */
const FITS = 0.55;
const [CLEARLY, NEARLY] = [0.6, 0.95];

/**
 * The tempo at which strokes lie on a groove, where that is clearly another than the one that is set; undefined where
 * that one does, or where none does.
 */
export function tempoHeard(groove: Groove, bpm: Bpm, heard: readonly HeardStroke[]): Bpm | undefined {
  const told = heard.slice(0, TOLD_BY).map(({ ms }) => ms);
  const spanMs = (told.at(-1) ?? 0) - (told[0] ?? 0);
  const played = playedThrough(groove, bpm, Math.min(LONGEST_TAKE_MS, 2 * spanMs + 1000));
  if (!played.ok || told.length < FIRST) return undefined;
  const due = played.value.due.map(({ ms }) => ms);
  const tried: { share: number; fit: number }[] = [];
  for (let share = SLOWEST_SHARE; share <= 1 / SLOWEST_SHARE; share *= TEMPO_STEP) {
    const at = due.map((ms) => ms / share);
    const start = beginningOf(told, at);
    // What is written and was not played counts against it too: a quicker tempo has more to fall on.
    const within = at.filter((ms) => ms + start >= told[0]! - NEAR && ms + start <= told.at(-1)! + NEAR).length;
    const near = told.reduce((sum, ms) => sum + nearness(at, ms - start), 0);
    tried.push({ share, fit: near / Math.max(told.length, within) });
  }
  const best = Math.max(...tried.map(({ fit }) => fit));
  const asSet = Math.max(...tried.filter(({ share }) => Math.abs(share - 1) < 0.02).map(({ fit }) => fit));
  if (best < FITS || asSet > CLEARLY * best) return undefined;
  const likely = tried.filter(({ fit }) => fit >= NEARLY * best);
  const { share } = likely.reduce((a, b) => (Math.abs(Math.log(b.share)) < Math.abs(Math.log(a.share)) ? b : a));
  // The middle of those about it that fit as well.
  const about = likely.filter((one) => Math.abs(one.share / share - 1) < 0.03);
  const middle = about.reduce((sum, one) => sum + one.share, 0) / about.length;
  return Math.round(bpm * middle);
}

/**
 * The take with what was heard as its hits; a surface's limb is the one that plays it in the groove. `isLoud`: their
 * levels say how loud each was, 0 dB being as loud as can be told.
 */
export function withHits(take: Take, heard: readonly HeardStroke[], firstBarMs: Ms, isLoud = false): Take {
  const limbs = new Map(take.groove.bars.flatMap(({ strokes }) => strokes.map(({ surface, limb }) => [surface, limb])));
  const hits = heard.slice(0, MOST_HITS).map(({ ms, surface, levelDb }) => {
    const limb = surface && (limbs.get(surface) ?? usualLimb(surface));
    const loudness = isLoud && { loudness: Math.max(0, Math.min(1, 10 ** (levelDb / 20))) };
    return { ms: Math.max(-60_000, ms - firstBarMs), ...(limb && { limb }), ...loudness };
  });
  return { ...take, hits };
}

/** The take with the written strokes that could not have been heard; `could` has one answer a stroke, in order. */
export function withUnheard(take: Take, written: readonly Written[], could: readonly boolean[], firstBarMs: Ms): Take {
  const unheard = written
    .filter((_, index) => could[index] === false)
    .map(({ limb, ms }) => ({ limb, ms: ms - firstBarMs }))
    .filter(({ ms }) => ms >= 0 && ms <= LONGEST_TAKE_MS)
    .slice(0, MOST_HITS);
  return { ...take, unheard };
}

/** When the first bar begins, from when strokes were heard and when they are due. */
function beginningOf(heard: readonly Ms[], due: readonly Ms[]): Ms {
  let best = { start: heard[0] === undefined ? 0 : heard[0] - due[0]!, fit: -Infinity };
  const firsts = [...new Set(due)].slice(0, FIRST);
  for (const [skipped, ms] of heard.slice(0, FIRST).entries())
    for (const first of firsts) {
      const start = ms - first;
      // A beginning that leaves out what was heard before it, or what is written before it, is less likely.
      const fit =
        heard.reduce((sum, one) => sum + nearness(due, one - start), 0) - 0.3 * (skipped + firsts.indexOf(first));
      if (fit > best.fit) best = { start, fit };
    }
  // A recording has no click of its own to be early or late to: the whole of it lies on the count.
  const offs = heard.map((ms) => nearestOff(due, ms - best.start)).filter((off) => Math.abs(off) < NEAR);
  return best.start + (offs.sort((a, b) => a - b)[Math.floor(offs.length / 2)] ?? 0);
}

const nearness = (due: readonly Ms[], ms: Ms): number => Math.max(0, 1 - Math.abs(nearestOff(due, ms)) / NEAR);

/** How much later than the nearest due stroke; due strokes are in order. */
function nearestOff(due: readonly Ms[], ms: Ms): Ms {
  let [low, high] = [0, due.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (due[middle]! < ms) low = middle + 1;
    else high = middle;
  }
  const [after, before] = [ms - (due[low] ?? Infinity), ms - (due[low - 1] ?? -Infinity)];
  return Math.abs(after) < Math.abs(before) ? after : before;
}
