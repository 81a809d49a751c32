import type { Feel } from '../form/form';
import { slotsOfBar } from '../grid/cells';
import { barLength } from '../grid/meter';
import type { Groove } from '../groove/groove';
import { frac, mul, type WholeNotes } from '../time/fraction';
import type { Bpm } from '../time/units';
import { SwungBars } from './timeline';

/** Where every slot of a bar sounds at a tempo, as fractions of the bar: what the strip draws. */
export function slotPlaces(groove: Groove, bar: number, feel: Feel | undefined, bpm: Bpm): WholeNotes[] {
  const one = groove.bars[bar]!;
  const swing = feel === 'straight' ? undefined : (feel ?? groove.swing);
  const swung = new SwungBars();
  const length = barLength(one.meter);
  const part = frac(length.d, length.n);
  return slotsOfBar(one.meter, groove.reading, one.cells).map((slot) =>
    mul(swung.place({ bar: one, reading: groove.reading, swing, tempo: { bpm } }, slot.at), part),
  );
}
