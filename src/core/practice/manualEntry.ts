import { TAKE_VERSION, type Take } from '../documents/take';
import { wholeOf } from '../form/form';
import type { Groove } from '../groove/groove';
import { limbsIn } from '../groove/kit';
import type { Bpm, Ms } from '../time/units';

/**
 * A groove as it was practised away from here, by the word of whoever did: what, how fast and for how long, and not
 * one stroke of it. What is known is written once through; how long it went on is `playedMs`.
 */
export const manualEntry = (groove: Groove, bpm: Bpm, playedMs: Ms): Take => ({
  version: TAKE_VERSION,
  groove,
  passages: wholeOf(groove),
  rounds: 1,
  bpm,
  click: { kind: 'silent' },
  countIn: 0,
  task: limbsIn(groove),
  input: 'nothing',
  hears: [],
  struckBy: 'player',
  playedMs,
  hits: [],
});
