import type { ChartFeel, ChartForm, FreeKind, Jump, Marks } from '../../documents/chart';
import { barLength, countsIn, parseMeter, type Meter } from '../../grid/meter';
import { MOST_UNROLLED_BARS } from '../../limits';
import { fail, ok, type Problem, type Result } from '../../result';
import { div, exact, less, mul, ZERO, type Fraction, type WholeNotes } from '../../time/fraction';
import { NOTE_VALUES } from '../../time/noteValue';
import { namedPlaces, type NamedPlace } from './namedCount';
import { chartProblem } from './problems';
import { barsOfRun, isBar, writtenOf, type RunMark, type Written, type WrittenBar } from './written';

/** A hit that is caught with the band. */
export interface Hit extends NamedPlace {
  name: string;
}

/** A bar as it is played. */
export interface PlayedBar {
  /** Of the bars played, from 1; a pick-up is 0. */
  number: number;
  /** Which written bar it is: "A.5", "A[1-3].1". */
  from: string;
  /** Its index among the bars as they are written. */
  written: number;
  section: string;
  /** How many bars of its section, its ending one of them, stand before it. */
  place: number;
  /** Which time through its section this is, and of how many. */
  time: number;
  times: number;
  meter: Meter;
  feel: ChartFeel;
  /** Whole notes a minute. */
  speed: Fraction;
  hits: readonly Hit[];
  isRest: boolean;
  /** The player's own: time is not kept as the groove has it. */
  free?: FreeKind;
  /** How much longer than its meter it lasts, in whole notes. */
  held: WholeNotes;
  /** The count that is held so, as it sounds. */
  heldAt?: WholeNotes;
  marks: Marks;
  groove?: string;
}

/** What a written bar has once and for all: as it was when it was first played. */
interface First {
  meter: Meter;
  feel: ChartFeel;
  speed: Fraction;
  hits: readonly Hit[];
  /** The named count that is held. */
  heldAt?: WholeNotes;
  isRest: boolean;
  free?: FreeKind;
  groove?: string;
}

/** How playing goes on after something: straight on, to its end, or at another bar. */
type Onward = 'on' | 'end' | { to: WrittenBar };

interface Around {
  written: Written;
  time: number;
  /** Whether nothing of it comes again after this time. */
  isLast: boolean;
}

/** Ends the unrolling with what is wrong. */
class CannotBePlayed extends Error {
  constructor(readonly problem: Problem) {
    super(problem.say);
  }
}

/**
 * The bars of a form as they are really played, one after another. A jump, a Fine and a way to the coda count only on
 * the last time of all repeats around them; a jump is made once; repeats taken before it are not taken again, unless
 * the form says so; a bar keeps the meter, tempo and feel it had when first played. Problems name the section, and
 * the bar where one is to blame.
 */
export function unroll(form: ChartForm): Result<PlayedBar[]> {
  const written = writtenOf(form);
  if ('problem' in written) return fail(written.problem);
  try {
    return ok(new Unrolling(form, written.top, written.bars).run());
  } catch (error) {
    if (error instanceof CannotBePlayed) return fail(error.problem);
    throw error;
  }
}

class Unrolling {
  readonly #played: PlayedBar[] = [];
  readonly #first = new Map<WrittenBar, First>();
  readonly #around: Around[] = [];
  /** Sections that were come to, and those that were when the last jump was made. */
  readonly #come = new Set<Written>();
  #taken = new Set<Written>();
  readonly #made = new Set<WrittenBar>();
  readonly #seen = new Set<string>();
  #jumped: Jump | undefined;
  #isCodaReached = false;
  readonly #index: ReadonlyMap<WrittenBar, number>;

  constructor(
    private readonly form: ChartForm,
    private readonly top: Written,
    private readonly bars: readonly WrittenBar[],
  ) {
    this.#index = new Map(bars.map((bar, index) => [bar, index]));
  }

  run(): PlayedBar[] {
    let onward = this.#play(this.top);
    while (typeof onward === 'object') onward = this.#play(this.top, onward.to);
    const coda = this.#signed('coda');
    if (coda && !this.#isCodaReached) throw new CannotBePlayed(chartProblem('coda-never-reached', coda));
    return this.#played;
  }

  #signed(sign: 'segno' | 'coda'): WrittenBar | undefined {
    return this.bars.find(({ marks }) => marks.signs?.includes(sign));
  }

  /** Plays a section as often as it is to be played; from a bar within it when given. */
  #play(written: Written, entry?: WrittenBar): Onward {
    const isTaken = this.#taken.has(written) && !this.form.repeatsAfterJump;
    this.#come.add(written);
    const lies = entry?.within.get(written);
    const { times } = written;
    let time = isTaken ? times : 1;
    // In the midst of an ending, the time is one of those it is for.
    const ending = lies?.ending === undefined ? undefined : written.endings[lies.ending]!;
    if (ending && !ending.for.includes(time)) time = isTaken ? Math.max(...ending.for) : Math.min(...ending.for);
    let from = lies;
    for (; time <= times; time++) {
      const frame = { written, time, isLast: isTaken || time === times };
      this.#around.push(frame);
      const onward = this.#once(written, time, from, entry);
      this.#around.pop();
      if (onward !== 'on' || frame.isLast) return onward;
      from = entry = undefined;
    }
    return 'on';
  }

  #once(written: Written, time: number, from: { ending?: number; at: number } | undefined, entry?: WrittenBar): Onward {
    if (from?.ending === undefined)
      for (const [index, one] of written.body.entries()) {
        if (index < (from?.at ?? 0)) continue;
        const onward = isBar(one) ? this.#bar(one, written) : this.#play(one, index === from?.at ? entry : undefined);
        if (onward !== 'on') return onward;
      }
    const ending = written.endings.find((one) => one.for.includes(time));
    for (const bar of ending?.bars.slice(from?.ending === undefined ? 0 : from.at) ?? []) {
      const onward = this.#bar(bar, written);
      if (onward !== 'on') return onward;
    }
    return 'on';
  }

  #bar(bar: WrittenBar, written: Written): Onward {
    if (this.#played.length >= MOST_UNROLLED_BARS)
      throw new CannotBePlayed(chartProblem('too-long', { section: bar.section }));
    const first = this.#first.get(bar) ?? this.#firstOf(bar);
    this.#first.set(bar, first);
    const { marks } = bar;
    this.#played.push({
      number: this.#played.length + (this.form.pickup ? 0 : 1),
      from: bar.name,
      written: this.#index.get(bar)!,
      section: written.name,
      place: bar.number - 1 + (bar.within.get(written)?.ending === undefined ? 0 : written.body.length),
      time: this.#around.at(-1)!.time,
      times: written.times,
      ...first,
      held: marks.fermata ? exact(marks.fermata.more) : ZERO,
      marks,
    });
    return this.#around.every(({ isLast }) => isLast) ? this.#after(bar) : 'on';
  }

  /** What a bar is when it is first played: what the bar played before it is, then its own marks. */
  #firstOf(bar: WrittenBar): First {
    const { marks } = bar;
    const wrong = (code: Parameters<typeof chartProblem>[0]) => new CannotBePlayed(chartProblem(code, bar));
    const before = this.#played.at(-1);
    const meterText = marks.meter ?? (before ? undefined : this.form.meter);
    const read = meterText === undefined ? ok(before!.meter) : parseMeter(meterText);
    if (!read.ok) throw wrong('no-meter');
    const meter = read.value;
    const feel = marks.feel ?? before?.feel ?? this.form.feel;
    const speed = speedAfter(before?.speed ?? speedOf(this.form.tempo), marks);
    if (!speed) throw wrong('speed');

    const same = this.#sameAs(bar);
    if (same && !same.bar) throw wrong('nothing-before');
    const names = [...(same?.bar?.hits.map(({ name }) => name) ?? []), ...(marks.hits ?? [])];
    const held = marks.fermata ? [marks.fermata.on] : [];
    const found = this.#named([...names, ...held], bar, meter, feel);
    if ('unknown' in found) throw wrong('no-such-count');
    const hits = names.map((name, index) => ({ name, ...found.places[index]! }));
    const heldAt = found.places[names.length]?.sounding;
    const free = this.#run(bar, 'free')?.opened.marks.free!.as;
    const groove = this.#around.findLast(({ written }) => written.groove)?.written.groove;
    return {
      meter,
      feel,
      speed,
      hits,
      ...(heldAt && { heldAt }),
      isRest: this.#run(bar, 'rest') !== undefined,
      ...(free && { free }),
      ...(groove && { groove }),
    };
  }

  /** Where counts of a bar stand; of a pick-up also by the numbers they have in the bar it ends. */
  #named(names: readonly string[], bar: WrittenBar, meter: Meter, feel: ChartFeel): ReturnType<typeof namedPlaces> {
    const found = namedPlaces(names, meter, feel);
    if (!('unknown' in found) || !this.form.pickup || this.#played.length) return found;
    const next = this.bars[this.bars.indexOf(bar) + 1]?.marks.meter;
    const read = next === undefined ? undefined : parseMeter(next);
    if (!read?.ok || !less(barLength(meter), barLength(read.value))) return found;
    return namedPlaces(names, meter, feel, countsIn({ meter, endOf: read.value }));
  }

  /** The mark of so many bars that a bar lies in, and how many they are. */
  #run(bar: WrittenBar, run: RunMark): { opened: WrittenBar; many: number } | undefined {
    const opened = bar.beside.slice(0, bar.number).findLast(({ marks }) => marks[run] !== undefined);
    const many = (opened && barsOfRun(opened.marks, run)) ?? 0;
    return opened && bar.number < opened.number + many ? { opened, many } : undefined;
  }

  /** The bar whose hits a bar repeats: as many before it as repeat together, as it is first played. */
  #sameAs(bar: WrittenBar): { bar: PlayedBar | undefined } | undefined {
    const run = this.#run(bar, 'same');
    return run && { bar: this.#played[this.#played.length - run.many] };
  }

  /** What follows when a bar is over, on the last time of all repeats around it. */
  #after(bar: WrittenBar): Onward {
    const { signs, jump, every } = bar.marks;
    const isToCoda = this.#jumped?.endsWith('al Coda') ?? false;
    if (signs?.includes('to coda') && isToCoda) {
      this.#isCodaReached = true;
      return { to: this.#signed('coda')! };
    }
    if (signs?.includes('fine') && this.#jumped && !isToCoda) return 'end';
    if (!jump || (this.#made.has(bar) && !every)) return 'on';
    this.#made.add(bar);
    this.#jumped = jump;
    this.#taken = new Set(this.#come);
    // What was made and what was come to only grows: the same jump with as much of both is made again and again.
    const state = `${this.#index.get(bar)} ${this.#made.size} ${this.#come.size}`;
    if (this.#seen.has(state)) throw new CannotBePlayed(chartProblem('for-ever', bar));
    this.#seen.add(state);
    return { to: jump.startsWith('D.C.') ? this.bars[0]! : this.#signed('segno')! };
  }
}

/** Whole notes a minute, far beyond what is played: from one in ten minutes to more than a hundred a second. */
const SLOWEST_SPEED = 1 / 10;
const FASTEST_SPEED = 10_000;

/** The speed with the changes of a bar; undefined where nobody plays so slowly or quickly, or no fraction holds it. */
function speedAfter(before: Fraction, { change, tempo }: Marks): Fraction | undefined {
  try {
    let speed = before;
    if (change) speed = mul(speed, div(NOTE_VALUES[change.new], NOTE_VALUES[change.old]));
    if (tempo) speed = speedOf(tempo);
    const perMinute = speed.n / speed.d;
    return perMinute >= SLOWEST_SPEED && perMinute <= FASTEST_SPEED ? speed : undefined;
  } catch (error) {
    if (error instanceof RangeError) return undefined;
    throw error;
  }
}

/** A tempo in whole notes a minute. */
const speedOf = ({ beat, bpm }: ChartForm['tempo']): Fraction => mul(exact(bpm), NOTE_VALUES[beat]);
