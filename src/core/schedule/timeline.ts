import type { Form, FormBar } from '../form/form';
import { cellAt, isSwingable } from '../grid/cells';
import { barLength, barStarts } from '../grid/meter';
import type { Bar } from '../groove/groove';
import { add, compare, equal, format, negate, sum, ZERO, type WholeNotes } from '../time/fraction';
import { swingRatio, swungPlace, type Swing } from '../time/swing';
import { clock, valueMs, type TempoChange, type TempoMap } from '../time/tempoMap';
import type { Bpm, Ms } from '../time/units';
import { countedIn } from './countIn';

/** Where the bars of a form lie, and when. */
export interface Timeline {
  /** Where each bar starts, and where the last one ends: one longer than the bars. */
  starts: readonly WholeNotes[];
  countInStarts: readonly WholeNotes[];
  toMs: (at: WholeNotes) => Ms;
  /** Where a place written in a bar sounds, swung, in whole notes from the first bar. */
  place: (barInRun: number, written: WholeNotes) => WholeNotes;
}

export function timelineOf({ bars, countIn }: Form): Timeline {
  const starts = barStarts(bars.map(({ bar }) => barLength(bar.meter)));
  const inward = countedIn({ bars, countIn }).map(({ length }) => length);
  const swungBars = new SwungBars();
  return {
    starts,
    countInStarts: inward.map((_, index) => negate(sum(inward.slice(index)))),
    toMs: withHolds(clock(tempoMapOf(bars, starts)), holdsOf(bars, starts)),
    place: (barInRun, written) => add(starts[barInRun]!, swungBars.place(bars[barInRun]!, written)),
  };
}

/** The tempo of each bar as a tempo map: a change where it is another than in the bar before. */
function tempoMapOf(bars: readonly FormBar[], starts: readonly WholeNotes[]): TempoMap {
  const changes: TempoChange[] = [];
  for (const [index, { tempo }] of bars.entries()) {
    const before = changes.at(-1);
    if (before && before.bpm === tempo.bpm && equal(before.beat, tempo.beat)) continue;
    changes.push({ at: starts[index]!, ...tempo });
  }
  return changes as [TempoChange, ...TempoChange[]];
}

/** Places of a run that are held, and for how long. */
const holdsOf = (bars: readonly FormBar[], starts: readonly WholeNotes[]): { at: WholeNotes; ms: Ms }[] =>
  bars.flatMap(({ hold, tempo }, index) =>
    hold ? [{ at: add(starts[index]!, hold.at), ms: valueMs(hold.more, tempo) }] : [],
  );

/** A clock that stands still where something is held: what is struck there is not moved, all after it is. */
function withHolds(toMs: (at: WholeNotes) => Ms, holds: readonly { at: WholeNotes; ms: Ms }[]): (at: WholeNotes) => Ms {
  if (!holds.length) return toMs;
  return (at) => holds.reduce((ms, hold) => (compare(hold.at, at) < 0 ? ms + hold.ms : ms), toMs(at));
}

/** A bar with the feel and tempo that swing it. */
export interface SwingingBar {
  bar: Bar;
  reading: FormBar['reading'];
  swing?: Swing;
  tempo: { bpm: Bpm };
}

/** Where places written in a bar sound; worked out once for each place and ratio, since rounds repeat them. */
export class SwungBars {
  private readonly known = new Map<Bar, Map<string, WholeNotes>>();

  /** From the start of the bar to where `written` sounds, in whole notes. */
  place({ bar, reading, swing, tempo }: SwingingBar, written: WholeNotes): WholeNotes {
    if (!swing || equal(written, ZERO)) return written;
    const ratio = swingRatio(swing, tempo.bpm);
    const key = `${swing.value} ${format(ratio)} ${format(written)}`;
    const places = this.known.get(bar) ?? new Map<string, WholeNotes>();
    this.known.set(bar, places);
    const known = places.get(key);
    if (known) return known;
    const cell = cellAt(bar.meter, reading, bar.cells, written);
    const place = isSwingable(cell) ? swungPlace(written, swing.value, ratio, barLength(bar.meter)) : written;
    places.set(key, place);
    return place;
  }
}
