import { usualSurface } from '../groove/kit';
import { placeStroke, removeStroke, setOrnament, type Place } from '../groove/edit';
import type { Groove, Stroke } from '../groove/groove';
import { HEIGHTS, isHand, usualLimb, type Limb, type Ornament, type Surface } from '../groove/limbs';
import { lengthOf } from '../groove/place';
import { slotsOfBar } from '../grid/cells';
import { barLength, barStarts, countsOf } from '../grid/meter';
import { add, equal, format, frac, less, modulo, mul, sub, type WholeNotes } from '../time/fraction';
import { NOTE_VALUES } from '../time/noteValue';
import type { Places } from './phrase';
import { PlaceReader } from './places';
import { placesOf } from './resolve';
import type { OtherReading, SayOptions } from './say';
import { sayBack, strokeAt } from './sayBack';
import { matches, type Manner, type Shift, type Subject } from './subject';
import { tokensOf } from './tokens';
import type { Token } from './words';

const DRUMS: readonly Surface[] = ['snare', 'high tom', 'mid tom', 'floor tom', 'pad', 'rim', 'cross-stick'];

/** Does to a groove what a phrase says, and remembers where, so that it can be said back. */
export class CommandExecutor extends PlaceReader {
  /** The subjects named last hold until others are. */
  protected subjects: Subject[] | undefined;

  protected bars: number[];

  /** Places that were said last, for "the last one". */
  protected before: WholeNotes[] = [];

  protected touched: Place[] = [];
  /** Whether anything was said of any place. */
  protected hasTouched = false;

  protected readonly said: string[] = [];

  protected readonly otherwise: OtherReading[] = [];

  protected original: Groove;

  constructor(
    public groove: Groove,
    protected readonly text: string,
    protected readonly options: SayOptions,
  ) {
    super(tokensOf(text), options.school);
    this.original = groove;
    this.bars = [options.bar ?? 0];
  }

  /** Says back what was done so far, before something is done to whole bars. */
  protected flush(): void {
    if (this.touched.length) this.said.push(sayBack(this.original, this.groove, this.touched, this.school));
    this.touched = [];
    this.original = this.groove;
  }

  protected inBars(
    places: Places,
    bars: readonly number[] | undefined,
    each: (bar: number, at: WholeNotes[]) => void,
  ): void {
    for (const bar of bars ?? this.bars) {
      const { meter, cells } = this.groove.bars[bar]!;
      const found = placesOf(places, { meter, cells, reading: this.groove.reading }, bar, this.school, this.before);
      this.before = found;
      each(bar, found);
    }
  }

  /**
   * Which limbs are meant at a place: those that were named, the one that plays the surface there, or the likeliest.
   */
  protected limbsFor(subject: Subject | undefined, bar: number, at: WholeNotes, manner: Manner): readonly Limb[] {
    if (subject?.limbs) return subject.limbs;
    const here = this.groove.bars[bar]!.strokes.filter((stroke) => equal(stroke.at, at));
    if (subject?.surface) return [here.find((stroke) => matches(subject, stroke))?.limb ?? usualLimb(subject.surface)];
    if (subject) return here.map(({ limb }) => limb);
    const cursor = this.options.limb;
    if (manner.ornament && manner.ornament !== 'double') return [this.drumHand(here, manner.ornament)];
    const ornamented = manner.plain ? here.filter(({ ornament }) => ornament) : [];
    if (ornamented.length) return ornamented.map(({ limb }) => limb);
    const isChange = manner.height !== undefined || manner.ornament !== undefined || manner.louder !== undefined;
    const [only, ...more] = here;
    return isChange && only && !more.length ? [only.limb] : [cursor];
  }

  /** A flam goes to the hand that plays a drum, not to the one on the hat. */
  protected drumHand(here: readonly Stroke[], ornament: Ornament): Limb {
    const cursor = this.options.limb;
    const isDrum = (limb: Limb) => isHand(limb) && DRUMS.includes(usualSurface(this.groove, limb));
    const found =
      here.find(({ limb, surface }) => isHand(limb) && DRUMS.includes(surface))?.limb ??
      ([cursor, 'left hand', 'right hand'] as const).find(isDrum) ??
      'left hand';
    const words = `${ornament} by the ${cursor}`;
    if (found !== cursor && isHand(cursor) && !this.otherwise.some((one) => one.words === words))
      this.otherwise.push({ words, text: `${cursor}: ${this.text}` });
    return found;
  }

  protected put(place: Place, subject: Subject | undefined, { height, ornament, plain, louder }: Manner): void {
    const before = strokeAt(this.groove, place);
    const isThere = before && subject && matches(subject, before);
    const surface = isThere ? undefined : subject?.surface;
    const stepped = louder && before && HEIGHTS[HEIGHTS.indexOf(before.height) + louder];
    this.groove = placeStroke(this.groove, place, {
      surface,
      height: height ?? stepped ?? (before ? undefined : (this.options.height ?? 'tap')),
      ornament,
    });
    if (plain && !ornament) this.groove = setOrnament(this.groove, place, undefined);
    this.touch(place);
  }

  protected touch(place: Place): void {
    this.hasTouched = true;
    const isKnown = this.touched.some(
      ({ bar, limb, at }) => bar === place.bar && limb === place.limb && equal(at, place.at),
    );
    if (!isKnown) this.touched.push(place);
  }

  protected strokesOf(subjects: readonly Subject[], bars: readonly number[]): { place: Place; stroke: Stroke }[] {
    return bars.flatMap((bar) =>
      this.groove.bars[bar]!.strokes.filter((stroke) => subjects.some((subject) => matches(subject, stroke))).map(
        (stroke) => ({ stroke, place: { bar, limb: stroke.limb, at: stroke.at } }),
      ),
    );
  }

  /** Whether a stroke stands at one of the places that were said. */
  protected standsAt(places: Places, bars: readonly number[] | undefined): (one: { place: Place }) => boolean {
    const said = new Set<string>();
    this.inBars(places, bars, (bar, all) => all.forEach((at) => said.add(`${bar} ${format(at)}`)));
    return ({ place }) => said.has(`${place.bar} ${format(place.at)}`);
  }

  protected nothingThere(token: Token, subjects: readonly Subject[]) {
    const what = subjects.map(({ limbs, surface }) => surface ?? limbs?.join(' and ') ?? 'stroke').join(' and ');
    return this.notUnderstood('nothing-there', token, `There is no ${what} there.`, 'Say where one stands.');
  }

  /** Takes strokes up from where they stand and lays them down elsewhere. */
  protected relay(all: readonly { place: Place; stroke: Stroke; bar: number; at: WholeNotes }[]): void {
    for (const { place } of all) {
      this.groove = removeStroke(this.groove, place);
      this.touch(place);
    }
    for (const { stroke, bar, at } of all) {
      const place = { bar, limb: stroke.limb, at };
      this.groove = removeStroke(this.groove, place);
      this.groove = placeStroke(this.groove, place, stroke);
      this.touch(place);
    }
  }

  /** Moves strokes by so much, round the end of the groove: all of them, or those at the places that were said. */
  protected shift({ by, many, value, subjects, places, bars: inBars, token }: Shift): void {
    const { reading, bars } = this.groove;
    const each = value ? NOTE_VALUES[value] : countsOf(bars[0]!.meter, reading)[0]!.length;
    const starts = barStarts(bars.map(({ meter }) => barLength(meter)));
    const length = lengthOf(this.groove);
    const everywhere = this.strokesOf(
      subjects,
      bars.map((_, bar) => bar),
    );
    const all = places ? everywhere.filter(this.standsAt(places, inBars)) : everywhere;
    if (!all.length) throw this.nothingThere(token, subjects);
    this.relay(
      all.map(({ place, stroke }) => {
        const goal = modulo(add(add(starts[place.bar]!, place.at), mul(each, frac(by * many))), length);
        const bar = bars.findIndex((_, index) => less(goal, starts[index + 1]!));
        const at = sub(goal, starts[bar]!);
        if (!slotsOfBar(bars[bar]!.meter, reading, bars[bar]!.cells).some((slot) => equal(slot.at, at)))
          throw this.notUnderstood(
            'no-slot-there',
            token,
            'The grid has no slot so far from each of them.',
            'Divide the counts further first, like all counts in 16ths.',
          );
        return { place, stroke, bar, at };
      }),
    );
  }
}
