import type { Bpm, Ms } from '../time/units';

/** A pause longer than this ends a block of practice, as it ends the standing on a ladder. */
const SAME_BLOCK_MS: Ms = 60 * 60_000;

/** A take as far as blocks ask: `at` is when it began, in milliseconds of the epoch. */
export interface TakeInBlock {
  player_id: string;
  groove_id: string;
  at: number;
  playedMs: Ms;
  tempo: Bpm;
  isClean: boolean;
}

/** One thing practised by one person without a long pause. */
export interface Block<T> {
  takes: T[];
  /** When the first take began. */
  from: number;
  soundingMs: Ms;
  slowest: Bpm;
  quickest: Bpm;
  clean: number;
}

/** Takes, the newest first, as blocks of practice: one after another by the same person of the same thing. */
export function blocksOf<T>(takes: readonly T[], seen: (take: T) => TakeInBlock): Block<T>[] {
  const blocks: (Block<T> & { last: TakeInBlock })[] = [];
  for (const take of takes) {
    const one = seen(take);
    const block = blocks.at(-1);
    const goesOn =
      block &&
      block.last.player_id === one.player_id &&
      block.last.groove_id === one.groove_id &&
      block.last.at - (one.at + one.playedMs) <= SAME_BLOCK_MS;
    if (goesOn) {
      block.takes.push(take);
      block.from = one.at;
      block.soundingMs += one.playedMs;
      block.slowest = Math.min(block.slowest, one.tempo);
      block.quickest = Math.max(block.quickest, one.tempo);
      block.clean += Number(one.isClean);
      block.last = one;
    } else {
      blocks.push({
        takes: [take],
        from: one.at,
        soundingMs: one.playedMs,
        slowest: one.tempo,
        quickest: one.tempo,
        clean: Number(one.isClean),
        last: one,
      });
    }
  }
  return blocks.map(({ last: _last, ...block }) => block);
}
