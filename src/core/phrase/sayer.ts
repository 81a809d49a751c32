import { placeStroke, removeStroke, setOrnament } from '../groove/edit';
import type { Stroke } from '../groove/groove';
import { isHand, usualLimb, type Limb } from '../groove/limbs';
import { equal } from '../time/fraction';
import type { Places, Term } from './phrase';
import { placesOf } from './resolve';
import type { OtherReading } from './say';
import { ClauseParser } from './saying';
import { EVERYTHING, isManner, mannerOf, type Manner, type Saying, type Subject } from './subject';
import type { Token } from './words';

/**
 * Reads a phrase and does what it says to a groove, part by part; throws `NotUnderstood` at the first word it cannot
 * place.
 */
export class Sayer extends ClauseParser {
  /** What was said before a comma without a place holds until the next semicolon. */
  private clause: Manner = {};

  /** "right hand:" is who plays what is named next, "snare on 1". */
  private heading: readonly Limb[] | undefined;

  /** A part that takes out holds for the bare places after its commas. */
  private removing: { subjects: Subject[] | undefined; manner: Manner } | undefined;

  run(): { said: string; otherwise: OtherReading[] } {
    while (this.index < this.tokens.length) {
      if (this.take('semicolon')) {
        this.clause = {};
        this.removing = undefined;
      } else if (!this.take('comma')) this.readPart();
    }
    this.flush();
    if (this.tokens.length && !this.said.length && !this.hasTouched)
      throw this.notUnderstood('no-place', this.lastToken(), 'What plays, and where?', 'Say kick on 1 and 3.');
    return { said: this.said.filter(Boolean).join('; '), otherwise: this.otherwise };
  }

  private readPart(): void {
    while (!this.startsPlaces() && this.is('and')) this.index++;
    this.skip();
    const token = this.token;
    if (!token) return;
    if (token.kind === 'copy') return this.readCopy();
    if (token.kind === 'replace') return this.readReplace();
    if (token.kind === 'remove') return this.readRemove();
    if (token.kind === 'move') return this.readMove();
    if (this.isBarLike()) return this.readLike();
    if (this.readDivision()) return;
    this.readPlacement();
  }

  private readPlacement(): void {
    const { all, shift } = this.readSayings();
    for (const saying of all) this.apply(saying);
    if (shift) this.shift(shift);
  }

  private apply(spoken: Saying): void {
    const saying = this.underHeading(spoken);
    if (saying.subjects) this.subjects = saying.subjects;
    const hasManner = isManner(saying);
    if (saying.subjects || hasManner) {
      if (!saying.places && this.removing) this.removing = undefined;
    }
    if (this.removing && saying.places && !saying.subjects && !hasManner) return this.remove(this.removing, saying);
    this.removing = undefined;
    if (saying.away) return this.remove({ subjects: saying.subjects ?? this.subjects, manner: {} }, saying);
    if (saying.instead) return this.putInstead(saying, saying.instead);
    if (saying.hands) return this.placeHands(saying);
    if (saying.places) return this.place(saying);
    if (this.placesAreStillToCome()) {
      const { height, ornament, plain } = saying;
      this.clause = {
        ...this.clause,
        ...(height && { height }),
        ...(ornament && { ornament }),
        ...(plain && { plain }),
      };
      return;
    }
    if (hasManner) return this.changeAll(saying);
    if (saying.subjects)
      throw this.notUnderstood('no-place', this.lastToken(), 'Where?', 'Add a place, like on 1 and 3, or in 8ths.');
  }

  private underHeading(saying: Saying): Saying {
    const [only, ...more] = saying.subjects ?? [];
    if (!only) return saying;
    const limbs = this.heading;
    const isHeading = !more.length && only.limbs && !only.surface && !saying.places;
    this.heading = isHeading ? only.limbs : undefined;
    if (!limbs || only.limbs || !only.surface || isHand(limbs[0]!) !== isHand(usualLimb(only.surface))) return saying;
    return { ...saying, subjects: [{ ...only, limbs }, ...more] };
  }

  private placesAreStillToCome(): boolean {
    const at = this.index;
    let found = false;
    for (; !found && this.token && !this.is('semicolon'); this.index++)
      found = (this.startsPlaces() && !this.is('filler')) || this.is('sticking');
    this.index = at;
    return found;
  }

  private place(saying: Saying): void {
    const said = (kind: Term['kind']) => saying.places!.terms.some((term) => term.kind === kind);
    const isBackbeat = said('backbeat');
    const usual: Subject[] = [
      ...(isBackbeat ? [{ surface: 'snare' as const }] : []),
      ...(said('four on the floor') ? [{ surface: 'kick' as const }] : []),
    ];
    const subjects = saying.subjects ?? this.subjects ?? (usual.length ? usual : undefined);
    const manner: Manner = {
      ...(isBackbeat && { height: 'accent' }),
      ...this.clause,
      ...mannerOf(saying),
    };
    this.inBars(saying.places!, saying.bars, (bar, all) => {
      for (const at of all)
        for (const subject of subjects ?? [undefined])
          for (const limb of this.limbsFor(subject, bar, at, manner)) this.put({ bar, limb, at }, subject, manner);
    });
  }

  private placeHands(saying: Saying): void {
    const hands = saying.hands!;
    const places: Places = saying.places ?? { terms: [{ kind: 'every slot', from: 0, to: 0 }], except: [] };
    const surface = (saying.subjects ?? this.subjects)?.[0]?.surface;
    let next = 0;
    this.inBars(places, saying.bars, (bar, all) => {
      for (const at of all) {
        const turn = next++ % hands.length;
        const limb = hands[turn]!;
        const manner = {
          ...this.clause,
          ...mannerOf(saying),
          ...(saying.accents?.[turn] && { height: 'accent' as const }),
        };
        this.put({ bar, limb, at }, { limbs: [limb], ...(surface && { surface }) }, manner);
      }
    });
  }

  /** "make the hats soft", "snare louder": every stroke there is. */
  private changeAll(saying: Saying): void {
    const subjects = saying.subjects ?? this.subjects ?? [{ limbs: [this.options.limb] }];
    const all = this.strokesOf(subjects, saying.bars ?? this.bars);
    if (!all.length) throw this.nothingThere(this.lastToken(), subjects);
    for (const { place } of all) this.put(place, undefined, saying);
  }

  /** "no hat on 4&", "take the kick off 3", "clear the hats", "no drag on e of 1". */
  private readRemove(): void {
    const verb = this.take('remove')!;
    const [saying = {}, ...more] = this.readRest();
    if (more.length) throw this.notUnderstood('remove-what', verb, 'One thing at a time.', 'Part them by commas.');
    if (saying.subjects) this.subjects = saying.subjects;
    // "clear beat 3": whoever plays there.
    const everybody = /^(?:clear|empty)/i.test(verb.text) && saying.places ? [EVERYTHING] : undefined;
    this.removing = { subjects: saying.subjects ?? everybody ?? this.subjects, manner: saying };
    this.remove(this.removing, saying, verb);
  }

  private readRest(): Saying[] {
    // "clear all" takes everything.
    if (this.is('every') && (!this.peek() || this.peek()?.kind === 'comma' || this.peek()?.kind === 'semicolon')) {
      this.index++;
      return [{ subjects: [EVERYTHING] }];
    }
    const { bars } = this;
    const { all } = this.readSayings();
    const said = this.bars;
    if (said !== bars && all[0] && !all[0].places) all[0].bars = said;
    return all;
  }

  private remove(
    { subjects, manner }: { subjects: Subject[] | undefined; manner: Manner },
    { places, bars }: Saying,
    verb: Token = this.lastToken(),
  ): void {
    const isBarAlone = !places && !subjects && bars;
    const isAnybody = isBarAlone || (isManner(manner) && !places);
    const wanted: readonly Subject[] = subjects ?? [isAnybody ? EVERYTHING : { limbs: [this.options.limb] }];
    const isWhole = !places && !subjects && !bars && !isManner(manner);
    const { height, ornament } = manner;
    const isMeant = ({ stroke }: { stroke: Stroke }) =>
      (!ornament || stroke.ornament === ornament) && (!height || stroke.height === height);
    let found = this.strokesOf(isWhole ? [EVERYTHING] : wanted, bars ?? this.bars).filter(isMeant);
    if (places) {
      const isSaid = this.standsAt(places, bars);
      const there = found.filter(isSaid);
      // Without a limb that is named, what else stands there alone is meant.
      const others = subjects ? [] : this.strokesOf([EVERYTHING], bars ?? this.bars).filter(isMeant);
      found = there.length ? there : others.filter(isSaid);
    }
    if (!found.length) throw this.nothingThere(verb, wanted);
    for (const { place } of found) {
      if (ornament) this.groove = setOrnament(this.groove, place, undefined);
      else if (height === 'accent') this.groove = placeStroke(this.groove, place, { height: 'tap' });
      else this.groove = removeStroke(this.groove, place);
      this.touch(place);
    }
  }

  /** "move the snare from 4 to the a of 3"; a shift where it says how far. */
  private readMove(): void {
    const verb = this.take('move')!;
    const now: Saying = {};
    while (this.token && !this.is('comma', 'semicolon', 'to')) {
      const shift = this.readShift(now);
      if (shift) return this.shift(shift);
      if (this.is('limb', 'surface', 'everything')) this.readSubject(now);
      else if (this.startsBars()) this.bars = this.readBars();
      else if (this.startsPlaces()) now.places = this.readPlaces();
      else if (this.is('from', 'and', 'with', 'in', 'filler', 'article')) this.index++;
      else throw this.unknown(this.token);
    }
    if (!now.places || !this.take('to'))
      throw this.notUnderstood('move-where', verb, 'From where to where?', 'Say move the snare from 4 to the a of 3.');
    this.skip('in');
    if (!this.startsPlaces())
      throw this.notUnderstood('move-where', this.lastToken(), 'To where?', 'Say to the a of 3.');
    if (now.subjects) this.subjects = now.subjects;
    const to = this.readPlaces();
    const subjects = now.subjects ?? this.subjects;
    this.inBars(now.places, undefined, (bar, from) => {
      const { meter, cells } = this.groove.bars[bar]!;
      const goals = placesOf(to, { meter, cells, reading: this.groove.reading }, bar, this.school, from);
      if (goals.length !== from.length)
        throw this.notUnderstood('move-how-many', verb, 'These are not as many places.', 'Name one place for each.');
      const moved = from.map((at) =>
        this.strokesOf(subjects ?? [EVERYTHING], [bar]).filter(({ stroke }) => equal(stroke.at, at)),
      );
      if (moved.every((all) => !all.length)) throw this.nothingThere(verb, subjects ?? [EVERYTHING]);
      this.relay(moved.flatMap((all, index) => all.map((one) => ({ ...one, bar, at: goals[index]! }))));
    });
  }

  /** "crash on 1 instead of the hat"; without places, wherever the other stands. */
  private putInstead({ subjects, places, bars, ...manner }: Saying, instead: Subject): void {
    const [subject] = subjects ?? this.subjects ?? [];
    if (!subject)
      throw this.notUnderstood('what-instead', this.lastToken(), 'What instead?', 'Say crash instead of the hat.');
    let found = this.strokesOf([instead], bars ?? this.bars);
    if (places)
      this.inBars(places, bars, (bar, all) => {
        found = found.filter(({ place }) => place.bar !== bar || all.some((at) => equal(at, place.at)));
      });
    if (!found.length) throw this.nothingThere(this.lastToken(), [instead]);
    for (const { place, stroke } of found) {
      this.groove = removeStroke(this.groove, place);
      this.touch(place);
      for (const limb of subject.limbs ?? [subject.surface ? usualLimb(subject.surface) : place.limb]) {
        this.groove = placeStroke(
          this.groove,
          { ...place, limb },
          { height: stroke.height, ornament: stroke.ornament },
        );
        this.put({ ...place, limb }, { limbs: [limb], surface: subject.surface }, manner);
      }
    }
  }

  /** "replace the hat with the ride", "change the hat on 1 to a crash". */
  private readReplace(): void {
    const verb = this.take('replace')!;
    const of: Saying = {};
    const by: Saying = {};
    let now = of;
    while (this.token && !this.is('comma', 'semicolon')) {
      if (this.is('limb', 'surface')) this.readSubject(now);
      else if (this.is('height', 'ornament')) {
        const token = this.token;
        if (token.kind === 'height') by.height = token.height;
        if (token.kind === 'ornament') by.ornament = token.ornament;
        this.index++;
      } else if (this.is('with', 'to', 'in')) {
        this.index++;
        now = by;
      } else if (this.startsPlaces()) of.places = this.readPlaces();
      else if (this.is('filler', 'article', 'and') || this.isFiller()) this.index++;
      else throw this.unknown(this.token);
    }
    if (!of.subjects || (!by.subjects && !isManner(by)))
      throw this.notUnderstood('replace-what', verb, 'What by what?', 'Say replace the hat with the ride.');
    if (!by.subjects) return this.apply({ ...by, subjects: of.subjects, places: of.places });
    this.subjects = by.subjects;
    this.putInstead({ ...by, places: of.places }, of.subjects[0]!);
  }
}
