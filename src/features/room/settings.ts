import { z } from 'zod';
import { tempoShape } from '@/core/groove/document';
import { LIMBS, type Limb } from '@/core/groove/limbs';
import { CLICK_PLAN_NAMES, CLICK_PLANS, type ClickPlan, type ClickPlanName } from '@/core/time/clickPlan';
import type { Bpm } from '@/core/time/units';
import type { KitFault } from '@/core/take/simulatedKit';

/** How the room is set for the next take. */
export interface RoomSettings {
  bpm: Bpm;
  click: ClickPlan;
  rounds: number;
  countIn: number;
  /** The limbs that are to be played. */
  task: Limb[];
  /** Who plays: the person on the keys, or the simulated kit with a fault. */
  player: 'keys' | KitFault;
  /** Whether the groove itself sounds along with the click. */
  hearGroove: boolean;
}

export const ROUNDS = [1, 2, 4, 8, 16, 32] as const;
export const COUNT_INS = [0, 1, 2, 3, 4] as const;

/** What an address may ask of the room; anything that cannot be is left out. */
export function settingsAsked(
  asked: { bpm?: string; click?: string; limbs?: string },
  playing: readonly Limb[],
): Partial<Pick<RoomSettings, 'bpm' | 'click' | 'task'>> {
  const bpm = tempoShape.safeParse(Number(asked.bpm ?? NaN)).data;
  const click = z.enum(CLICK_PLAN_NAMES as [ClickPlanName, ...ClickPlanName[]]).safeParse(asked.click).data;
  const limbs = LIMBS.filter((limb) => asked.limbs?.split(',').includes(limb) && playing.includes(limb));
  return { ...(bpm && { bpm }), ...(click && { click: CLICK_PLANS[click] }), ...(limbs.length && { task: limbs }) };
}
