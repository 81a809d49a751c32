import type { FormBar } from '../form/form';
import { slotsOfBar } from '../grid/cells';
import { otherHand, type Limb } from '../groove/limbs';
import { add, format, frac, mul, type WholeNotes } from '../time/fraction';
import type { Ms } from '../time/units';
import type { TimedStroke } from './timed';

/**
 * How long before its stroke a grace note sounds. 12–45 ms is heard as one flam (nearer is flat,
 * farther is two notes); 28 ms is the middle. A drag's first grace comes as long again before.
 */
export const GRACE_MS: Ms = 28;

/** A stroke that a bar asks for, placed in it before swing. */
export interface StruckPlace extends Pick<
  TimedStroke,
  'limb' | 'surface' | 'height' | 'role' | 'ornament' | 'written'
> {
  at: WholeNotes;
  earlierMs: Ms;
  /** A grace goes with its stroke, though the other hand plays it. */
  leansWith: Limb;
}

/** The strokes a bar asks for, ornaments written out: a double is two strokes in its slot. */
export function strokesStruck({ bar, reading }: Pick<FormBar, 'bar' | 'reading'>): StruckPlace[] {
  const lengths = new Map(slotsOfBar(bar.meter, reading, bar.cells).map((slot) => [format(slot.at), slot.length]));
  return bar.strokes.flatMap((stroke): StruckPlace[] => {
    const { limb, at, ornament } = stroke;
    const main: StruckPlace = { ...stroke, ornament, earlierMs: 0, leansWith: limb, role: 'main', written: at };
    const grace = (earlier: number): StruckPlace => ({
      ...main,
      earlierMs: -earlier * GRACE_MS,
      limb: otherHand(limb),
      height: 'ghost',
      role: 'grace',
    });
    if (ornament === 'flam') return [grace(1), main];
    if (ornament === 'drag') return [grace(2), grace(1), main];
    if (ornament === 'double') {
      const half = mul(lengths.get(format(at))!, frac(1, 2));
      return [main, { ...main, at: add(at, half), role: 'second' }];
    }
    return [main];
  });
}
