import type { Hit, Take } from '../documents/take';
import type { Limb } from '../groove/limbs';
import type { Level } from '../limits';
import { normal, randomFrom } from '../random';
import type { Ms } from '../time/units';
import type { Plant } from './plant';
import { faultIn } from './planted';

/**
 * Players for trying the judging, unlike one another and unlike the simulated kit: their errors hang together and have
 * heavy tails, their limbs and places have small habits, they lose a stroke now and then. One fault is planted.
 */

export interface Player {
  /** Its spread, as a share of what is tolerated. */
  spread: number;
  /** How far an error goes with the one before. */
  tied: number;
  /** Slips now and then. */
  heavy: boolean;
  /** Habits of limb and place, as a share of what is tolerated. */
  habit: number;
  /** All of it late by this share of what is tolerated. */
  delay: number;
  lost: number;
  bounced: number;
}

/** Somebody who plays evenly, or somebody who does not. */
export function playerFrom(seed: number, untidy: boolean): Player {
  const random = randomFrom(seed);
  const between = (least: number, most: number) => least + random() * (most - least);
  return {
    spread: untidy ? between(0.35, 0.6) : between(0.2, 0.5),
    tied: between(-0.2, 0.5),
    heavy: untidy && random() < 0.7,
    habit: untidy ? between(0, 0.2) : between(0, 0.1),
    delay: untidy ? between(-0.3, 0.3) : between(-0.1, 0.1),
    lost: untidy ? 0.01 : 0,
    bounced: untidy ? 0.005 : 0,
  };
}

/** A take as a player plays it with a fault of a size; undefined where the groove cannot show that fault. */
export function takePlayed(
  take: Take,
  player: Player,
  planted: Pick<Plant, 'kind' | 'times'> & { level: Level },
  toleranceMs: Ms,
  seed: number,
): { take: Take; plant: Plant } | undefined {
  const random = randomFrom(seed);
  const fault = faultIn(take, planted, toleranceMs, player.spread * toleranceMs, random);
  if (!fault) return undefined;
  const { timed, all, countMs, placeOf, graceGap } = fault;
  const habits = new Map<string, number>();
  const habitOf = (key: string) => {
    if (!habits.has(key)) habits.set(key, player.habit * toleranceMs * (2 * random() - 1));
    return habits.get(key)!;
  };
  const before = new Map<Limb, number>();
  const hits: Hit[] = [];
  for (const stroke of all) {
    const own = before.get(stroke.limb) ?? normal(random);
    const fresh = player.heavy && random() < 0.06 ? 3 * normal(random) : normal(random);
    const error = player.tied * own + Math.sqrt(1 - player.tied ** 2) * fresh;
    before.set(stroke.limb, error);
    const [lose, bounce, late] = [random(), random(), random()];
    if (fault.isLost(stroke) || lose < player.lost) continue;
    const gap = stroke.role === 'grace' && graceGap !== undefined ? 28 - graceGap : 0;
    const ms =
      stroke.ms +
      fault.shift(stroke) +
      gap +
      fault.spreadOf(stroke) * error +
      player.delay * toleranceMs +
      habitOf(stroke.limb) +
      habitOf(placeOf(stroke));
    const high = stroke.height === 'accent' && !fault.isFlat(stroke);
    const loudness = Math.max(
      0.02,
      Math.min(1, (high ? 0.8 : 0.32) * 10 ** ((1.5 * normal(random) - fault.softer(stroke)) / 20)),
    );
    hits.push({ limb: stroke.limb, ms: Math.round(ms * 1000) / 1000, loudness });
    if (bounce < player.bounced) hits.push({ limb: stroke.limb, ms: ms + 60, loudness: 0.1 });
    if (fault.more.has(stroke)) hits.push({ limb: stroke.limb, ms: ms + countMs * (0.3 + 0.15 * late), loudness });
  }
  return {
    take: { ...take, playedMs: Math.round(timed.endMs), hits: hits.sort((a, b) => a.ms - b.ms) },
    plant: fault.plant,
  };
}
