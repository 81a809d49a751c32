import type { Clock } from '@/core/documents/settings';
import { blocksOf, type Block, type Practised } from '@/core/plan/blocks';
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
    counts: take.struck_by === 'player' && take.set_aside_why === null,
  })).map((block) => ({ say: lineOf(block, clock, withPlayer), takes: block.takes }));

function lineOf({ takes, from, practised }: Block<TakeRow>, clock: Clock, withPlayer: boolean): string {
  const [{ title, player }] = takes as [TakeRow];
  const own = takes.filter(({ struck_by }) => struck_by === 'player');
  return [
    withPlayer ? `${title}, ${player}` : title,
    dayInWords(from, clock),
    plural(takes.length, 'take'),
    ...(practised ? practisedInWords(practised) : []),
    own.length > 0 && heardInWords(new Set(own.map(({ input }) => input))),
    own.length < takes.length && kitInWords(takes.length - own.length, takes.length),
  ]
    .filter(Boolean)
    .join(' · ');
}

function practisedInWords({ soundingMs, slowest, quickest, clean }: Practised): string[] {
  return [
    `${lengthInWords(soundingMs)} sounding`,
    slowest === quickest ? `at ${tempoInWords(slowest)}` : `${tempoInWords(slowest)} to ${tempoInWords(quickest)}`,
    ...(clean > 0 ? [`${clean} clean`] : []),
  ];
}

/** Who struck, where it was not the player. */
const kitInWords = (kit: number, takes: number): string => `${kit < takes ? `${kit} ` : ''}struck by the simulated kit`;

function heardInWords(inputs: ReadonlySet<TakeRow['input']>): string {
  const [input] = inputs;
  if (inputs.size > 1) return 'heard in several ways';
  return input === 'nothing' ? 'not heard' : `heard by ${input}`;
}
