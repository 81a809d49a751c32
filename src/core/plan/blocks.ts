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
  /** Not the simulated kit's, and not set aside. */
  counts: boolean;
}

/** One thing practised by one person without a long pause. */
export interface Block<T> {
  takes: T[];
  /** When the first take began. */
  from: number;
  /** Of the takes that count; undefined when there is none. */
  practised?: Practised;
}

export interface Practised {
  soundingMs: Ms;
  slowest: Bpm;
  quickest: Bpm;
  clean: number;
}

/** Takes, the newest first, as blocks of practice: one after another by the same person of the same thing. */
export function blocksOf<T>(takes: readonly T[], seen: (take: T) => TakeInBlock): Block<T>[] {
  const blocks: { takes: T[]; seen: TakeInBlock[] }[] = [];
  for (const take of takes) {
    const one = seen(take);
    const block = blocks.at(-1);
    if (block && goesOn(block.seen.at(-1)!, one)) {
      block.takes.push(take);
      block.seen.push(one);
    } else blocks.push({ takes: [take], seen: [one] });
  }
  return blocks.map((block) => ({
    takes: block.takes,
    from: block.seen.at(-1)!.at,
    practised: practisedIn(block.seen.filter(({ counts }) => counts)),
  }));
}

/** Whether a take is of the same block as the one after it. */
function goesOn(after: TakeInBlock, one: TakeInBlock): boolean {
  if (after.player_id !== one.player_id || after.groove_id !== one.groove_id) return false;
  return after.at - (one.at + one.playedMs) <= SAME_BLOCK_MS;
}

function practisedIn(takes: readonly TakeInBlock[]): Practised | undefined {
  if (!takes.length) return undefined;
  const tempos = takes.map(({ tempo }) => tempo);
  return {
    soundingMs: takes.reduce((sum, { playedMs }) => sum + playedMs, 0),
    slowest: Math.min(...tempos),
    quickest: Math.max(...tempos),
    clean: takes.filter(({ isClean }) => isClean).length,
  };
}
