import { BarSayer } from './bars';
import { near } from './near';
import { EVERYTHING, isManner, type Saying, type Shift, type Subject } from './subject';
import { VOCABULARY, type Token } from './words';

/** Reads the parts of a phrase, and gives each word to the places it belongs to. */
export class ClauseParser extends BarSayer {
  /** Reads to the end of the part, and gives each thing to the places it belongs to. */
  protected readSayings(): { all: Saying[]; shift?: Shift } {
    const all: Saying[] = [];
    let now: Saying = {};
    const isAfter = this.isSaidAfter();
    const begin = () => {
      all.push(now);
      now = {};
    };
    while (this.token && !this.is('comma', 'semicolon')) {
      const token = this.token;
      const later = now.places !== undefined && !isAfter && this.placesFollow();
      const shift = this.readShift(now);
      // "the kick on 3 loud and a 16th later": both.
      if (shift) return { all: isManner(now) ? [...all, now] : all, shift };
      if (token.kind === 'remove' && (now.places || now.subjects || isManner(now))) break;
      if (this.startsBars()) {
        const bars = this.readBars();
        if (now.places) now.bars = bars;
        else this.bars = bars;
      } else if (this.is('limb', 'surface', 'everything')) {
        if (this.isAnother(now) || (later && !this.isNamedBehind(now))) begin();
        this.readSubject(now);
      } else if (
        token.kind === 'height' ||
        token.kind === 'ornament' ||
        token.kind === 'plain' ||
        token.kind === 'louder'
      ) {
        if (later) begin();
        this.index++;
        if (token.kind === 'height') now.height = token.height;
        else if (token.kind === 'ornament') now.ornament = token.ornament;
        else if (token.kind === 'louder') now.louder = token.by;
        else now.plain = true;
      } else if (token.kind === 'sticking') {
        if (now.places) begin();
        this.readHands(now);
      } else if (token.kind === 'instead') {
        this.index++;
        this.skip();
        if (!this.is('limb', 'surface'))
          throw this.notUnderstood('instead-of-what', token, 'Instead of what?', 'Say instead of the hat.');
        const of: Saying = {};
        this.readSubject(of);
        now.instead = of.subjects![0];
      } else if (token.kind === 'away') {
        this.index++;
        now.away = true;
      } else if (now.places && this.is('except') && !this.isExcept()) {
        // "8ths but open on 4&": another thing.
        begin();
        this.index++;
      } else if (now.places && this.isExcept()) {
        this.index++;
        this.skip();
        const { terms, except } = this.readPlaces();
        now.places = { ...now.places, except: [...now.places.except, ...terms, ...except] };
      } else if (
        (token.kind === 'word' && token.text === 'before' && now.ornament) ||
        (this.is('and', 'with', 'in', 'to') && !this.startsPlaces()) ||
        (this.is('of') && this.peekBars()) ||
        (this.is('every') && !this.startsPlaces()) ||
        this.is('like') ||
        this.isFiller()
      )
        this.index++;
      else if (this.startsPlaces()) {
        if (now.places) {
          if (this.isUnjoined()) throw this.twoPlaces(token);
          begin();
        }
        now.places = this.readPlaces();
        if (isAfter) continue;
      } else throw this.unknown(token);
      if (isAfter && now.places && this.startsPlaces()) begin();
    }
    all.push(now);
    return { all };
  }

  /** Whether places follow others with nothing but "on the" between them. */
  private isUnjoined(): boolean {
    let at = this.index - 1;
    while (this.tokens[at]?.kind === 'filler') at--;
    const before = this.tokens[at]?.kind;
    return before === 'to' || before === 'number' || before === 'value' || (before === 'word' && at < this.index - 1);
  }

  private twoPlaces(token: Token) {
    return this.notUnderstood(
      'two-places',
      token,
      'On both, or from one to the other?',
      'Say and between them, or move the kick from 3 to 4.',
    );
  }

  /** "of bar 2": in it. */
  private peekBars(): boolean {
    this.index++;
    const is = this.startsBars();
    this.index--;
    return is;
  }

  protected isFiller(): boolean {
    const at = this.index;
    this.skip();
    const isFiller = this.index > at;
    this.index = at;
    return isFiller && !this.startsPlaces();
  }

  /** "kick on 1 and snare …": what plays there was said already. */
  protected isAnother({ places, subjects }: Saying): boolean {
    if (!places || !subjects || this.tokens[this.index - 1]?.kind === 'with') return false;
    const [only, ...more] = subjects;
    const isRest = !more.length && only?.limbs && !only.surface && this.is('surface');
    return this.tokens[this.index - 2]?.kind !== 'with' && !isRest;
  }

  /** "with the left hand", behind the places: of what was just said. */
  protected isNamedBehind(now: Saying): boolean {
    return this.tokens[this.index - 1]?.kind === 'with' || this.tokens[this.index - 2]?.kind === 'with' || !now.places;
  }

  /** Whether places are said in what is left of this part. */
  protected placesFollow(): boolean {
    const at = this.index;
    let follow = false;
    for (; !follow && this.token && !this.is('comma', 'semicolon') && !this.isExcept(); this.index++)
      follow = this.startsPlaces() && !this.startsBars() && !this.is('filler');
    this.index = at;
    return follow;
  }

  /** Whether each place of this part has its words behind it: "1 loud 2 soft". */
  protected isSaidAfter(): boolean {
    const at = this.index;
    if (!this.startsPlaces() || this.startsBars()) return false;
    let [places, manners] = [0, 0];
    while (this.token && !this.is('comma', 'semicolon')) {
      if (this.startsPlaces() && !this.startsBars()) {
        try {
          this.readPlaces();
        } catch {
          break;
        }
        places++;
      } else {
        if (this.is('height', 'ornament')) manners++;
        this.index++;
      }
    }
    this.index = at;
    return places > 1 && manners === places;
  }

  protected readSubject(now: Saying): void {
    const behind = this.tokens[this.index - 1];
    const isAfterWith =
      behind?.kind === 'with' || (behind?.kind === 'filler' && this.tokens[this.index - 2]?.kind === 'with');
    const subject = this.subjectHere();
    // "crash with the kick": both; "snare with the left hand": how.
    const isBoth = behind?.kind === 'and' || (isAfterWith && subject.surface !== undefined);
    const joins = now.subjects !== undefined && isBoth && (!now.places || isAfterWith);
    const last = now.subjects?.at(-1);
    if (!joins && last && subject.limbs && !last.limbs) now.subjects!.splice(-1, 1, { ...last, limbs: subject.limbs });
    else if (!joins && last?.limbs && !last.surface && subject.surface && !subject.limbs)
      now.subjects!.splice(-1, 1, { ...last, surface: subject.surface, any: subject.any });
    else now.subjects = joins ? [...now.subjects!, subject] : [subject];
  }

  protected subjectHere(): Subject {
    if (this.take('everything')) return EVERYTHING;
    const limb = this.take('limb');
    const at = this.index;
    if (limb) this.skip();
    const surface = this.take('surface');
    if (limb && !surface) this.index = at;
    // "open the hat": one thing.
    if (surface && /^(?:open|opened|close|closed)$/i.test(surface.text)) {
      const behind = this.index;
      this.skip();
      if (this.token?.kind === 'surface' && this.token.surface === 'closed hat') this.index++;
      else this.index = behind;
    }
    const any = surface && surface.surface === 'closed hat' && !/close/i.test(surface.text);
    return {
      ...(limb && { limbs: limb.limbs }),
      ...(surface && { surface: surface.surface }),
      ...(any && { any }),
    };
  }

  /** "RLRR LRLL"; where capitals and small letters are mixed, capitals are accents. */
  protected readHands(now: Saying): void {
    let letters = '';
    for (let one = this.take('sticking'); one; one = this.take('sticking')) letters += one.text.replace(/\s/g, '');
    now.hands = [...letters].map((letter) => (letter.toLowerCase() === 'r' ? 'right hand' : 'left hand'));
    if (/[RL]/.test(letters) && /[rl]/.test(letters)) now.accents = [...letters].map((letter) => /[RL]/.test(letter));
  }

  protected lastToken(): Token {
    return this.tokens[Math.min(this.index, this.tokens.length) - 1]!;
  }

  /** "a 16th later", "by two counts earlier"; undefined where nothing of the kind is said here. */
  protected readShift({ subjects, places, bars }: Saying): Shift | undefined {
    const begin = this.index;
    this.skip('with', 'to');
    const many = this.take('number');
    const value = this.take('value');
    const count = value ? undefined : this.take('count');
    const direction = value || count ? this.take('shift') : undefined;
    if (!direction) {
      this.index = begin;
      return undefined;
    }
    return {
      by: direction.by,
      many: many?.value ?? 1,
      ...(value && { value: value.value }),
      subjects: subjects ?? [EVERYTHING],
      ...(places && { places }),
      ...(bars && { bars }),
      token: direction,
    };
  }

  /** A word nobody knows, with those that were probably meant. */
  protected unknown(token: Token) {
    if (this.isSyllable(token)) return this.noCount(token);
    const likely = near(token.text, [...VOCABULARY, ...this.syllables()]);
    return this.notUnderstood(
      'unknown-word',
      token,
      'This word is not understood here.',
      likely.length ? `Did you mean ${likely.join(' or ')}?` : 'Say what plays, and where: kick on 1 and the a of 3.',
      likely.map((word) => ({ words: word, replace: word })),
    );
  }
}
