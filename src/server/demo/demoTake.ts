import { limbsIn, turnFor } from '@/core/groove/kit';
import { formOfTake, TAKE_VERSION, type Take } from '@/core/documents/take';
import { wholeOf } from '@/core/form/form';
import { schedule } from '@/core/schedule/schedule';
import { simulateKit, type Playing } from '@/core/simulate/simulatedKit';
import { CLICK_PLANS } from '@/core/time/clickPlan';
import { STARTER_GROOVES } from './grooves';
import type { DemoAssignment, DemoStudent } from './people';

/** How far back the demo's log reaches. */
export const DEMO_DAYS = 21;
const DEMO_ROUNDS = 8;

/** One take of a student on a day, played by the simulated kit somewhere between the first way and the last. */
export function demoTake(
  student: Pick<DemoStudent, 'setup' | 'from' | 'to'>,
  set: Pick<DemoAssignment, 'groove' | 'tempo' | 'click'>,
  daysAgo: number,
  seed: number,
): Take {
  const written = STARTER_GROOVES.find(({ groove }) => groove.title === set.groove)!.groove;
  const groove = turnFor(written, student.setup);
  const way = 1 - daysAgo / DEMO_DAYS;
  // Begun a little slower than set, and there by the end.
  const slower = Math.round((set.tempo * 0.12 * Math.max(0, daysAgo - 4)) / DEMO_DAYS);
  const take: Take = {
    version: TAKE_VERSION,
    groove,
    passages: wholeOf(groove),
    bpm: set.tempo - slower,
    goal: set.tempo,
    click: CLICK_PLANS[set.click],
    countIn: 1,
    rounds: DEMO_ROUNDS,
    task: limbsIn(groove),
    // What these people play is drawn by the kit's own arithmetic, but it is theirs.
    input: 'keys',
    struckBy: 'player',
    playedMs: 0,
    hits: [],
  };
  const form = formOfTake(take);
  const timed = schedule(form);
  return {
    ...take,
    playedMs: Math.round(timed.endMs),
    hits: simulateKit({ form, timed }, take.task, between(student.from, student.to, way), seed),
  };
}

/** The way of playing `way` of the way from one to another, 0 to 1. */
function between(from: Playing, to: Playing, way: number): Playing {
  const mix = (a = 0, b = 0) => a + (b - a) * way;
  return {
    offsetMs: mix(from.offsetMs, to.offsetMs),
    spreadMs: mix(from.spreadMs, to.spreadMs),
    driftPercent: mix(from.driftPercent, to.driftPercent),
    missedShare: mix(from.missedShare, to.missedShare),
    offCountMs: mix(from.offCountMs, to.offCountMs),
    switchMs: mix(from.switchMs, to.switchMs),
    ...(from.limbMs && { limbMs: { 'right foot': mix(from.limbMs['right foot'], to.limbMs?.['right foot']) } }),
    ...(from.isLoud && { isLoud: true, flattened: mix(from.flattened, to.flattened) }),
  };
}
