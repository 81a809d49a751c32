import type { ReadValue, SightPlan } from '@/core/documents/sightPlan';
import { isCompound, meterInWords } from '@/core/grid/meter';
import { plural } from './text';

/** What a value is called over a meter: in 6/8 and the like a count is a dotted quarter. */
const valueInWords = (value: ReadValue, { meter }: Pick<SightPlan, 'meter'>): string =>
  value === 'quarters' && isCompound(meter) ? 'dotted quarters' : value;

/** "4 bars of 4/4 in quarters and 8ths, first year". */
export function sightInWords(plan: SightPlan): string {
  const values = plan.values.map((value) => valueInWords(value, plan));
  const all = values.length > 1 ? `${values.slice(0, -1).join(', ')} and ${values.at(-1)}` : values[0];
  const what = plan.kind === 'line' ? '' : 'A chart of ';
  return `${what}${plural(plan.bars, 'bar')} of ${meterInWords(plan.meter)} in ${all}, ${plan.level}`;
}
