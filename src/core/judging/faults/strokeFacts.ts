import { isOnCount } from '../../counting/placeInWords';
import type { Form } from '../../form/form';
import { cellAt, slotAt, slotsOfBar } from '../../grid/cells';
import { barLength } from '../../grid/meter';
import type { Schedule, TimedStroke } from '../../schedule/timed';
import { format, toNumber, type WholeNotes } from '../../time/fraction';
import type { Ms } from '../../time/units';
import { groupBy } from '../../stats/groupBy';

/**
 * What is known of a stroke beside when it is due: from its bar's own beginning and end, at whatever tempo that goes.
 */
export interface StrokeFacts {
  /** How long its slot lasts. */
  slotMs: (stroke: TimedStroke) => Ms;
  /** How much swing delays it; 0 where it is straight. */
  swungMs: (stroke: TimedStroke) => Ms;
  /** How long a pair of the swung value lasts where this one is swung. */
  pairMs: (stroke: TimedStroke) => Ms;
  isOnCount: (stroke: TimedStroke) => boolean;
}

export function factsOf(form: Form, { bars }: Schedule): StrokeFacts {
  const times = new Map(bars.map(({ barInRun, startMs, endMs }) => [barInRun, { startMs, lengthMs: endMs - startMs }]));
  const barOf = ({ barInRun }: Pick<TimedStroke, 'barInRun'>) => form.bars[Math.max(0, barInRun)]!;
  const lengthMs = ({ barInRun }: TimedStroke) => times.get(barInRun)?.lengthMs ?? 0;
  const wholeMs = (stroke: TimedStroke) => lengthMs(stroke) / toNumber(barLength(barOf(stroke).bar.meter));
  const known = new Map<string, boolean>();
  return {
    slotMs: (stroke) => {
      const { bar, reading } = barOf(stroke);
      const slot = slotAt(slotsOfBar(bar.meter, reading, bar.cells), stroke.written);
      return slot ? toNumber(slot.length) * wholeMs(stroke) : lengthMs(stroke);
    },
    swungMs: (stroke) => {
      const { swing, lean } = barOf(stroke);
      if (!swing || stroke.role === 'second') return 0;
      const startMs = times.get(stroke.barInRun)?.startMs ?? stroke.ms;
      const straightMs = startMs + toNumber(stroke.written) * wholeMs(stroke);
      return Math.max(0, stroke.ms - (lean?.[stroke.limb] ?? 0) - straightMs);
    },
    pairMs: (stroke) => (barOf(stroke).swing?.value === '16th' ? 1 / 8 : 1 / 4) * wholeMs(stroke),
    isOnCount: (stroke) => {
      const place = `${stroke.bar} ${format(stroke.written)}`;
      const before = known.get(place);
      if (before !== undefined) return before;
      const is = isOnCountIn(barOf(stroke), stroke.written);
      known.set(place, is);
      return is;
    },
  };
}

const isOnCountIn = ({ bar, reading }: Form['bars'][number], written: WholeNotes): boolean =>
  isOnCount({ version: 1, title: '', tempo: 60, reading, bars: [bar] }, 0, written);

/** A change of the division of counts, and how many moments ago it was: 0 is the first one after it. */
export interface SinceSwitch {
  moments: number;
  /** Strokes a quarter note would hold before it, and after it. */
  from: number;
  to: number;
}

/** Strokes a quarter holds in the grid of a stroke. */
export function perQuarter({ barInRun, written }: TimedStroke, form: Form): number {
  const { bar, reading } = form.bars[Math.max(0, barInRun)]!;
  const { parts, counts } = cellAt(bar.meter, reading, bar.cells, written);
  return ((parts / counts) * bar.meter.unit) / 4;
}

/**
 * By when strokes are due, the last change of the division before them; nothing before the first change. In time
 * order.
 */
export function switchesOf(strokes: readonly TimedStroke[], form: Form): Map<Ms, SinceSwitch> {
  const since = new Map<Ms, SinceSwitch>();
  let division: number | undefined;
  let last: SinceSwitch | undefined;
  for (const [ms, [stroke]] of groupBy(strokes, ({ ms }) => ms)) {
    const now = perQuarter(stroke!, form);
    if (division !== undefined && now !== division) last = { moments: 0, from: division, to: now };
    else if (last) last = { ...last, moments: last.moments + 1 };
    division = now;
    if (last) since.set(ms, last);
  }
  return since;
}

/** How many limbs are written at a moment; graces and second strokes are left out. */
export function limbsTogether(strokes: readonly TimedStroke[]): (ms: Ms) => number {
  const main = strokes.filter(({ role }) => role === 'main');
  const limbs = groupBy(main, ({ ms }) => Math.round(ms));
  return (ms) => new Set(limbs.get(Math.round(ms))?.map(({ limb }) => limb)).size;
}
