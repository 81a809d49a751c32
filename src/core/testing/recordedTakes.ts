import type { Height, Surface } from '../groove/limbs';
import { normal, randomFrom } from '../random';
import { HEIGHT_DB, type MadeKit } from '../simulate/drumSounds';
import { frameOf, recordingOf, type Setting, type Sounded } from '../simulate/recording';
import type { Decibels, Ms } from '../time/units';

/** A stroke that was written: played unless it was left out. */
export interface WrittenStroke extends Sounded {
  role: 'main' | 'grace' | 'second';
  /** When the player struck; undefined where it was left out. */
  playedMs?: Ms;
}

const chosen = <T>(random: () => number, from: readonly T[]): T => from[Math.floor(random() * from.length)]!;
/** Each stroke's own scatter, and how far apart limbs land that are written together. */
const SCATTER_MS = 3.5;

/** A line on one surface: accents, taps and ghosts, flams 12–45 ms and doubles 60–100 ms apart. */
export function madeLine(seed: number, surface: Surface, seconds: number): WrittenStroke[] {
  const random = randomFrom(seed * 977 + 1);
  const step = 60_000 / (60 + 140 * random()) / chosen(random, [2, 3, 4]);
  const strokes: WrittenStroke[] = [];
  for (let ms = 0; ms < 1000 * seconds; ms += step) {
    if (random() < 0.25) continue;
    const height = chosen(random, ['accent', 'tap', 'tap', 'ghost'] as Height[]);
    const played = ms + SCATTER_MS * normal(random);
    const add = (at: Ms, how: Height, role: WrittenStroke['role'], db = 1.5 * normal(random)) =>
      strokes.push({ ms: at, playedMs: at, surface, height: how, role, db });
    const what = random();
    if (what < 0.12 && height !== 'ghost' && ms > 60) add(played - (12 + 33 * random()), 'ghost', 'grace', 6);
    add(played, height, 'main');
    if (what > 0.85 && height !== 'ghost' && step > 150) add(played + 60 + 40 * random(), height, 'second', -2);
  }
  return strokes.sort((a, b) => a.ms - b.ms);
}

/** Of what is written so much is not played. */
const LEFT_OUT = 0.12;

/** A groove of a whole kit, played with scatter; some of what is written is left out. */
export function madeGroove(seed: number, seconds: number, scatterMs = SCATTER_MS, leftOut = LEFT_OUT): WrittenStroke[] {
  const random = randomFrom(seed * 1009 + 7);
  const bpm = 60 + 140 * random();
  const parts = bpm > 130 ? 2 : chosen(random, [2, 3, 4]);
  const step = 60_000 / bpm / parts;
  const leading = chosen(random, ['closed hat', 'ride', 'closed hat', 'floor tom'] as Surface[]);
  const every = parts === 4 ? chosen(random, [1, 2]) : 1;
  const pattern = Array.from({ length: 4 * parts }, (_, slot): [Surface, Height][] => {
    const here: [Surface, Height][] = [];
    const count = Math.floor(slot / parts);
    const isCount = slot % parts === 0;
    if (slot % every === 0) here.push([leading, isCount ? 'accent' : 'tap']);
    if (isCount && count % 2) here.push(['snare', 'accent']);
    else if (random() < 0.22) here.push(['snare', random() < 0.75 ? 'ghost' : 'tap']);
    if ((isCount && count === 0) || random() < 0.22) here.push(['kick', random() < 0.6 ? 'accent' : 'tap']);
    if (leading === 'ride' && isCount && count % 2) here.push(['hat pedal', 'tap']);
    return here;
  });
  const strokes: WrittenStroke[] = [];
  for (let slot = 0, ms = 0; ms < 1000 * seconds; slot++, ms += step) {
    const bar = Math.floor(slot / pattern.length);
    let here = pattern[slot % pattern.length]!;
    if (bar % 4 === 3 && slot % pattern.length >= 3 * parts)
      here = [
        [chosen(random, ['high tom', 'mid tom', 'floor tom', 'snare'] as Surface[]), 'accent'],
        ...here.filter(([surface]) => surface === 'kick'),
      ];
    if (bar > 0 && bar % 4 === 0 && slot % pattern.length === 0)
      here = [['crash', 'accent'], ...here.filter(([surface]) => surface === 'kick')];
    if (leading === 'closed hat' && slot % pattern.length === pattern.length - 1 && random() < 0.4)
      here = [['open hat', 'tap'], ...here.filter(([surface]) => surface !== 'closed hat')];
    for (const [surface, height] of here)
      strokes.push({
        ms,
        surface,
        height,
        role: 'main',
        db: 1.8 * normal(random),
        ...(random() >= leftOut && { playedMs: Math.max(0, ms + scatterMs * normal(random)) }),
      });
  }
  return strokes;
}

/** A stroke that is in a recording: when it began in milliseconds from the first sample. */
export interface TrueStroke {
  ms: Ms;
  surface: Surface;
  height: Height;
  role: WrittenStroke['role'];
  /** Against the surface's accent. */
  db: Decibels;
  /** Whether its own sound stands above all else that sounds there in some band. */
  isAudible: boolean;
}

export interface RecordedTake {
  samples: Float32Array;
  rate: number;
  strokes: TrueStroke[];
  /** What was written, whether played or not, on the clock of the recording. */
  expected: { ms: Ms; surface: Surface; height: Height; isPlayed: boolean }[];
}

/**
 * The take as a microphone hears it. `bandsOf` gives the powers by which a stroke is called audible, from some
 * samples on.
 */
export function recordedTake(
  written: readonly WrittenStroke[],
  setting: Setting,
  bandsOf: (samples: Float32Array, rate: number) => number[],
): RecordedTake {
  const played = written.filter((one) => one.playedMs !== undefined);
  const sounded = played.map((one) => ({ ...one, ms: one.playedMs! }));
  const alone: Float32Array[] = [];
  const strike: MadeKit['strike'] = (...how) => {
    const sound = setting.kit.strike(...how);
    alone.push(sound);
    return sound;
  };
  const { samples, onsets } = recordingOf(sounded, { ...setting, kit: { ...setting.kit, strike } });
  const { rate } = setting;
  const strokes = played.map(({ surface, height, role, db = 0 }, index): TrueStroke => {
    const frame = frameOf(sounded[index]!.ms, rate);
    const lead = Math.min(frame, Math.round(0.02 * rate));
    const own = new Float32Array(Math.round(0.07 * rate));
    own.set(alone[index]!.subarray(0, own.length - lead), lead);
    const rest = samples.slice(frame - lead, frame - lead + own.length).map((value, at) => value - own[at]!);
    const [mine, others] = [bandsOf(own, rate), bandsOf(rest, rate)];
    return {
      ms: onsets[index]!,
      surface,
      height,
      role,
      db: HEIGHT_DB[height] + db,
      isAudible: mine.some((power, band) => power > others[band]!),
    };
  });
  const toClock = frameOf(0, rate) / rate;
  return {
    samples,
    rate,
    strokes,
    expected: written.map(({ ms, surface, height, playedMs }) => ({
      ms: ms + 1000 * toClock,
      surface,
      height,
      isPlayed: playedMs !== undefined,
    })),
  };
}
