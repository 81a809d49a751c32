import { z } from 'zod';
import { RATES } from '@/core/drill/families/rates';
import { WEAK_FIGURES, type Weakness } from '@/core/plan/weakness';
import { tempoShape } from '@/core/documents/shapes';
import { LIMBS } from '@/core/groove/limbs';
import { parse, type WholeNotes } from '@/core/time/fraction';
import { parseMeter } from '@/core/grid/meter';
import { CLICK_PLAN_NAMES, type ClickPlanName } from '@/core/time/clickPlan';

const rateShape = z.enum(RATES);

/** What an address may ask of the drill maker. */
export type AskedOfDrills = Partial<
  Record<
    | 'tempo'
    | 'limb'
    | 'offBeats'
    | 'places'
    | 'switch'
    | 'uneven'
    | 'figure'
    | 'joins'
    | 'click'
    | 'meter'
    | 'parts'
    | 'reading',
    string
  >
>;

/** The weakness an address names; what cannot be is left out, and nothing is asked where no tempo is. */
export function weaknessAsked(asked: AskedOfDrills): Weakness | undefined {
  const tempo = tempoShape.safeParse(Number(asked.tempo ?? NaN)).data;
  if (tempo === undefined) return undefined;
  const limb = z.enum(LIMBS).safeParse(asked.limb).data;
  const places = asked.places
    ?.slice(0, 400)
    .split(',')
    .map(parse)
    .filter((place): place is WholeNotes => place !== undefined);
  const [from, to] = asked.switch?.split(',').map((value) => rateShape.safeParse(value).data) ?? [];
  const figure = z.enum(WEAK_FIGURES).safeParse(asked.figure).data;
  const click = z.enum(CLICK_PLAN_NAMES as [ClickPlanName, ...ClickPlanName[]]).safeParse(asked.click).data;
  const parts = z.coerce.number().int().min(1).max(8).safeParse(asked.parts).data;
  return {
    tempo,
    ...(limb && { limb }),
    ...(asked.offBeats && { offBeats: true }),
    ...(places?.length && { places }),
    ...(from && to && { switches: [from, to] as const }),
    ...(asked.uneven && { uneven: true }),
    ...(figure && { figure }),
    ...(asked.joins && { joins: true }),
    ...(click && { click }),
    ...(asked.meter && parseMeter(asked.meter).ok && { meter: asked.meter }),
    ...(parts && { parts }),
    ...((asked.reading === 'numbers' || asked.reading === 'pulse') && { reading: asked.reading }),
  };
}
