import type { Clock } from '@/core/documents/settings';
import { blocksOf, type Block } from '@/core/plan/blocks';
import type { TakeRow } from '@/server/takes';
import type { TakeGroup } from '@/ui/take/TakeTable';
import { dayInWords } from '@/ui/words/dates';
import { lengthInWords, tempoInWords } from '@/ui/words/figures';
import { plural } from '@/ui/words/text';

/**
 * Takes as the blocks of practice they were, each with a line: what, when, how long it sounded, the tempos, how many
 * were clean.
 */
export const blocksInWords = (takes: readonly TakeRow[], clock: Clock, withPlayer: boolean): TakeGroup[] =>
  blocksOf(takes, (take) => ({
    player_id: take.player_id,
    groove_id: take.groove_id,
    at: take.played_at.getTime(),
    playedMs: take.played_ms,
    tempo: take.tempo,
    isClean: take.verdict?.about === 'clean',
  })).map((block) => ({ say: lineOf(block, clock, withPlayer), takes: block.takes }));

function lineOf(
  { takes, from, soundingMs, slowest, quickest, clean }: Block<TakeRow>,
  clock: Clock,
  withPlayer: boolean,
): string {
  const [{ title, player, input, struck_by }] = takes as [TakeRow];
  const inputs = new Set(takes.map((take) => take.input));
  return [
    withPlayer ? `${title}, ${player}` : title,
    dayInWords(from, clock),
    plural(takes.length, 'take'),
    `${lengthInWords(soundingMs)} sounding`,
    slowest === quickest ? `at ${tempoInWords(slowest)}` : `${tempoInWords(slowest)} to ${tempoInWords(quickest)}`,
    clean > 0 && `${clean} clean`,
    struck_by === 'kit' ? 'struck by the simulated kit' : heardInWords(inputs.size === 1 ? input : undefined),
  ]
    .filter(Boolean)
    .join(' · ');
}

function heardInWords(input: TakeRow['input'] | undefined): string {
  if (input === undefined) return 'heard in several ways';
  return input === 'nothing' ? 'not heard' : `heard by ${input}`;
}
