import type { KitJson } from '../../documents/ears';
import { withShifts, type Kit } from './kit';

const inTenths = (powers: Float64Array): number[] =>
  Array.from(powers, (power) => Math.max(-4000, Math.round(100 * Math.log10(power + 1e-40))));
const fromTenths = (tenths: readonly number[]): Float64Array => Float64Array.from(tenths, (one) => 10 ** (one / 100));

/** A kit as it is stored; what follows from its hops is left out. */
export const writeKit = ({ surfaces }: Kit): KitJson => ({
  version: 1,
  surfaces: surfaces.map(({ templates, ...learnt }) => ({
    ...learnt,
    templates: templates.map(({ ring, hopwise }) => ({ ring: inTenths(ring), hopwise: inTenths(hopwise) })),
  })),
});

export const kitOf = ({ surfaces }: KitJson): Kit => ({
  version: 1,
  surfaces: surfaces.map(({ templates, ...learnt }) => ({
    ...learnt,
    templates: templates.map(({ ring, hopwise }) => withShifts(fromTenths(ring), fromTenths(hopwise))),
  })),
});
