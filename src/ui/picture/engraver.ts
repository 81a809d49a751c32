// @ts-expect-error: it is the engraver's own module, which has no types where it lies.
import { Bravura as font } from '../../../node_modules/vexflow/build/esm/src/fonts/bravura.js';

/** The font of the engraver, as an address that holds it: the same that it draws with, which it does not give out. */
export const Bravura: string = font as string;
