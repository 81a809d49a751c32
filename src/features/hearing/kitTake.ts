import { formOfTake, type Take } from '@/core/documents/take';
import { wholeOf } from '@/core/form/form';
import type { Groove } from '@/core/groove/groove';
import { limbsIn } from '@/core/groove/kit';
import { schedule } from '@/core/schedule/schedule';
import { simulateKit } from '@/core/simulate/simulatedKit';
import type { Bpm } from '@/core/time/units';

const ROUNDS = 4;
/** As a fair player strikes: a few milliseconds round the count, and as loud as is meant. */
const PLAYING = { spreadMs: 5, isLoud: true };

/** Some rounds of a groove as the simulated kit plays them, to try hearing without a microphone. */
export function kitTake(groove: Groove, bpm: Bpm): Take {
  const take: Take = {
    version: 2,
    groove,
    passages: wholeOf(groove),
    rounds: ROUNDS,
    bpm,
    click: { kind: 'every', counts: '1', from: '0' },
    countIn: 0,
    task: limbsIn(groove),
    input: 'simulated kit',
    struckBy: 'kit',
    playedMs: 0,
    hits: [],
  };
  const form = formOfTake(take);
  const timed = schedule(form);
  return { ...take, playedMs: timed.endMs, hits: simulateKit({ form, timed }, take.task, PLAYING, 7) };
}
