import { formOfTake, type Take } from '../documents/take';
import { wholeOf } from '../form/form';
import type { Groove } from '../groove/groove';
import { limbsIn } from '../groove/kit';
import { schedule } from '../schedule/schedule';
import { simulateKit, type Playing } from '../simulate/simulatedKit';

/** Eight rounds of a groove at its own tempo, counted in once, with nothing struck yet. */
export const emptyTake = (groove: Groove, more: Partial<Take> = {}): Take => ({
  version: 2,
  groove,
  passages: wholeOf(groove),
  rounds: 8,
  bpm: groove.tempo,
  click: { kind: 'every', counts: '1', from: '0' },
  countIn: 1,
  task: limbsIn(groove),
  input: 'keys',
  struckBy: 'player',
  playedMs: 1e6,
  hits: [],
  ...more,
});

/** A take as the simulated kit plays it. */
export function playedTake(playing: Playing, take: Take, seed = 11): Take {
  const form = formOfTake(take);
  const timed = schedule(form);
  return { ...take, playedMs: timed.endMs, hits: simulateKit({ form, timed }, take.task, playing, seed) };
}
