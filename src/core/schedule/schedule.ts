import type { School } from '../count/schools';
import { NUMBER_MS, spokenCount } from './words';
import type { Bar, Groove } from '../documents/groove';
import { isSwingable, slotsOfBar } from '../grid/cells';
import { otherHand, type Height, type Limb, type Ornament, type Surface } from '../groove/limbs';
import { clicks, type ClickPlan, type ClickVoice } from '../time/clickPlan';
import { add, compare, format, frac, mul, negate, ZERO, type WholeNotes } from '../time/fraction';
import { barLength, barStarts, countsOf } from '../grid/meter';
import { tripletLayers, type LayerPlan } from './layers';
import { swingRatio, swungPlace, type Swing } from '../time/swing';
import { clock, tempoAt, type TempoMap } from '../time/tempoMap';
import type { Ms } from '../time/units';

/** What is set anew from a bar of the run on; what is left out goes on as it was. */
export interface RunChange {
  fromBar: number;
  /** A plan begins its own bars where it is set. */
  click?: ClickPlan;
  swing?: Swing | 'straight';
}

/** Everything that decides when something sounds. */
export interface Run {
  /** Already turned round for the player's kit. */
  groove: Groove;
  tempo: TempoMap;
  /** Long–short in place of the groove's own; `straight` switches it off. */
  swing?: Swing | 'straight';
  click: ClickPlan;
  /** Bars counted in, clicked on every count. */
  countIn: number;
  /** How often the groove is played. */
  rounds: number;
  /** Only these limbs; all of them when left out. */
  limbs?: readonly Limb[];
  /** A limb laid behind (+) or pushed ahead (−), in milliseconds, in place of the groove's own lean. */
  lean?: Partial<Record<Limb, Ms>>;
  /** In the order of their bars. */
  changes?: readonly RunChange[];
  /** The count as it is spoken: in whose syllables, and where, as a click plan says it. */
  count?: { school: School; plan: ClickPlan };
  /** Triplet layers that lead to slow triplets. */
  layers?: LayerPlan;
  /** What is called, each in the bar before `bar` of the groove, word after word from its bar line. */
  calls?: readonly { bar: number; words: readonly string[] }[];
}

interface Timed {
  /** Where it sounds, in whole notes from the first bar; below 0 in the count-in. */
  at: WholeNotes;
  /** When it sounds, in milliseconds from the first bar. */
  ms: Ms;
  /** Bars from the first one, over all rounds; below 0 in the count-in. */
  barInRun: number;
}

export interface TimedClick extends Timed {
  kind: 'click';
  voice: ClickVoice;
}

export interface TimedStroke extends Timed {
  kind: 'stroke';
  limb: Limb;
  surface: Surface;
  height: Height;
  /** `grace`: before a flam or drag. `second`: the second stroke of a double. */
  role: 'main' | 'second' | 'grace';
  ornament?: Ornament;
  round: number;
  /** Index of the bar in the groove. */
  bar: number;
  /** Where it is written, from the start of its bar. */
  written: WholeNotes;
}

/** A number or syllable, its onset on its slot; or a word of a call, `at` where the call begins. */
export interface TimedWord extends Timed {
  kind: 'word';
  say: string;
}

/** A note of a triplet layer: 0 is the quickest, and `loud` (0 to 1) fades it out. */
export interface TimedLayer extends Timed {
  kind: 'layer';
  layer: number;
  loud: number;
}

export type TimedSound = TimedClick | TimedStroke | TimedWord | TimedLayer;

/** One bar of the run, for the playhead. */
export interface TimedBar {
  startMs: Ms;
  endMs: Ms;
  round: number;
  bar: number;
  barInRun: number;
}

export interface Schedule {
  /** Sorted by time. */
  sounds: TimedSound[];
  /** The count-in's bars first, then all rounds. */
  bars: TimedBar[];
  /** When each numbered count of the rounds falls, whether it is clicked or not. */
  countsMs: Ms[];
  /** How many words of the spoken count, and of calls, were left out because they come too fast to be said. */
  unspoken: number;
  /** When the first bar counted in starts: 0 or below. */
  startMs: Ms;
  /** When the last bar ends. */
  endMs: Ms;
}

/**
 * How long before its stroke a grace note sounds. 12–45 ms is heard as one flam (nearer is flat,
 * farther is two notes); 28 ms is the middle. A drag's first grace comes as long again before.
 */
export const GRACE_MS: Ms = 28;

/** From word to word of a call. Plain speech has four to six syllables a second; the numbers at its end have up to three. */
export const CALL_WORD_MS: Ms = 180;

/** How a run is counted in, and the count spoken over it. */
const ON_COUNTS: ClickPlan = { kind: 'every', counts: '1', from: '0' };

/**
 * The one place that says when each stroke and click sounds. Player, notation, files and judgement all
 * ask here. Places stay exact fractions; `ms` is worked out from them last.
 */
export function schedule(run: Run): Schedule {
  const { groove, countIn, rounds } = run;
  const toMs = clock(run.tempo);
  const swing = run.swing === 'straight' ? undefined : (run.swing ?? groove.swing);
  const first = groove.bars[0]!;

  const inRun = Array.from({ length: rounds * groove.bars.length }, (_, barInRun) => ({
    barInRun,
    round: Math.floor(barInRun / groove.bars.length),
    bar: barInRun % groove.bars.length,
    one: groove.bars[barInRun % groove.bars.length]!,
  }));
  const starts = barStarts(inRun.map(({ one }) => barLength(one.meter)));
  const countInStarts = Array.from({ length: countIn }, (_, index) =>
    negate(mul(barLength(first.meter), frac(countIn - index))),
  );

  const swungBars = new SwungBars(groove, run.tempo);
  /** The swing of each bar of the run, and the plan of its click with the bar it was set on. */
  const swings: (Swing | undefined)[] = [];
  const plans: { plan: ClickPlan; from: number }[] = [];
  let [nowSwung, nowClicked, changed] = [swing, { plan: run.click, from: 0 }, 0];
  for (let bar = 0; bar < inRun.length; bar++) {
    for (; run.changes && run.changes[changed] && run.changes[changed]!.fromBar <= bar; changed++) {
      const change = run.changes[changed]!;
      if (change.swing) nowSwung = change.swing === 'straight' ? undefined : change.swing;
      if (change.click) nowClicked = { plan: change.click, from: bar };
    }
    swings.push(nowSwung);
    plans.push(nowClicked);
  }
  const placeInRun = (bar: number, written: WholeNotes) =>
    add(starts[bar]!, swungBars.place(inRun[bar]!.bar, starts[bar]!, written, swings[bar]));
  const sounds: TimedSound[] = [];

  const asClicked = (one: Bar, start: WholeNotes) => ({
    start,
    meter: one.meter,
    reading: groove.reading,
    cells: one.cells,
  });
  const countedIn = countInStarts.map((start) => asClicked(first, start));
  const clicked = inRun.map(({ one }, index) => asClicked(one, starts[index]!));
  for (const click of clicks(ON_COUNTS, countedIn)) {
    const at = add(countInStarts[click.bar]!, click.written);
    sounds.push({ kind: 'click', at, ms: toMs(at), barInRun: click.bar - countIn, voice: click.voice });
  }
  for (const { plan, from } of new Set(plans)) {
    const until = from + plans.slice(from).filter((one) => one.plan === plan && one.from === from).length;
    for (const click of clicks(plan, clicked.slice(from, until))) {
      const bar = from + click.bar;
      const at = placeInRun(bar, click.written);
      sounds.push({ kind: 'click', at, ms: toMs(at), barInRun: bar, voice: click.voice });
    }
  }

  let unspoken = 0;
  if (run.count) {
    const { school, plan } = run.count;
    const inward = spokenCount(ON_COUNTS, countedIn, school, (bar, written) => toMs(add(countInStarts[bar]!, written)));
    const along = spokenCount(plan, clicked, school, (bar, written) => toMs(placeInRun(bar, written)));
    unspoken = along.unspoken;
    for (const { bar, written, say } of inward.words) {
      const at = add(countInStarts[bar]!, written);
      sounds.push({ kind: 'word', at, ms: toMs(at), barInRun: bar - countIn, say });
    }
    for (const { bar, written, say } of along.words) {
      const at = placeInRun(bar, written);
      sounds.push({ kind: 'word', at, ms: toMs(at), barInRun: bar, say });
    }
  }
  for (const { bar, words } of run.calls ?? []) {
    for (let into = bar; into < inRun.length; into += groove.bars.length) {
      const from = into > 0 ? starts[into - 1] : countInStarts.at(-1);
      if (!from) continue;
      const fromMs = toMs(from);
      if (fromMs + (words.length - 1) * CALL_WORD_MS + NUMBER_MS > toMs(starts[into]!)) unspoken += words.length;
      else
        words.forEach((say, word) =>
          sounds.push({ kind: 'word', at: from, ms: fromMs + word * CALL_WORD_MS, barInRun: into - 1, say }),
        );
    }
  }
  if (run.layers) {
    for (const { at, bar, layer, loud } of tripletLayers(run.layers, starts))
      sounds.push({ kind: 'layer', at, ms: toMs(at), barInRun: bar, layer, loud });
  }

  const limbs = run.limbs && new Set(run.limbs);
  const lean = run.lean ?? groove.lean;
  for (const { barInRun, round, bar, one } of inRun) {
    const start = starts[barInRun]!;
    for (const struck of strokesOfBar(one, groove)) {
      if (limbs && !limbs.has(struck.limb)) continue;
      const at = add(start, swungBars.place(bar, start, struck.at, swings[barInRun]));
      const ms = toMs(at) + struck.earlierMs + (lean?.[struck.leansWith] ?? 0);
      const { limb, surface, height, role, ornament, written } = struck;
      sounds.push({ kind: 'stroke', at, ms, barInRun, limb, surface, height, role, ornament, round, bar, written });
    }
  }

  const bars = [
    ...countInStarts.map((start, index) => ({
      start,
      end: countInStarts[index + 1] ?? ZERO,
      round: -1,
      bar: 0,
      barInRun: index - countIn,
    })),
    ...inRun.map(({ barInRun, round, bar }) => ({
      start: starts[barInRun]!,
      end: starts[barInRun + 1]!,
      round,
      bar,
      barInRun,
    })),
  ].map(({ start, end, ...rest }) => ({ ...rest, startMs: toMs(start), endMs: toMs(end) }));

  const countsMs = inRun.flatMap(({ one }, index) =>
    countsOf(one.meter, groove.reading).map((count) => toMs(add(starts[index]!, count.at))),
  );

  sounds.sort((a, b) => a.ms - b.ms);
  return { sounds, bars, countsMs, unspoken, startMs: bars[0]!.startMs, endMs: bars.at(-1)!.endMs };
}

interface StruckPlace {
  at: WholeNotes;
  earlierMs: Ms;
  limb: Limb;
  /** A grace goes with its stroke, though the other hand plays it. */
  leansWith: Limb;
  surface: Surface;
  height: Height;
  role: TimedStroke['role'];
  ornament?: Ornament;
  written: WholeNotes;
}

/** The strokes a bar asks for, ornaments written out: a double is two strokes in its slot. */
function strokesOfBar(bar: Bar, groove: Groove): StruckPlace[] {
  const lengths = new Map(
    slotsOfBar(bar.meter, groove.reading, bar.cells).map((slot) => [format(slot.at), slot.length]),
  );
  return bar.strokes.flatMap((stroke): StruckPlace[] => {
    const { limb, surface, height, ornament, at } = stroke;
    const main: StruckPlace = {
      at,
      earlierMs: 0,
      limb,
      leansWith: limb,
      surface,
      height,
      role: 'main',
      ornament,
      written: at,
    };
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

/** Where places written in a bar sound; worked out once for each place and ratio, since rounds repeat them. */
class SwungBars {
  private readonly known = new Map<string, WholeNotes>();

  constructor(
    private readonly groove: Groove,
    private readonly tempo: TempoMap,
  ) {}

  /** From the start of the bar to where `written` sounds, in whole notes. */
  place(bar: number, start: WholeNotes, written: WholeNotes, swing: Swing | undefined): WholeNotes {
    if (!swing || written.n === 0) return written;
    const ratio = swingRatio(swing, tempoAt(this.tempo, start));
    const key = `${bar} ${swing.value} ${format(ratio)} ${format(written)}`;
    const known = this.known.get(key);
    if (known) return known;
    const one = this.groove.bars[bar]!;
    const cell = cellAt(one, this.groove, written);
    const place = isSwingable(cell) ? swungPlace(written, swing.value, ratio, barLength(one.meter)) : written;
    this.known.set(key, place);
    return place;
  }
}

/** The cell a place falls in. */
function cellAt(bar: Bar, groove: Groove, at: WholeNotes) {
  const counts = countsOf(bar.meter, groove.reading);
  let first = 0;
  let found = bar.cells[0]!;
  for (const cell of bar.cells) {
    if (compare(counts[first]!.at, at) > 0) break;
    found = cell;
    first += cell.counts;
  }
  return found;
}

/** Where every slot of a bar sounds at a tempo, as fractions of the bar: what the strip draws. */
export function slotPlaces(
  groove: Groove,
  bar: number,
  swing: Swing | 'straight' | undefined,
  tempo: TempoMap,
): WholeNotes[] {
  const one = groove.bars[bar]!;
  const swung = new SwungBars(groove, tempo);
  const ratio = swing === 'straight' ? undefined : (swing ?? groove.swing);
  const length = barLength(one.meter);
  return slotsOfBar(one.meter, groove.reading, one.cells).map((slot) =>
    mul(swung.place(bar, ZERO, slot.at, ratio), frac(length.d, length.n)),
  );
}
