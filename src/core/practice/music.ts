import { z } from 'zod';
import { tempoShape } from '../documents/shapes';
import { MOST_ROUNDS } from '../limits';
import { type Bpm, type Ms } from '../time/units';
import { SLOWEST } from '../limits';

/** What is set for a piece of music of the player's own: its tempo, where its first beat is, how fast it is played. */
export const musicShape = z.strictObject({
  name: z.string().max(300),
  bpm: tempoShape,
  /** From the start of the file, at its own speed. */
  firstBeatMs: z
    .number()
    .min(0)
    .max(60 * 60_000),
  /** In percent of its own speed. */
  speed: z.number().int().min(50).max(100),
});
export type MusicSettings = z.infer<typeof musicShape>;

/** How fast music can be played, in percent: slower than half it smears. */
export const SPEEDS = [50, 60, 70, 75, 80, 85, 90, 95, 100] as const;

/** One touch moves the first beat so far. */
export const NUDGE_MS: Ms = 5;

/** The tempo music is heard at, to a thousandth; never below the slowest that can be counted. */
export const heardBpm = ({ bpm, speed }: Pick<MusicSettings, 'bpm' | 'speed'>): Bpm =>
  Math.max(SLOWEST, Math.round(bpm * speed * 10) / 1000);

/**
 * How often what lasts `onceMs` goes round under music from its first beat to its end; at least once. `lengthMs` is
 * that of the file.
 */
export const roundsUnder = (onceMs: Ms, firstBeatMs: Ms, lengthMs: Ms): number =>
  Math.max(1, Math.min(MOST_ROUNDS, Math.floor((lengthMs - firstBeatMs) / onceMs)));

/** Where the beats of the music fall within a stretch of the file, in milliseconds from its start. */
export function beatsWithin(
  { bpm, firstBeatMs }: Pick<MusicSettings, 'bpm' | 'firstBeatMs'>,
  fromMs: Ms,
  toMs: Ms,
): Ms[] {
  const beatMs = 60_000 / bpm;
  const beats: Ms[] = [];
  for (let beat = Math.ceil((fromMs - firstBeatMs) / beatMs - 1e-9); firstBeatMs + beat * beatMs <= toMs; beat++)
    beats.push(firstBeatMs + beat * beatMs);
  return beats;
}
